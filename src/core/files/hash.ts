import { createHash } from "node:crypto";

/** SHA-256 in lower-case hexadecimal. */
export function sha256(content: string | Uint8Array): string {
  return createHash("sha256").update(content).digest("hex");
}

/** SHA-256 of plain data; equal data gives equal hashes whatever the order of its keys. */
export function fingerprint(data: unknown): string {
  return sha256(JSON.stringify(data, (_, value) => (isRecord(value) ? sortedByKey(value) : value)));
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

function sortedByKey(record: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1)));
}
