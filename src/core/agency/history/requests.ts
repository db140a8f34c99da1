import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { latestOf } from "./latest.ts";

const requestSchema = z.strictObject({
  form: z.literal(1),
  /** What its key is called in the vault. */
  name: z.string().min(1).max(200),
  on: day,
  by: z.string().optional(),
  /** The vault that its key lies in, by its recipient. */
  vault: z.string(),
  algorithm: z.string(),
  subject: z.string(),
  /** DER (SubjectPublicKeyInfo), as base64: what comes back is known by it. */
  publicKey: z.string(),
  /** SHA-256 of the certificate that it is to take the place of. */
  renews: z.string().optional(),
});

/** A request for a certificate that nothing has come back for. */
export type KeyRequest = Omit<z.infer<typeof requestSchema>, "form">;

/** A client's open requests, by what the keys are for. */
export type KeyRequests = Readonly<Record<string, KeyRequest>>;

/** The requests that each client has open: an entry a role. Stops: history-damaged */
export const requestsOf = latestOf("request-", requestSchema);
