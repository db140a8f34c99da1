import { extname } from "node:path/posix";
import { htmlElements } from "../../formats/splice/formats/html.ts";
import type { Form } from "../../formats/splice/forms.ts";
import { isAndroidTexts, isXml, pathByFormat, withoutBuildEnding } from "../../formats/splice/known-ending.ts";
import { scriptEnding } from "../../formats/splice/shape/shape.ts";
import type { Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { parsedOnce } from "../../ground/files/reading/parsed-once.ts";
import { textOf } from "../../ground/files/reading/text-of.ts";
import { problem } from "../../ground/problems/problem.ts";
import { attempt, fail, orElse, type Result, succeed } from "../../ground/problems/result.ts";
import { longPattern } from "../../ground/values/long-pattern.ts";
import type { Place, Source } from "../../ground/values/source.ts";
import type { Fill } from "../template/found.ts";

/** How a value is written within a text of a kind of file, by its ending; where that counts, by its quote. */
const forms: readonly { endings: RegExp; quote?: string; form: Form }[] = [
  { endings: /^\.(html?|vue|svelte)$/, form: "xml-attribute" },
  { endings: /^\.(json|jsonc|webmanifest|webapp|xcstrings|ya?ml|toml)$/, form: "json-inner" },
  { endings: /^\.(rb|php)$/, quote: "'", form: "single-inner" },
  { endings: /^\.rb$/, form: "ruby-inner" },
  { endings: /^\.(go|pot?|tscn|tres|godot|cfg|ini|project)$/, form: "double-inner" },
  { endings: /^\.rc2?$/, form: "resource-inner" },
  { endings: /^\.(vb|bas)$/, form: "basic-inner" },
  { endings: /^\.iss$/, quote: '"', form: "setup-quoted-inner" },
  { endings: /^\.iss$/, form: "setup-inner" },
  { endings: /^\.ns[hi]$/, form: "nsis-inner" },
  { endings: /^\.php$/, form: "php-inner" },
  { endings: /^\.([cm]?[jt]s|[jt]sx)$/, form: "code-inner" },
  { endings: /^\.(kts?|gradle|dart)$/, form: "dollar-inner" },
  {
    endings: longPattern()`
      ^\.(java|swift|mm?|h|hpp|c|cc|cpp|cs|rs|py|strings|qml|vala|gd|lua|(gui_|render_)?script|nut|nfo|proto|glsl
      |metal)$
    `,
    form: "plain-code-inner",
  },
  { endings: /^\.properties$/, form: "properties" },
];

interface Given {
  file: string;
  text: string;
  times: number;
}

/**
 * Every place where a text stands in a file, as often as template.yaml says; more or fewer are told. What the survey
 * fills already is left to it.
 */
export function textSites(
  folder: Folder,
  { file, text, times }: Given,
  line: (key: string) => Place,
  fills: readonly Fill[],
): Result<{ site: Site; form: Form }[]> {
  if (!folder.has(file))
    return fail(problem("file-missing", `${file} is not in the template.`, { place: line("file") }));
  const source = textOf(folder, file);
  if (!source) return fail(problem("fill-not-found", `${file} is no text.`, { place: line("file") }));
  const { text: content } = source;
  const sites: Site[] = [];
  for (let at = content.indexOf(text); at !== -1; at = content.indexOf(text, at + text.length))
    sites.push({ file, start: at, end: at + text.length, value: text, form: "raw" });
  if (sites.length !== times) {
    const message = `"${text}" stands ${sites.length === 1 ? "once" : `${sites.length} times`} in ${file}.`;
    const expected = times === 1 ? "once" : `${times} times`;
    return fail(problem("fill-not-found", message, { place: line("text"), expected }));
  }
  const own = fills.filter(({ site }) => site.file === file && site.end > site.start);
  const left = sites.filter((site) => !own.some((fill) => overlaps(fill.site, site)));
  const scripts = /\.html?$/i.test(withoutBuildEnding(file)) ? scriptsIn(source).all : [];
  return succeed(left.map((site) => ({ site, form: formAt(site, scripts) ?? formIn(source, text) })));
}

interface Script {
  start: number;
  end: number;
  form: Form;
}

/** Where a page's scripts stand, and how a text is written within each. */
const scriptsIn = parsedOnce((source: Source): { all: Script[] } => {
  const elements = attempt(() => htmlElements(source));
  const all = orElse(elements, []).flatMap(({ tagName, attrs, sourceCodeLocation: at }) => {
    if (tagName !== "script" || !at?.startTag || !at.endTag) return [];
    const ending = scriptEnding(attrs.find(({ name }) => name === "type")?.value ?? "");
    const form = forms.find(({ endings }) => endings.test(ending))?.form;
    return form ? [{ start: at.startTag.endOffset, end: at.endTag.startOffset, form }] : [];
  });
  return { all };
});

const formAt = (site: Site, scripts: readonly Script[]): Form | undefined =>
  scripts.find(({ start, end }) => site.start >= start && site.end <= end)?.form;

/** How a value is written within a text of a file. @param text as it stands there: its quote may count */
export function formIn(source: Source, text: string): Form {
  const path = pathByFormat(source);
  if (isAndroidTexts(path)) return "android-string";
  if (isXml(path)) return "xml-attribute";
  const ending = extname(path).toLowerCase();
  return forms.find(({ endings, quote }) => endings.test(ending) && (!quote || text.startsWith(quote)))?.form ?? "line";
}

export const overlaps = (a: Site, b: Site): boolean => a.start < b.end && b.start < a.end;
