import type { Site } from "../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import type { Fill } from "./found.ts";

/**
 * A version that people see and the number of a build, as a Dart package says both: `version: 1.0.0+1` (Dart, pubspec
 * format).
 */
const versionLine = /^version:[ \t]*(["']?)(\d[\w.-]*?)(?:\+(\d+))?\1[ \t]*(?:#.*)?$/m;

/**
 * What a Dart package's own file and its first page say of the app; the platforms' builds take their versions from
 * there.
 */
export function pubspecFills(template: Folder, names: readonly string[]): Fill[] {
  const file = "pubspec.yaml";
  if (!template.has(file)) return [];
  const { text } = template.source(file);
  const match = versionLine.exec(text);
  const [whole = "", , version = "", build] = match ?? [];
  const at = match ? match.index + whole.indexOf(version, "version:".length) : -1;
  const fills: Fill[] = [];
  if (match) fills.push({ holds: "version", site: raw(file, at, version), shape: "text" });
  if (match && build !== undefined)
    fills.push({ holds: "build", site: raw(file, at + version.length + 1, build), shape: "text" });
  return [...fills, ...titleFills(template, names)];
}

const raw = (file: string, start: number, value: string): Site => ({
  file,
  start,
  end: start + value.length,
  value,
  form: "raw",
});

/** The title of an app's first widget, which the list of running apps shows (Flutter API, WidgetsApp.title). */
const title = /\btitle:\s*(["'])((?:(?!\1)[^\\\n$])*)\1/g;

/** Compared without marks and case: a title has blanks where a package's name has underscores. */
const plain = (text: string): string => text.replace(/[\s_.-]+/g, "").toLowerCase();

function titleFills(template: Folder, names: readonly string[]): Fill[] {
  const known = new Set(names.map(plain));
  return template
    .list()
    .filter((file) => /^lib\/.*\.dart$/.test(file))
    .flatMap((file) =>
      [...(textIfAny(template.bytes(file)) ?? "").matchAll(title)].flatMap((match): Fill[] => {
        const [whole, , value = ""] = match;
        if (!known.has(plain(value))) return [];
        const start = match.index + whole.length - 1 - value.length;
        const site: Site = { file, start, end: start + value.length, value, form: "dollar-inner" };
        return [{ holds: "app.name", site, shape: "text" }];
      }),
    );
}

/** Whether an expression of a build script takes a version from there. */
export const isFromPubspec = (template: Folder, expression: string): boolean =>
  template.has("pubspec.yaml") && /^(flutter|flutterVersion|FLUTTER_)/.test(expression);
