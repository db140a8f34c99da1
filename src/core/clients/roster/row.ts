import { isScalar, parseDocument, Document as YamlDocument } from "yaml";
import type { Imported, ImportedValue } from "../../agency/history/imported.ts";
import { briefSchema } from "../../agency/workspace/schema/brief.ts";
import type { Client } from "../../agency/workspace/workspace.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { Column } from "./column.ts";

/** One field of a brief that an import would write. */
export interface FieldChange {
  field: string;
  before: string | undefined;
  after: string;
}

/** A field that was edited in the brief since the last import, and of which the sheet says something else. */
export interface Conflict extends FieldChange {
  /** What the last import gave. */
  last: string;
  /** Whether the sheet says something new too; where it does not, the brief's own is simply the newer. */
  isOpen: boolean;
}

/** Whose word counts where brief and sheet were both changed. */
export type Settling = "sheet" | "brief";

/** A client as an import would leave it. */
export interface ImportedClient {
  key: string;
  isNew: boolean;
  changes: readonly FieldChange[];
  conflicts: readonly Conflict[];
  /** The brief's text afterwards. */
  text: string;
  /** What is to be remembered of this import. */
  imported: Imported;
  /** Cells that cannot be taken; the rest of the row is. */
  left: readonly RowFault[];
}

/** A cell that says something. */
export interface Cell {
  column: Column;
  heading: string;
  written: string;
  value: unknown;
}

/** What is wrong with a row; the heading names the cell, where it is one's. */
export interface RowFault {
  code?: "row-unsure";
  message: string;
  heading?: string | undefined;
  expected?: string;
}

/** A problem of a row, with its place in front. */
export const atCell = (
  usual: Problem["code"],
  file: string,
  row: number,
  { code = usual, message, heading, expected }: Omit<RowFault, "code"> & { code?: Problem["code"] },
): Problem =>
  problem(
    code,
    `${file}, row ${row}${heading ? `, column "${heading}"` : ""}: ${message}`,
    expected ? { expected } : {},
  );

/** The line that tells an editor where a brief's schema is. */
const schemaLine = "# yaml-language-server: $schema=../../schemas/brief.json";

/** What a row, and items of its client, say of a client, and what is known of it. */
interface RowGiven {
  client: Client | undefined;
  cells: readonly Cell[];
  last: Imported;
  settling: Settling | undefined;
}

/**
 * What a row would make of a client's brief; or what keeps it from being taken. A cell that cannot be taken is left
 * out, and the others are.
 */
export function importRow(
  key: string,
  given: RowGiven,
  left: readonly RowFault[] = [],
): ImportedClient | { faults: readonly RowFault[] } {
  const { client, cells, last, settling } = given;
  // A folder with nothing in it is what a run that was killed left; a brief that cannot be read is not.
  const isEmpty = client?.problems.every(({ code }) => code === "file-missing") === true && !client.ledger;
  if (client && !client.brief && !isEmpty)
    return { faults: [{ message: `the brief of ${key} cannot be read; mend it first.` }] };
  const fields = cells.filter(({ column }) => column.path.length > 0);
  const document = client?.brief ? parseDocument(client.brief.document.source.text) : newBrief();
  const changes: FieldChange[] = [];
  const conflicts: Conflict[] = [];
  const imported: Record<string, ImportedValue> = { ...last };
  for (const { column, value } of fields) {
    const field = column.heading;
    const now = valueAt(document, column.path);
    const before = now === undefined ? undefined : column.write(now);
    const after = column.write(value);
    // Items of a collection are taken as a whole.
    if (column.tell) {
      if (before !== after)
        changes.push({ field, before: now === undefined ? now : column.tell(now), after: column.tell(value) });
      if (before !== after) put(document, column.path, value);
      continue;
    }
    const known = last[field];
    // Nobody has said anything new.
    if (known && known.sheet === after && known.brief === (before ?? "")) continue;
    if (known && known.brief !== (before ?? "") && before !== after && settling !== "sheet") {
      if (settling === "brief") imported[field] = { sheet: after, brief: before ?? "" };
      else conflicts.push({ field, before, after, last: known.sheet, isOpen: known.sheet !== after });
      continue;
    }
    imported[field] = { sheet: after, brief: after };
    if (before === after) continue;
    changes.push({ field, before, after });
    put(document, column.path, value);
  }
  const checked = briefSchema.safeParse(document.toJS() ?? {}, { reportInput: true });
  if (!checked.success) {
    const found = checked.error.issues.map(({ path, message }) => ({
      cell: fields.find(({ column }) => column.path.every((step, at) => path[at] === step)),
      message: `${path.join(".")}: ${message}.`,
      why: message,
    }));
    const faults = found.map(({ cell, message, why }) =>
      cell ? { message: `"${cell.written}" cannot be taken: ${why}.`, heading: cell.heading } : { message },
    );
    const bad = new Set(found.map(({ cell }) => cell));
    if (bad.has(undefined)) return { faults };
    return importRow(key, { ...given, cells: cells.filter((cell) => !bad.has(cell)) }, [...left, ...faults]);
  }
  if (!client?.brief && !fields.some(({ column }) => column.heading === "app.name"))
    return {
      faults: [
        ...left,
        { message: `${key} is new and has no name.`, expected: "app.name, or the key of a client there is" },
      ],
    };
  const source = client?.brief?.document.source.text ?? "";
  const text = changes.length > 0 ? written(document, source) : source;
  return { key, isNew: client?.brief === undefined, changes, conflicts, text, imported, left };
}

/** A brief as text, its lists with blanks within their brackets only where it had them so. */
function written(document: YamlDocument, source: string): string {
  const text = document.toString({ lineWidth: 0 });
  return source.includes("[ ") ? text : text.replace(/^(\s*(?:- )?[\w.-]+: )\[ (.*) \]$/gm, "$1[$2]");
}

function newBrief(): YamlDocument {
  const document = new YamlDocument({});
  document.commentBefore = schemaLine.slice(1);
  return document;
}

/** A value as it is in a brief; undefined where nothing is, and for what is not a value of that path's form. */
function valueAt(document: YamlDocument, path: readonly string[]): unknown {
  const found: unknown = document.getIn(path);
  if (found === undefined || found === null) return undefined;
  // A text over several lines ends with one; in a cell it does not.
  if (typeof found === "string") return found.trimEnd();
  return typeof found === "object" && "toJSON" in found ? (found as { toJSON(): unknown }).toJSON() : found;
}

/** Sets a value; one that stands there keeps its comments and its place. */
export function put(document: YamlDocument, path: readonly string[], value: unknown): void {
  const node = document.getIn(path, true);
  if (isScalar(node) && typeof value !== "object") {
    node.value = value;
    delete node.source;
    return;
  }
  // A feature that is only switched becomes one that has a text.
  for (let depth = 1; depth < path.length; depth++)
    if (isScalar(document.getIn(path.slice(0, depth), true))) document.deleteIn(path.slice(0, depth));
  document.setIn(path, document.createNode(value));
}
