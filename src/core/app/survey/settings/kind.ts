import type { Field } from "../../../ground/values/fields.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import type { Shape } from "../../template/shapes.ts";
import type { PictureKind } from "./pictures.ts";

/**
 * A place within settings that people see, or that identifies the app. `at` leads to it from the settings' root; * is
 * any step, ** any number.
 */
export interface SettingPlace {
  at: string;
  /** host and scheme: only where the value has one of the template's own. home: an address, whole. */
  holds: Field | "host" | "home" | "person" | "scheme-if-own";
  shape?: Shape;
  /** Left as it is where the client gives no value. */
  optional?: true;
  /** Of which platform's app it is; of all where absent. */
  platform?: Platform;
}

/** A kind of settings that make an app, or go with one. */
export interface SettingsKind {
  /** What it is, for a producer. */
  says: string;
  file: RegExp;
  /** Members that the root has; the root is the outermost group that has all of one of these lists. */
  root: readonly (readonly string[])[];
  /** Values of which one must be there, by what leads to it. */
  has?: readonly string[];
  /** Counts only where no settings of the template give one of these as a text. */
  unless?: readonly string[];
  /** The platforms of which it makes an app by itself; where a group is named, only if the settings have it, or that
   * member of it. */
  makes: readonly { platform: Platform; group?: string; member?: string }[];
  /** Counts only where there is an app of this platform. */
  goesWith?: Platform;
  /** Its pages are shown within the app. */
  wraps?: true;
  places: readonly SettingPlace[];
  pictures: readonly {
    at: string;
    kind: PictureKind;
    platform: Platform;
    /** What it is instead where this one is there too, `at` the place of another of the same icon. */
    beside?: { at: string; kind: PictureKind };
  }[];
  /** Key stores that it is signed with: no variant gets the template's. */
  keyStores?: readonly { at: string; platform: Platform }[];
  /** Numbers that somebody gives to each app, who they are, as in "given by the store": nobody can derive one. */
  assigned?: readonly { at: string; by: string }[];
  /** Identifiers that it must say, and may not yet: the group and the member. */
  needs?: readonly { group: string; member: string; holds: Field; platform: Platform; lacks: string }[];
  /** Pictures found by their names where the settings name none. */
  byName?: readonly { folder: string; files: readonly string[]; kind: PictureKind; platform: Platform }[];
}
