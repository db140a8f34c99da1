/** What a value that a brief gives has to look like: a line, a text of a pattern, or a GUID such as the example. */
export type GivenForm =
  | { most: number }
  | { matches: RegExp; expected: string; inCapitals?: true }
  | { guidSuchAs: string };

/** What is known of a field before any client is looked at. */
export interface FieldFact {
  /** What it is, for a producer. */
  says: string;
  /** Its path in a brief, where a brief may give it. */
  brief?: readonly string[];
  /** Where the schema of briefs has no form of its own for it. */
  form?: GivenForm;
  /** How it is made where nobody gives it; oxalis.yaml may say otherwise under `patterns`. */
  pattern?: string;
  /** Without it no variant can be made. */
  required?: boolean;
  /** Where nobody gives it, what the template says may stay. */
  isOptional?: boolean;
  /** A colour, kept as #rrggbb. */
  color?: boolean;
}
