import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** A value of a version block, as in `VALUE "ProductName", "Shop"` (Microsoft, VERSIONINFO resource). */
const value = /\bVALUE\s+"(?<key>\w+)"\s*,\s*(?<literal>"(?:""|\\.|[^"\\\r\n])*")(?<more>\s*"\\0")?/g;

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
  values: { key: string; site: Site }[];
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
  return {
    isOfLibrary: library.test(text),
    values: found(value),
    texts: found(entry),
    icons: found(icon).map(({ key, site }) => ({
      key,
      path: site.value.replaceAll("\\\\", "/").replaceAll("\\", "/"),
    })),
  };
}

const read = (literal: string): string =>
  literal
    .slice(1, -1)
    .replaceAll('""', '"')
    .replace(/\\(["\\])/g, "$1")
    .replace(/\\0$/, "");
