import * as z from "zod";
import { readInside } from "../files/reading/folder.ts";
import { leadsDown, lookAt } from "../files/writing/door.ts";
import type { Entry } from "../plan/plan.ts";
import { refuse } from "../problems/result.ts";
import { layouts } from "../values/layout.ts";

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

/** A receipt has thousands of these, and an audit reads all of them: no schema is walked for each. */
function isProduced(value: unknown): value is Produced {
  if (typeof value !== "object" || value === null) return false;
  const { kind, fingerprint, sha256, smallest, ...more } = value as Record<string, unknown>;
  return (
    kinds.some((each) => each === kind) &&
    typeof fingerprint === "string" &&
    (sha256 === null || typeof sha256 === "string") &&
    (smallest === undefined || smallest === true) &&
    Object.keys(more).length === 0
  );
}

export const receiptFile = ".receipt.json";

const receiptSchema = z.strictObject({
  form: z.literal(1),
  client: z.string(),
  layout: z.enum(layouts).default("tree"),
  /** The template's commit, where it is a checkout. */
  template: z.string().optional(),
  files: z.custom<Record<string, Produced>>(
    (files) =>
      typeof files === "object" &&
      files !== null &&
      Object.values(files).every(isProduced) &&
      // Whoever wrote it: no path in it leads out of the folder, nor to the receipt itself.
      Object.keys(files).every((path) => leadsDown(path) && path !== receiptFile),
  ),
});

/** The record of what lies in a variant's folder; the same inputs give the same receipt, to the byte. */
export type Receipt = z.infer<typeof receiptSchema>;

const emptyReceipt = (client: string): Receipt => ({ form: 1, client, layout: "tree", files: {} });

/** Reads a variant's receipt; an absent one is empty, a damaged one is refused, never replaced unseen. @param folder relative to the workspace. */
export function readReceipt(root: string, folder: string, client: string): Receipt {
  const file = `${folder}/${receiptFile}`;
  if (!lookAt(root, file)) return emptyReceipt(client);
  try {
    return receiptSchema.parse(JSON.parse(Buffer.from(readInside(root, file, file)).toString()));
  } catch {
    refuse("receipt-damaged", `${file} cannot be read.`, { client });
  }
}

/** A drawn picture's entry in a receipt, as it is written. */
const drawnEntry = /"kind": "draw",\s*"fingerprint": "[^"]*",\s*"sha256": "([0-9a-f]{64})"/g;

/** SHA-256 of every picture that was drawn into a variant's folder; none where there is no variant, or no receipt. */
export function drawnFor(root: string, folder: string): string[] {
  const file = `${folder}/${receiptFile}`;
  if (!lookAt(root, file)?.isFile()) return [];
  // Among thousands of other entries; those of all clients are looked through for each audit.
  return [
    ...Buffer.from(readInside(root, file, file))
      .toString("latin1")
      .matchAll(drawnEntry),
  ].map(([, hash = ""]) => hash);
}

export function receiptText(receipt: Receipt): string {
  const files = Object.fromEntries(Object.entries(receipt.files).sort(([a], [b]) => (a < b ? -1 : 1)));
  return `${JSON.stringify({ ...receipt, files }, null, 1)}\n`;
}

export const producedBy = (entry: Entry, sha256: string | null, smallest = false): Produced => ({
  kind: entry.kind,
  fingerprint: entry.fingerprint,
  sha256,
  ...(smallest && isPng(entry) ? { smallest } : {}),
});

/** Pictures that can be pressed smaller. */
export const isPng = (entry: Entry): boolean => entry.kind === "draw" && entry.container === "png";
