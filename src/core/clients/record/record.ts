import type { Field } from "../../ground/values/fields.ts";
import type { Traced } from "../../ground/values/trail.ts";
import type { Varying } from "../../ground/values/varying.ts";
import type { Collected } from "../../stores/data-kinds.ts";
import type { RecordField } from "../../stores/record-fields.ts";
import type { Capture } from "./captures.ts";
import type { Declared } from "./declared.ts";
import type { PolicyText } from "./policy.ts";
import type { Preview } from "./previews.ts";

/** A value of the record, with the way it came about. A list has its parts on lines. */
export interface RecordValue extends Traced {
  /** A text made by the agency's pattern that nobody has approved in this form. */
  isDraft?: true;
  /** Not of this language: the main one's stands in. */
  isFallback?: true;
}

/** What the stores know of one client's app. */
export interface StoreRecord {
  client: string;
  /** The main language, then the further ones (BCP 47 tags). */
  languages: readonly string[];
  /** By field: the only value or the main language's, and those of further languages. */
  values: Readonly<Partial<Record<RecordField, Varying<RecordValue>>>>;
  /** Features that are on. */
  features: readonly string[];
  /** How the stores' questions are answered. */
  declared: readonly Declared[];
  /** The data that leaves the device. */
  collected: readonly Collected[];
  /** Pictures of the running app. */
  captures: readonly Capture[];
  /** Films of it. */
  previews: readonly Preview[];
  /** Privacy policies that are made for it; none where it names one of its own. */
  policies: readonly PolicyText[];
  /** Values of the app that nobody has given: they were worked out. */
  derived: ReadonlySet<Field>;
  /** Which class of devices it is for, where its brief says so: phone, tablet or both. */
  devices?: string;
  /** The version that was taken before its own; absent where this is the first. */
  former?: string;
}

/** A list's parts. */
export const partsOf = (value: string): string[] =>
  value
    .split("\n")
    .map((part) => part.trim())
    .filter(Boolean);
