import { furtherNames, suppliedArt, type Variant } from "../../app/variant/variant.ts";
import type { FileChange } from "../jobs/difference.ts";
import type { Entry, Plan } from "../plan/plan.ts";
import type { Drawing } from "../render/drawing.ts";
import { rendererVersion } from "../render/version.ts";

/**
 * What a variant was made from, under the names that people give it; kept, so that the next run can say what changed.
 */
export interface MadeFrom {
  /** What it is made for, with commas between them. */
  platforms: string;
  /** By field, feature, question or language. */
  values: Readonly<Record<string, string>>;
  /** SHA-256 by file: the client's pictures and font. */
  pictures: Readonly<Record<string, string>>;
  /** SHA-256 of the template's files that values are put into. */
  template: Readonly<Record<string, string>>;
  renderer: number;
}

export function madeFrom(variant: Variant, { entries }: Plan): MadeFrom {
  const { values, features, answers, art } = variant;
  const named = (all: Variant["answers"], head = "") =>
    Object.entries(all).map(([name, { value }]) => [`${head}${name}`, value]);
  const font = art.font ? [[art.font.file, art.font.hash]] : [];
  return {
    platforms: variant.platforms.join(", "),
    values: Object.fromEntries([
      ...Object.entries(values).map(([field, traced]) => [field, traced.value]),
      ...furtherNames(variant).map(({ locale, name, label }) => [
        `app.locales.${locale}`,
        `${name.value}, ${label.value}`,
      ]),
      ...features.map(({ name, on }) => [`features.${name}`, on.value]),
      ...named(answers, "answers."),
    ]),
    pictures: Object.fromEntries([...suppliedArt(art).map(({ picture }) => [picture.file, picture.hash]), ...font]),
    template: Object.fromEntries(
      entries.flatMap((entry) => (entry.kind === "splice" ? [[entry.input.path, entry.input.sha256]] : [])),
    ),
    renderer: rendererVersion,
  };
}

/** One thing that is no longer as it was when the variant was made. */
export type Cause =
  | { of: "platforms"; before: string; after: string }
  | { of: "value"; field: string; before: string | undefined; after: string | undefined }
  | { of: "picture"; file: string }
  | { of: "template"; file: string }
  | { of: "renderer" };

/** What changed since; undefined where nobody knows what it was before. */
export function causesSince(before: MadeFrom | undefined, now: MadeFrom): Cause[] | undefined {
  if (!before) return undefined;
  const isSame = before.platforms === now.platforms;
  // Files that come or go with a platform's part did not change.
  const ofTemplate = different(before.template, now.template).filter(
    (file) => isSame || (before.template[file] !== undefined && now.template[file] !== undefined),
  );
  return [
    ...(isSame ? [] : [{ of: "platforms" as const, before: before.platforms, after: now.platforms }]),
    ...different(before.values, now.values).map((field) => ({
      of: "value" as const,
      field,
      before: before.values[field],
      after: now.values[field],
    })),
    ...different(before.pictures, now.pictures).map((file) => ({ of: "picture" as const, file })),
    ...ofTemplate.map((file) => ({ of: "template" as const, file })),
    ...(before.renderer === now.renderer ? [] : [{ of: "renderer" as const }]),
  ];
}

type Named = Readonly<Record<string, string>>;

const different = (before: Named, now: Named): string[] =>
  [...new Set([...Object.keys(before), ...Object.keys(now)])].filter((name) => before[name] !== now[name]);

/** What it is that changed, in a word. */
export function causeName(cause: Cause): string {
  if (cause.of === "value") return cause.field;
  if (cause.of === "platforms") return "platforms";
  return cause.of === "renderer"
    ? "another way of drawing"
    : cause.of === "template"
      ? `the template's ${cause.file}`
      : cause.file;
}

/** A cause in words. */
export function causeSaid(cause: Cause): string {
  if (cause.of === "picture") return `${cause.file} is another`;
  if (cause.of === "template") return `the template's ${cause.file} changed`;
  if (cause.of === "renderer") return "pictures are drawn in another way now";
  if (cause.of === "platforms") return `platforms: ${cause.before} → ${cause.after}`;
  return `${cause.field}: ${cause.before ?? "nothing"} → ${cause.after ?? "nothing"}`;
}

/** Why a file has to be made, changed, restored or removed. */
export function whyOf(change: FileChange, causes: readonly Cause[] | undefined): string {
  if (change.what === "create") return "not there yet";
  if (change.what === "restore") return "gone, or changed by hand since it was made";
  if (change.what === "press") return "not as small as it goes";
  if (change.what === "remove") return "no longer a part of the app";
  if (change.what === "abandon") return "no longer a part of the app, but changed by hand";
  const { entry } = change;
  if (entry.kind === "keep") return "the template's file changed";
  if (entry.kind === "supply") return `${entry.input.path} changed`;
  const own = (causes ?? []).filter((cause) => isCauseOf(cause, entry));
  if (own.length > 0) return own.map(causeSaid).join("; ");
  if (causes === undefined) return "made from something else before";
  if (entry.kind === "draw") return "colours or pictures that it is drawn from changed";
  return entry.kind === "splice" ? "values that are put into it changed" : "what it lists changed";
}

/** Whether what a file is made of tells of a cause. */
function isCauseOf(cause: Cause, entry: Entry): boolean {
  if (entry.kind === "draw") return entry.drawings.some((drawing) => isCauseOfDrawing(cause, drawing));
  if (cause.of === "template") return entry.kind === "splice" && entry.input.path === cause.file;
  if (cause.of !== "value" || !cause.after) return false;
  const texts =
    entry.kind === "splice" ? entry.edits.map(({ text }) => text) : entry.kind === "write" ? [entry.text] : [];
  const [, plain = ""] = /^#?(.*)$/s.exec(cause.after) ?? [];
  return texts.some((text) => text.toLowerCase().includes(plain.toLowerCase()));
}

function isCauseOfDrawing(cause: Cause, { picture, tile, plate, name, corner }: Drawing): boolean {
  if (cause.of === "renderer") return true;
  if (cause.of === "picture") return [picture?.art.file, tile?.art.file].includes(cause.file);
  if (cause.of !== "value") return false;
  if (cause.field === "app.name" || cause.field.startsWith("app.locales.")) return name !== undefined;
  const colors = [plate?.color, plate?.foot, name?.color, picture?.key, corner?.color];
  return cause.after !== undefined && colors.some((color) => color === cause.after);
}
