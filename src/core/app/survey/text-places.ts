import { extname } from "node:path/posix";
import type { Form } from "../../formats/splice/forms.ts";
import type { Site } from "../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { problem } from "../../ground/problems/problem.ts";
import { fail, type Result, succeed } from "../../ground/problems/result.ts";
import type { Place } from "../../ground/values/source.ts";
import type { Fill } from "../template/found.ts";

/** How a value is written within a text of a kind of file, by its ending. */
const forms: readonly { endings: RegExp; form: Form }[] = [
  {
    endings: /^\.(html?|xml|svg|xaml|storyboard|xib|plist|entitlements|resw|resx|appxmanifest|vue|svelte)$/,
    form: "xml-attribute",
  },
  { endings: /^\.(json|jsonc|webmanifest|xcstrings|ya?ml|toml)$/, form: "json-inner" },
  { endings: /^\.([cm]?[jt]s|[jt]sx|kts?|gradle|dart|php)$/, form: "code-inner" },
  { endings: /^\.(java|swift|mm?|h|hpp|c|cc|cpp|cs|rs|go|py|rb|strings|rc)$/, form: "plain-code-inner" },
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
): Result<{ sites: Site[]; form: Form }> {
  if (!folder.has(file))
    return fail(problem("file-missing", `${file} is not in the template.`, { place: line("file") }));
  const content = textIfAny(folder.bytes(file));
  if (content === undefined) return fail(problem("fill-not-found", `${file} is no text.`, { place: line("file") }));
  const sites: Site[] = [];
  for (let at = content.indexOf(text); at !== -1; at = content.indexOf(text, at + text.length))
    sites.push({ file, start: at, end: at + text.length, value: text, form: "raw" });
  if (sites.length !== times) {
    const message = `"${text}" stands ${sites.length === 1 ? "once" : `${sites.length} times`} in ${file}.`;
    const expected = times === 1 ? "once" : `${times} times`;
    return fail(problem("fill-not-found", message, { place: line("text"), expected }));
  }
  const form = forms.find(({ endings }) => endings.test(extname(file).toLowerCase()))?.form ?? "line";
  const own = fills.filter(({ site }) => site.file === file && site.end > site.start);
  return succeed({ sites: sites.filter((site) => !own.some((fill) => overlaps(fill.site, site))), form });
}

const overlaps = (a: Site, b: Site): boolean => a.start < b.end && b.start < a.end;
