import type { Field } from "../../ground/values/fields.ts";

/** A limit that a platform sets for a value that is no identifier. */
export interface ValueLimit {
  field: Field;
  code: "version-invalid" | "value-invalid";
  keeps(value: string): boolean;
  /** What would have been right. */
  says: string;
}
