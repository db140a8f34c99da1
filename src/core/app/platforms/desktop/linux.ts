import { posix } from "node:path";
import type { Site } from "../../../formats/splice/site.ts";
import { textIfAny } from "../../../ground/files/reading/folder.ts";
import { type Fill, heldValues, type SurveyPart } from "../../template/found.ts";

/** A runner's build script that says what the app is called by the desktop (GTK, GApplication ID). */
const identifierLine = /^\s*set\(\s*APPLICATION_ID\s+"([^"\n]+)"\s*\)/m;

/** Where a runner's code says what stands above its window (GTK, gtk_window_set_title and gtk_header_bar_set_title). */
const titleCalls = /\bgtk_(?:window|header_bar)_set_title\s*\([^,;]*,\s*("(?:[^"\\\n]|\\.)*")\s*\)/g;

/**
 * Surveys a Linux runner that is built with CMake: its application ID and its window's title; undefined where there
 * is none.
 */
export const surveyLinux: SurveyPart = (template) => {
  const script = template
    .list()
    .filter((file) => /(^|\/)CMakeLists\.txt$/.test(file))
    .find((file) => identifierLine.test(textIfAny(template.bytes(file)) ?? ""));
  if (!script) return undefined;
  const { text } = template.source(script);
  const match = identifierLine.exec(text);
  const [whole = "", value = ""] = match ?? [];
  const start = (match?.index ?? 0) + whole.lastIndexOf(value);
  const identifier: Fill = {
    holds: "identifiers.desktop",
    site: { file: script, start, end: start + value.length, value, form: "raw" },
    shape: "text",
  };
  const folder = posix.dirname(script) === "." ? "" : posix.dirname(script);
  const below = folder ? `${folder}/` : "";
  const titles = template
    .list()
    .filter((file) => file.startsWith(below) && /\.(cc|cpp|c)$/.test(file))
    .flatMap((file) =>
      [...(textIfAny(template.bytes(file)) ?? "").matchAll(titleCalls)].map((call) => titleFill(file, call)),
    );
  const fills = [identifier, ...titles];
  return {
    platform: "desktop",
    folder,
    identifiers: [value],
    names: heldValues(fills, "app.name"),
    fills,
    pictures: [],
    brandFiles: [],
    added: [],
    missing: [],
    gaps: [],
  };
};

function titleFill(file: string, call: RegExpMatchArray): Fill {
  const literal = call[1] ?? "";
  const start = (call.index ?? 0) + call[0].lastIndexOf(literal);
  const value = literal.slice(1, -1).replace(/\\(["\\])/g, "$1");
  const site: Site = { file, start, end: start + literal.length, value, form: "c-string" };
  return { holds: "app.name", site, shape: "text" };
}
