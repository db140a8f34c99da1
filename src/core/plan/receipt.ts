import { existsSync, readFileSync } from "node:fs";
import { basename, join } from "node:path";
import * as z from "zod";
import { refuse } from "../problems/problem.ts";
import { layouts } from "../values/layout.ts";
import type { Entry } from "./plan.ts";

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

const receiptSchema = z.strictObject({
  form: z.literal(1),
  client: z.string(),
  layout: z.enum(layouts).default("tree"),
  /** The template's commit, where it is a checkout. */
  template: z.string().optional(),
  files: z.custom<Record<string, Produced>>(
    (files) => typeof files === "object" && files !== null && Object.values(files).every(isProduced),
  ),
});

/** The record of what lies in a variant's folder; the same inputs give the same receipt, to the byte. */
export type Receipt = z.infer<typeof receiptSchema>;

export const receiptFile = ".receipt.json";

const emptyReceipt = (client: string): Receipt => ({ form: 1, client, layout: "tree", files: {} });

/** Reads a variant's receipt; an absent one is empty, a damaged one is refused, never replaced unseen. */
export function readReceipt(folder: string, client: string): Receipt {
  const path = join(folder, receiptFile);
  if (!existsSync(path)) return emptyReceipt(client);
  try {
    return receiptSchema.parse(JSON.parse(readFileSync(path, "utf8")));
  } catch {
    refuse("receipt-damaged", `variants/${basename(folder)}/${receiptFile} cannot be read.`, { client });
  }
}

/** A drawn picture's entry in a receipt, as it is written. */
const drawnEntry = /"kind": "draw",\s*"fingerprint": "[^"]*",\s*"sha256": "([0-9a-f]{64})"/g;

/** SHA-256 of every picture that was drawn into a variant's folder; none where there is no variant, or no receipt. */
export function drawnFor(folder: string): string[] {
  const path = join(folder, receiptFile);
  if (!existsSync(path)) return [];
  // Among thousands of other entries; those of all clients are looked through for each audit.
  return [...readFileSync(path, "latin1").matchAll(drawnEntry)].map(([, hash = ""]) => hash);
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
