import type { Slot } from "../slots/slot.ts";
import type { InEach } from "../values/page-language.ts";
import type { Platform } from "../values/platform.ts";
import type { StoreKey } from "../values/store.ts";
import type { RecordRow } from "./record-row.ts";

/** A store as the rest of Oxalis walks it. One platform may have several, and one store may take several platforms. */
export interface StoreDefinition {
  /** What it is called in files, options and addresses. */
  key: StoreKey;
  /** How it is written for people. */
  title: string;
  takes: readonly Platform[];
  /** Whether what it takes goes into it without anybody saying so. */
  isUsual: boolean;
  /** Pictures that its record of an app wants. */
  pictures: readonly Slot[];
  /** What its record of an app wants, in the store's own order. */
  record: readonly RecordRow[];
  /** Of a full description, so many characters are seen before somebody asks for more. */
  seenFirst: number;
  /** Most characters that the notes of a release may have, in a language. */
  mostNotes: number;
  /** What a designer would call them, by role. */
  titles: Readonly<Record<string, InEach>>;
}
