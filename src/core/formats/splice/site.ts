import type { Form } from "./forms.ts";

/**
 * A place in a file that holds a value: its range (offsets into the text, end excluded) and how it is written there.
 */
export interface Site {
  file: string;
  start: number;
  end: number;
  /** The value as the file's own format understands it. */
  value: string;
  form: Form;
}

/** A place of no length, where something is put in. */
export const emptySite = (file: string, at: number, form: Form): Site => ({
  file,
  start: at,
  end: at,
  value: "",
  form,
});

/** A change to one file: this range becomes this text. */
export interface Edit {
  start: number;
  end: number;
  text: string;
}

/** Applies edits to a text. Ranges must not overlap; everything outside them stays as it is, to the byte. */
export function applyEdits(text: string, edits: readonly Edit[]): string {
  const ordered = [...edits].sort((a, b) => a.start - b.start || a.end - b.end);
  let result = "";
  let at = 0;
  for (const edit of ordered) {
    if (edit.start < at) throw new RangeError(`edits overlap at offset ${edit.start}`);
    result += text.slice(at, edit.start) + edit.text;
    at = edit.end;
  }
  return result + text.slice(at);
}
