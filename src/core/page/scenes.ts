import type { VNode } from "preact";
import type { Platform } from "../values/platform.ts";
import type { Sheet } from "./sheet.ts";

/** A picture that pages show: a slot by platform, role and qualifier, the first of these that the template has. */
export interface Shown {
  /** Its name on the page. */
  name: string;
  platform: Platform;
  role: string;
  qualifiers: readonly string[];
}

/** A start screen, in the frame of a device. */
interface Starting {
  /** Classes of the frame. */
  device: string;
  /** The picture's name on the page. */
  picture: string;
  says: string;
}

/** How a platform shows an app, on the page to sign off. */
export interface Scenes {
  pictures: readonly Shown[];
  /** Icons as its devices show them; null where the template has none. */
  icons(props: { sheet: Sheet }): VNode | null;
  starts: readonly Starting[];
}

/** Grounds on which everything is shown. */
export const grounds = ["light", "dark"] as const;

export const has = (sheet: Sheet, name: string): boolean => sheet.pictures.has(name);
export const labelOf = (sheet: Sheet): string => sheet.values["app.label"] ?? "";
export const nameOf = (sheet: Sheet): string => sheet.values["app.name"] ?? "";
