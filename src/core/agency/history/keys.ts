import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { historyOf } from "./entries.ts";

const fingerprint = (bytes: number) => z.string().regex(new RegExp(`^(?:[0-9A-F]{2}:){${bytes - 1}}[0-9A-F]{2}$`));

const keySchema = z.strictObject({
  form: z.literal(1),
  /** What it is called in the vault, and wherever keys are listed. */
  name: z.string().min(1).max(200),
  /** Whether Oxalis made it, or somebody had it before. */
  came: z.enum(["made", "adopted"]),
  on: day,
  by: z.string().optional(),
  /** The vault that it lies in, by its recipient. */
  vault: z.string(),
  /** What it is called within its key store. */
  alias: z.string().optional(),
  /** RSA 3072, EC P-256. */
  algorithm: z.string(),
  /** Of its certificate, where it has one. */
  subject: z.string().optional(),
  from: day.optional(),
  until: day.optional(),
  sha256: fingerprint(32).optional(),
  sha1: fingerprint(20).optional(),
  /** DER, as base64. */
  certificate: z.string().optional(),
  /** The public half of a key without a certificate: an uncompressed point, as base64url. */
  point: z.string().optional(),
});

/** What everybody may know of a key. Its secret lies in the vault. */
export type KeyRecord = Omit<z.infer<typeof keySchema>, "form">;

/** A client's keys, by what they are for. */
export type KeyRecords = Readonly<Record<string, KeyRecord>>;

const prefix = "key-";

/** The keys that each client has: an entry a role. Stops: history-damaged */
export const keysOf = historyOf({
  damaged: "history-damaged",
  schemaOf: (name) => (name.startsWith(prefix) ? keySchema : undefined),
  understood: (entries): KeyRecords =>
    Object.fromEntries([...entries].map(([name, { form: _, ...rest }]) => [name.slice(prefix.length), rest])),
  entriesOf: (keys: KeyRecords) =>
    new Map(Object.entries(keys).map(([role, each]) => [`${prefix}${role}`, { form: 1 as const, ...each }])),
});
