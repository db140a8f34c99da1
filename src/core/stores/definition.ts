import type { Slot } from "../slots/slot.ts";
import type { InEach } from "../values/page-language.ts";
import type { Platform } from "../values/platform.ts";

/** A store as the rest of Oxalis walks it. One platform may have several, and one store may take several platforms. */
export interface StoreDefinition {
  /** How it is written for people. */
  title: string;
  takes: readonly Platform[];
  /** Pictures that its record of an app wants. */
  pictures: readonly Slot[];
  /** Most characters that the notes of a release may have, in a language. */
  mostNotes: number;
  /** What a designer would call them, by role. */
  titles: Readonly<Record<string, InEach>>;
}
