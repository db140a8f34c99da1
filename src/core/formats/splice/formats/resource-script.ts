import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** A value of a version block, as in `VALUE "ProductName", "Shop"` (Microsoft, VERSIONINFO resource). */
const value = /\bVALUE\s+"(?<key>\w+)"\s*,\s*(?<said>[^\r\n]+)/g;

/** The numbers of a program's version, as in `FILEVERSION 1,4,0,0` (Microsoft, VERSIONINFO resource). */
const number = /^[ \t]*(?<key>FILEVERSION|PRODUCTVERSION)[ \t]+(?<said>[\w,. \t]*\w)/gm;

/** Texts in quotes and names of macros, of which a value is put together. */
const piece = /"(?:""|\\.|[^"\\])*"|[A-Za-z_]\w*/g;

/** A text of a string table, as in `IDS_APP_TITLE "Shop"` (Microsoft, STRINGTABLE resource). */
const entry = /^[ \t]*(?<key>ID\w+)[ \t]*,?[ \t]+(?<literal>"(?:""|\\.|[^"\\\r\n])*")/gm;

/** An icon, as in `IDI_APP ICON "shop.ico"` (Microsoft, ICON resource). */
const icon = /^[ \t]*(?<key>\w+)[ \t]+ICON[ \t]+(?:[A-Z]+[ \t]+)*(?<literal>"[^"\r\n]+")/gm;

/**
 * A version block that is a library's, by the kind or the name of its file (Microsoft, VERSIONINFO resource, FILETYPE
 * and OriginalFilename).
 */
const library = longPattern("im")`
  ^[ \t]*FILETYPE[ \t]+(?:VFT_(?:DLL|STATIC_LIB|DRV)|0x0*[237]L?)\b
  |"OriginalFilename"\s*,\s*"[^"\r\n]*\.(?:dll|lib|drv)\b
`;

/** What a Windows resource script says: values of its version block, texts of its string tables, icons. */
export interface ResourceScript {
  isOfLibrary: boolean;
  /** Texts; one of several pieces is taken as a whole, without what macros put in. */
  values: { key: string; site: Site }[];
  /** The numbers of its version, as they are written. */
  numbers: { key: string; site: Site }[];
  /** What nothing but a macro says, by the macro's name. */
  macros: { key: string; name: string; at: number }[];
  texts: { key: string; site: Site }[];
  icons: { key: string; path: string }[];
}

export function readResourceScript(file: string, { text }: Source): ResourceScript {
  const found = (form: RegExp) =>
    [...text.matchAll(form)].map((match) => {
      const { key = "", literal = "" } = match.groups ?? {};
      const start = match.index + match[0].indexOf(literal);
      const site: Site = {
        file,
        start,
        end: start + literal.length,
        value: read(literal),
        form: "resource-string",
      };
      return { key, site };
    });
  const values = [...text.matchAll(value)]
    .map((match) => versionText(file, match))
    .filter((each) => each !== undefined);
  const numbers = [...text.matchAll(number)].map((match) => numbersOf(file, match));
  return {
    isOfLibrary: library.test(text),
    values: values.filter((each) => "site" in each),
    numbers,
    macros: values.filter((each) => "name" in each),
    texts: found(entry),
    icons: found(icon).map(({ key, site }) => ({
      key,
      path: site.value.replaceAll("\\\\", "/").replaceAll("\\", "/"),
    })),
  };
}

/** What is said behind a key of a version block: a text, or a macro's name; undefined where code works it out. */
function versionText(
  file: string,
  match: RegExpMatchArray,
): { key: string; site: Site } | { key: string; name: string; at: number } | undefined {
  const { key = "", said = "" } = match.groups ?? {};
  const from = (match.index ?? 0) + match[0].length - said.length;
  const line = said.replace(/\/\/.*$|\/\*.*$/, (comment, at) => (isInText(said, at) ? comment : ""));
  const pieces = [...line.matchAll(piece)];
  if (/[^\s,]/.test(line.replace(piece, "")) || pieces.length === 0) return undefined;
  const shown = pieces.filter(([text]) => text !== '"\\0"');
  const [first] = shown;
  const last = shown.at(-1);
  if (!first || !last) return undefined;
  const [at, end] = [from + (first.index ?? 0), from + (last.index ?? 0) + last[0].length];
  const texts = shown.filter(([text]) => text.startsWith('"'));
  if (texts.length === 0) return shown.length === 1 ? { key, name: first[0], at } : undefined;
  const joined = texts.map(([text]) => read(text)).join("");
  return { key, site: { file, start: at, end, value: joined, form: "resource-string" } };
}

/** Whether a place in a line is within quotes. */
const isInText = (line: string, at: number): boolean => (line.slice(0, at).match(/"/g)?.length ?? 0) % 2 === 1;

function numbersOf(file: string, match: RegExpMatchArray): { key: string; site: Site } {
  const { key = "", said = "" } = match.groups ?? {};
  const start = (match.index ?? 0) + match[0].length - said.length;
  return { key, site: { file, start, end: start + said.length, value: said, form: "raw" } };
}

const read = (literal: string): string =>
  literal
    .slice(1, -1)
    .replaceAll('""', '"')
    .replace(/\\(["\\])/g, "$1")
    .replace(/\\0$/, "");
