import { posix } from "node:path";
import type { Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { textOf } from "../../ground/files/reading/text-of.ts";
import { escapeRegExp } from "../../ground/values/regexp.ts";
import { findFile } from "./find-file.ts";

/** What a macro stands for, where its definition says it (C, `#define`). */
export interface MacroBody {
  site: Site;
  /** A text in quotes, or what stands there as it is. */
  isText: boolean;
}

const include = /^[ \t]*#[ \t]*include[ \t]+["<]([^">\n]+)[">]/gm;

/** Most steps from a file to what it includes, and most files. */
const furthest = 6;
const most = 100;

/** A file and what it includes of the template, in whatever steps: beside it, from the top, or the one of that name. */
export function withIncluded(template: Folder, file: string): readonly string[] {
  const found = new Set([file]);
  let last = [file];
  for (let step = 0; step < furthest && last.length > 0 && found.size < most; step++) {
    last = last.flatMap((each) => includedBy(template, each)).filter((each) => !found.has(each));
    for (const each of last) found.add(each);
  }
  return [...found];
}

const includedBy = (template: Folder, file: string): string[] =>
  [...(textOf(template, file)?.text ?? "").matchAll(include)].flatMap(([, path = ""]) => {
    const beside = posix.normalize(posix.join(posix.dirname(file), path));
    // A build may make it of one that ends in .in.
    const [found] = [beside, `${beside}.in`].flatMap((each) => findFile(template, each) ?? []);
    const named = template.list().filter((each) => `/${each.replace(/\.in$/, "")}`.endsWith(`/${path}`));
    return found ?? (named.length === 1 ? named : []);
  });

/** Every definition of a macro in these files. */
export const macroBodies = (template: Folder, files: readonly string[], name: string): MacroBody[] =>
  files.flatMap((file) => {
    const form = new RegExp(
      `^([ \\t]*#[ \\t]*define[ \\t]+${escapeRegExp(name)}[ \\t]+(?:L|_T\\()?)("(?:\\\\.|[^"\\\\\\n])*"|[^"\\n/]+)`,
      "gm",
    );
    return [...(textOf(template, file)?.text ?? "").matchAll(form)].map((match): MacroBody => {
      const [, before = "", said = ""] = match;
      const body = said.trimEnd();
      const start = match.index + before.length;
      const isText = body.startsWith('"');
      const value = isText ? body.slice(1, -1).replace(/\\0$/, "").replace(/\\(.)/g, "$1") : body;
      return { isText, site: { file, start, end: start + body.length, value, form: isText ? "c-string" : "raw" } };
    });
  });
