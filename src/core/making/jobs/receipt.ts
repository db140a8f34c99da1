import * as z from "zod";
import { receiptFile } from "../../app/variant/receipt-file.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { leadsDown, lookAt } from "../../ground/files/writing/door.ts";
import { attempt, refuse } from "../../ground/problems/result.ts";
import { inCurrentForm, type Migration } from "../../ground/values/forms.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { type Layout, layouts } from "../../ground/values/layout.ts";
import type { Entry } from "../plan/plan.ts";

const kinds = ["keep", "splice", "write", "supply", "draw"] as const;

/** What is known of a file that was produced. */
export interface Produced {
  kind: (typeof kinds)[number];
  fingerprint: string;
  /** SHA-256 of what was written; null while a run that will write it is under way. */
  sha256: string | null;
  /** Pressed as small as it goes. */
  smallest?: true;
}

/** The record of what lies in a variant's folder; the same inputs give the same receipt, to the byte. */
export interface Receipt {
  client: string;
  layout: Layout;
  /** The template's commit, where it is a checkout. */
  template?: string;
  files: Readonly<Record<string, Produced>>;
}

/** A file as it is written down: what `Produced` says, in this order; with a word behind it where it is pressed. */
type ReceiptLine = [Produced["kind"], fingerprint: string, sha256: string | null, "smallest"?];

const knownKinds: ReadonlySet<unknown> = new Set(kinds);

/** There are thousands of these, and an audit reads all of them: no schema is walked for each. */
function isLine(value: unknown): value is ReceiptLine {
  if (!Array.isArray(value) || value.length < 3 || value.length > 4) return false;
  const [kind, fingerprint, sha256, smallest] = value;
  return (
    knownKinds.has(kind) &&
    typeof fingerprint === "string" &&
    (sha256 === null || typeof sha256 === "string") &&
    (smallest === undefined || smallest === "smallest")
  );
}

const receiptSchema = z.strictObject({
  form: z.literal(2),
  client: z.string(),
  layout: z.enum(layouts).default("tree"),
  template: z.string().optional(),
  files: z.custom<Record<string, ReceiptLine>>(
    (files) =>
      typeof files === "object" &&
      files !== null &&
      Object.values(files).every(isLine) &&
      // Whoever wrote it: no path in it leads out of the folder, nor to the receipt itself.
      Object.keys(files).every((path) => leadsDown(path) && path !== receiptFile),
  ),
});

const migrations: readonly Migration[] = [
  // Form 1 named every part of a line, for each file.
  ({ files, ...rest }: { files: Record<string, Produced> }) => ({
    ...rest,
    form: 2,
    files: Object.fromEntries(Object.entries(files).map(([path, each]) => [path, lineOf(each)])),
  }),
];

const lineOf = ({ kind, fingerprint, sha256, smallest }: Produced): ReceiptLine =>
  smallest ? [kind, fingerprint, sha256, "smallest"] : [kind, fingerprint, sha256];

const producedAs = ([kind, fingerprint, sha256, smallest]: ReceiptLine): Produced =>
  smallest ? { kind, fingerprint, sha256, smallest: true } : { kind, fingerprint, sha256 };

const emptyReceipt = (client: string): Receipt => ({ client, layout: "tree", files: {} });

/**
 * Reads a variant's receipt; an absent one is empty, a damaged one is refused, never replaced unseen. @param folder
 * relative to the workspace.
 */
export function readReceipt(root: string, folder: string, client: string): Receipt {
  const file = `${folder}/${receiptFile}`;
  if (!lookAt(root, file)) return emptyReceipt(client);
  try {
    const data: unknown = JSON.parse(Buffer.from(readInside(root, file, file)).toString());
    const { form: _, files, template, ...receipt } = receiptSchema.parse(inCurrentForm(data, migrations));
    return {
      ...receipt,
      ...(template === undefined ? {} : { template }),
      files: Object.fromEntries(Object.entries(files).map(([path, line]) => [path, producedAs(line)])),
    };
  } catch {
    return refuse("receipt-damaged", `${file} cannot be read.`, { client });
  }
}

/** SHA-256 of every picture that was drawn into a variant's folder; none where there is no receipt that says so. */
export function drawnFor(root: string, folder: string): string[] {
  const file = `${folder}/${receiptFile}`;
  if (!lookAt(root, file)?.isFile()) return [];
  const read = attempt(() => readReceipt(root, folder, ""));
  if (!read.ok) return [];
  return Object.values(read.value.files).flatMap(({ kind, sha256 }) => (kind === "draw" && sha256 ? [sha256] : []));
}

const sortFiles = ({ files }: Receipt): [path: string, each: Produced][] =>
  Object.entries(files).sort(([a], [b]) => (a < b ? -1 : 1));

/** A receipt as text: one line a file. */
export function receiptText(receipt: Receipt): string {
  const { files: _, ...head } = receipt;
  const lines = sortFiles(receipt).map(([path, each]) => `  ${JSON.stringify(path)}: ${JSON.stringify(lineOf(each))}`);
  const opening = JSON.stringify({ form: 2, ...head }, null, 1).replace(/\n\}$/, "");
  return `${opening},\n "files": {\n${lines.join(",\n")}\n }\n}\n`;
}

/** A sum over everything in a variant; a signature stands for this and no other, whichever form its receipt is in. */
export const receiptSum = (receipt: Receipt): string =>
  sha256(`${JSON.stringify({ form: 1, ...receipt, files: Object.fromEntries(sortFiles(receipt)) }, null, 1)}\n`);

export const producedBy = (entry: Entry, sha256: string | null, smallest = false): Produced => ({
  kind: entry.kind,
  fingerprint: entry.fingerprint,
  sha256,
  ...(smallest && isPng(entry) ? { smallest } : {}),
});

/** Pictures that can be pressed smaller. */
export const isPng = (entry: Entry): boolean => entry.kind === "draw" && entry.container === "png";
