import { hash } from "node:crypto";

/** SHA-256 in lower-case hexadecimal. */
export const sha256 = (content: string | Uint8Array): string => hash("sha256", content);

/** What that looks like. */
export const sumForm = /^[0-9a-f]{64}$/;

/** SHA-256 of plain data; data that is put together alike gives equal hashes. */
export const fingerprint = (data: unknown): string => sha256(JSON.stringify(data));
