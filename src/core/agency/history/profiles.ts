import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { sumForm } from "../../ground/values/hash.ts";
import { platforms } from "../../ground/values/platform.ts";
import { latestOf } from "./latest.ts";

const profileSchema = z.strictObject({
  form: z.literal(1),
  /** What its file is called in the vault. */
  name: z.string().min(1).max(300),
  on: day,
  by: z.string().optional(),
  /** The vault that it lies in, by its recipient. */
  vault: z.string(),
  /** SHA-256 of its file. */
  sha256: z.string().regex(sumForm),
  kind: z.enum(["store", "testers", "development", "everywhere"]),
  platform: z.enum(platforms),
  title: z.string(),
  uuid: z.string(),
  team: z.string(),
  identifier: z.string(),
  from: day,
  until: day,
  /** SHA-256 of the certificates that may sign with it. */
  certificates: z.array(z.string()),
  devices: z.number().int().nonnegative(),
  entitlements: z.record(z.string(), z.unknown()),
  signer: z.string(),
});

/** What everybody may know of a provisioning profile. Its file, which names devices, lies in the vault. */
export type ProfileRecord = Omit<z.infer<typeof profileSchema>, "form">;

/** A client's profiles, by kind and identifier. */
export type ProfileRecords = Readonly<Record<string, ProfileRecord>>;

/** The profiles that each client has: an entry a kind and identifier. Stops: history-damaged */
export const profilesOf = latestOf("profile-", profileSchema);

/** What a profile is kept under: a second one of the same kind and identifier takes its place. */
export const profileSlot = ({ kind, identifier }: Pick<ProfileRecord, "kind" | "identifier">): string =>
  `${kind}-${identifier.replaceAll("*", "any")}`;
