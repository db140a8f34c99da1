import { hash } from "node:crypto";

/** SHA-256 in lower-case hexadecimal. */
export const sha256 = (content: string | Uint8Array): string => hash("sha256", content);

/** SHA-256 of plain data; equal data gives equal hashes whatever the order of its keys. */
export const fingerprint = (data: unknown): string => sha256(JSON.stringify(sorted(data)));

function sorted(data: unknown): unknown {
  if (Array.isArray(data)) return data.map(sorted);
  if (typeof data !== "object" || data === null) return data;
  const entries = Object.entries(data).sort(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries.map(([key, value]) => [key, sorted(value)]));
}
