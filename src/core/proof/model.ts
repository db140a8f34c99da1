import type { Field } from "../values/fields.ts";

/** What the page says of one client. */
export interface Sheet {
  key: string;
  /** What the app is for, where it is not for the store. */
  stage?: string;
  values: Partial<Record<Field, string>>;
  /** Pictures by the names that the scenes use, as data URIs. */
  pictures: ReadonlyMap<string, string>;
  /** Short check sum over everything in the variant; a signature stands for this state and no other. */
  state: string;
  /** Files in the variant. */
  files: number;
}

export interface ProofModel {
  agency: string;
  accent: string;
  onAccent: string;
  sheets: readonly Sheet[];
  /** Clients that could not be shown, each with the reason. */
  absent: readonly { client: string; reason: string }[];
}
