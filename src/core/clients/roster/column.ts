import type { CellForm } from "./cells.ts";
import { headings } from "./headings.ts";

/** A column of the roster: a field of a brief, and the headings it is known by. */
export interface Column extends CellForm {
  /** Path in the brief; empty for the client's key. */
  path: readonly string[];
  heading: string;
  /** Other headings that people use. */
  also: readonly string[];
  /** What it holds, and what may stand there, for whoever fills it in. */
  says: string;
  example: string;
  /** How a value is told, where it is too long to be shown. */
  tell?(value: unknown): string;
}

/** A column for a field of a brief, by its path. */
export const column = (
  path: readonly string[],
  says: string,
  example: string,
  form: CellForm,
  also: string[] = [],
): Column => ({
  ...form,
  path,
  heading: path.join(".") || "client",
  also: [...(headings[path.join(".") || "client"] ?? []), ...also],
  says,
  example,
});
