import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { latestOf } from "./latest.ts";

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
  /** Of a key of Apple's: the team that it is of, what Apple calls it, and who issued it for use by programs. */
  team: z.string().optional(),
  keyId: z.string().optional(),
  issuer: z.string().optional(),
  /** Whose account it is of, and who else holds it, where somebody said so. */
  account: z.enum(["agency", "client"]).optional(),
  heldBy: z.string().optional(),
});

/** What everybody may know of a key. Its secret lies in the vault. */
export type KeyRecord = Omit<z.infer<typeof keySchema>, "form">;

/** A client's keys, by what they are for. */
export type KeyRecords = Readonly<Record<string, KeyRecord>>;

/** The keys that each client has: an entry a role. Stops: history-damaged */
export const keysOf = latestOf("key-", keySchema);
