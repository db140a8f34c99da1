import type { VNode } from "preact";
import type { Platform } from "../../ground/values/platform.ts";
import type { Word } from "../words/en/page.ts";
import type { Say } from "../words/page.ts";
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
  /** Whose screen it is: a name, or a word of the page's. */
  of: { name: string } | { word: Word };
  /** By night; and turned. */
  more?: readonly ("dark" | "turned")[];
}

/** A start screen, as the page says it. */
export const startSaid = ({ of, more = [] }: Starting, say: Say): string =>
  ["name" in of ? of.name : say(of.word), ...more.map((each) => say(each))].join(", ");

/** What a scene is drawn from: a client's sheet, and the page's words. */
export interface SceneProps {
  sheet: Sheet;
  say: Say;
}

/** How a platform shows an app, on the page to sign off. */
export interface Scenes {
  pictures: readonly Shown[];
  /** Icons as its devices show them; null where the template has none. */
  icons(props: SceneProps): VNode | null;
  starts: readonly Starting[];
}

/** Grounds on which everything is shown. */
export const grounds = ["light", "dark"] as const;

export const has = (sheet: Sheet, name: string): boolean => sheet.pictures.has(name);
/** The label under the icon, as a home screen shows it. */
export const labelOf = (sheet: Sheet): string => sheet.label;
export const nameOf = (sheet: Sheet): string => sheet.values["app.name"] ?? "";
