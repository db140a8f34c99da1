import { isScalar, parseDocument, Document as YamlDocument } from "yaml";
import { words } from "../derive/fields/words.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { isClientKey } from "../workspace/read.ts";
import { briefSchema } from "../workspace/schema/brief.ts";
import type { Client, Workspace } from "../workspace/workspace.ts";
import { type Column, type Matched, matchColumns } from "./columns.ts";
import type { Sheet } from "./sheet.ts";

/** One field of a brief that an import would write. */
export interface FieldChange {
  field: string;
  before: string | undefined;
  after: string;
}

/** A client as an import would leave it. */
export interface ImportedClient {
  key: string;
  isNew: boolean;
  changes: FieldChange[];
  /** The brief's text afterwards. */
  text: string;
}

/** What an import would do, decided and not yet done. */
export interface ImportPlan {
  clients: ImportedClient[];
  /** Rows that cannot be taken, each with row, column and reason. */
  refused: Problem[];
  unknown: Matched["unknown"];
}

/** The line that tells an editor where a brief's schema is. */
const schemaLine = "# yaml-language-server: $schema=../../schemas/brief.json";

/** Decides what a sheet changes. A cell that is empty says nothing: it never takes a value away. Pure. */
export function planImport(
  workspace: Workspace,
  sheet: Sheet,
  file: string,
  mapped: ReadonlyMap<string, Column>,
): ImportPlan {
  const [headings = [], ...rows] = sheet;
  const matched = matchColumns(headings, mapped);
  const plan: ImportPlan = { clients: [], refused: [], unknown: matched.unknown };
  const known = new Map(workspace.clients.map((client) => [client.key, client]));
  const seen = new Map<string, number>();
  for (const [at, row] of rows.entries()) {
    const number = at + 2;
    if (row.every((cell) => cell === "")) continue;
    const refuseRow = (message: string, column?: string, expected?: string) =>
      plan.refused.push(
        problem(
          "row-refused",
          `${file}, row ${number}${column ? `, column "${column}"` : ""}: ${message}`,
          expected ? { expected } : {},
        ),
      );
    const cells = cellsOf(matched, headings, row);
    const key = keyOf(cells, workspace.clients);
    if (!key)
      refuseRow("nothing says which client this is.", undefined, "a column for the client's key, or one for app.name");
    else if (!isClientKey(key))
      refuseRow(`"${key}" cannot be a client's key.`, "client", "lower-case letters, digits and hyphens");
    else if (seen.has(key)) refuseRow(`${key} stands in row ${seen.get(key)} already.`, "client");
    else {
      seen.set(key, number);
      const imported = importRow(key, known.get(key), cells, refuseRow);
      if (imported) plan.clients.push(imported);
    }
  }
  return plan;
}

interface Cell {
  column: Column;
  heading: string;
  written: string;
  value: unknown;
}

function cellsOf({ columns }: Matched, headings: readonly string[], row: readonly string[]): Cell[] {
  return columns.flatMap((column, at) => {
    const written = row[at] ?? "";
    if (!column || written === "") return [];
    return [{ column, heading: headings[at] ?? "", written, value: column.read(written.normalize("NFC")) }];
  });
}

/**
 * The key that a row gives; without one, that of the client who has the name already, or the one that its name makes.
 */
function keyOf(cells: readonly Cell[], clients: readonly Client[]): string | undefined {
  const given = cells.find(({ column }) => column.path.length === 0);
  if (given) return String(given.value);
  const name = cells.find(({ column }) => column.heading === "app.name");
  if (!name) return undefined;
  const wanted = String(name.value).toLowerCase();
  const holder = clients.find(({ brief }) => brief?.data.app?.name?.toLowerCase() === wanted);
  return holder?.key ?? words.hyphenated?.apply(wanted, "").slice(0, 60).replace(/-+$/, "");
}

type RefuseRow = (message: string, column?: string, expected?: string) => void;

function importRow(
  key: string,
  client: Client | undefined,
  cells: readonly Cell[],
  refuseRow: RefuseRow,
): ImportedClient | undefined {
  // A folder with nothing in it is what a run that was killed left; a brief that cannot be read is not.
  const isEmpty = client?.problems.every(({ code }) => code === "file-missing") === true && !client.ledger;
  if (client && !client.brief && !isEmpty) {
    refuseRow(`the brief of ${key} cannot be read; mend it first.`);
    return undefined;
  }
  const fields = cells.filter(({ column }) => column.path.length > 0);
  const document = client?.brief ? parseDocument(client.brief.document.source.text) : newBrief();
  const changes: FieldChange[] = [];
  for (const { column, value } of fields) {
    const before = plainOf(document.getIn(column.path));
    const after = plainOf(value) ?? "";
    if (before === after) continue;
    changes.push({ field: column.heading, before, after });
    put(document, column.path, value);
  }
  const checked = briefSchema.safeParse(document.toJS() ?? {}, { reportInput: true });
  if (!checked.success) {
    for (const issue of checked.error.issues) {
      const cell = fields.find(({ column }) => column.path.every((step, at) => issue.path[at] === step));
      refuseRow(
        cell ? `"${cell.written}" cannot be taken: ${issue.message}.` : `${issue.path.join(".")}: ${issue.message}.`,
        cell?.heading,
      );
    }
    return undefined;
  }
  if (!client?.brief && !fields.some(({ column }) => column.heading === "app.name")) {
    refuseRow(`${key} is new and has no name.`, undefined, "app.name, or the key of a client there is");
    return undefined;
  }
  const text = changes.length > 0 ? document.toString({ lineWidth: 0 }) : (client?.brief?.document.source.text ?? "");
  return { key, isNew: client?.brief === undefined, changes, text };
}

function newBrief(): YamlDocument {
  const document = new YamlDocument({});
  document.commentBefore = schemaLine.slice(1);
  return document;
}

/** Sets a value; one that stands there keeps its comments and its place. */
function put(document: YamlDocument, path: readonly string[], value: unknown): void {
  const node = document.getIn(path, true);
  if (isScalar(node) && typeof value !== "object") {
    node.value = value;
    delete node.source;
  } else document.setIn(path, document.createNode(value));
}

function plainOf(value: unknown): string | undefined {
  if (value === undefined || value === null) return undefined;
  const plain: unknown =
    typeof value === "object" && "toJSON" in value ? (value as { toJSON(): unknown }).toJSON() : value;
  return Array.isArray(plain) ? plain.join(", ") : String(plain);
}
