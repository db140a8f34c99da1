import type { PictureUse } from "../template/found.ts";
import type { Template } from "./template.ts";

/** An icon of one of several targets, or of one of its configurations. */
export interface TargetIcon {
  /** Such as "Tides: Debug, Release", several of them joined by semicolons. */
  belongs: string;
  /** The folder of its pictures, relative to the template. */
  folder: string;
  /** The picture that shows it best at a glance. */
  use: PictureUse;
}

/** Least side of a picture that is looked at as an icon, in pixels. */
const glance = 120;

/** One icon for each target and configuration that has its own; none where all share one. */
export function iconsByTarget({ parts }: Pick<Template, "parts">): TargetIcon[] {
  const found = new Map<string, TargetIcon>();
  for (const use of parts.flatMap(({ pictures }) => pictures)) {
    if (use.belongs === undefined || use.slot.role.endsWith("-layer")) continue;
    const folder = use.path.slice(0, use.path.lastIndexOf("/"));
    const key = `${use.belongs} ${folder}`;
    const known = found.get(key);
    if (!known || isBetter(use, known.use)) found.set(key, { belongs: use.belongs, folder, use });
  }
  return [...found.values()].sort((a, b) => (a.belongs < b.belongs ? -1 : 1));
}

/** The smallest that is large enough; else the largest. */
function isBetter({ slot: { width } }: PictureUse, { slot: { width: known } }: PictureUse): boolean {
  if (known < glance) return width > known;
  return width >= glance && width < known;
}
