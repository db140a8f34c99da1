import type { Folder } from "../../ground/files/reading/folder.ts";
import { textOf } from "../../ground/files/reading/text-of.ts";
import { escapeRegExp } from "../../ground/values/regexp.ts";

const scriptForm = /(^|\/)CMakeLists\.txt$|\.cmake$/;

/** What CMake reads of a template: its lists and modules, each with its text. */
export const cmakeScripts = (template: Folder): { file: string; text: string }[] =>
  template
    .list()
    .filter((file) => scriptForm.test(file))
    .map((file) => ({ file, text: textOf(template, file)?.text ?? "" }));

/** Whether scripts of a template set every variable that a text takes: `${APPLICATION_NAME}`, `@APPLICATION_NAME@`. */
export function isSetByScripts(template: Folder, text: string): boolean {
  const taken = [...text.matchAll(/\$\{(\w+)\}|@(\w+)@/g)].map(([, braced, marked]) => braced ?? marked ?? "");
  if (taken.length === 0) return false;
  const scripts = cmakeScripts(template);
  return taken.every((name) => {
    const set = new RegExp(`\\b(?:set|string)\\s*\\([^()]*\\b${escapeRegExp(name)}\\b`, "i");
    return scripts.some(({ text: script }) => set.test(script));
  });
}
