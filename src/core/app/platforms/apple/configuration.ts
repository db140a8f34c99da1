import { posix } from "node:path";
import { lineSite } from "../../../formats/splice/formats/lines.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";

/**
 * The configuration file that a project refers to. Its groups may have folders of their own; the name decides where
 * the path does not.
 */
export function configurationFile(template: Folder, folder: string, path: string | undefined): string | undefined {
  if (!path) return undefined;
  const direct = posix.join(folder, path);
  if (template.has(direct)) return direct;
  const below = folder ? `${folder}/` : "";
  return template.list().find((file) => file.startsWith(below) && `/${file}`.endsWith(`/${path}`));
}

/** Deepest nesting of files that include each other. */
const deepest = 8;

/** Every place in a configuration file, and in those it includes, that gives a setting; the one that counts first. */
export function settingSites(template: Folder, file: string, setting: string, depth = 0): Site[] {
  if (depth > deepest || !template.has(file)) return [];
  const source = template.source(file);
  const own = lineSite(file, source, "xcconfig", setting);
  const included = [...source.text.matchAll(/^[ \t]*#include\??[ \t]+"([^"\n]+)"/gm)].map((match) =>
    posix.join(posix.dirname(file), match[1] ?? ""),
  );
  return [
    ...(own ? [own] : []),
    ...included.reverse().flatMap((each) => settingSites(template, each, setting, depth + 1)),
  ];
}
