import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { escapeRegExp } from "../../ground/values/regexp.ts";

/** Whether scripts of a template set every variable that a text takes: `${APPLICATION_NAME}`, `@APPLICATION_NAME@`. */
export function isSetByScripts(template: Folder, text: string): boolean {
  const taken = [...text.matchAll(/\$\{(\w+)\}|@(\w+)@/g)].map(([, braced, marked]) => braced ?? marked ?? "");
  if (taken.length === 0) return false;
  const scripts = template.list().filter((file) => /(^|\/)CMakeLists\.txt$|\.cmake$/.test(file));
  const all = scripts.map((file) => textIfAny(template.bytes(file)) ?? "");
  return taken.every((name) => {
    const set = new RegExp(`\\b(?:set|string)\\s*\\([^()]*\\b${escapeRegExp(name)}\\b`, "i");
    return all.some((script) => set.test(script));
  });
}
