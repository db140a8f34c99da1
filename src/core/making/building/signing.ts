import * as z from "zod";
import type { ProfileRecords } from "../../agency/history/profiles.ts";
import { signingPrefix } from "../../app/variant/signing.ts";
import { type KeyRole, keyFile, keyRoleFacts, passwordFile, profileFile } from "../../clients/keys/roles.ts";
import type { HeldKey } from "../../clients/keys/standing.ts";
import { leadsDown } from "../../ground/files/writing/door.ts";
import type { Platform } from "../../ground/values/platform.ts";

const text = z.string().max(1000);
/** A file of the vault: below the folder of whose it is. */
const sealed = z.string().max(1000).refine(leadsDown, "a path that leads down");
/** A file's own name, with no folder. */
const fileName = z.string().regex(/^[^/\\\0]{1,255}$/);

export const signingPlanSchema = z.strictObject({
  /** Names of the variables that give the path of a file, each with the file in the vault and what it is called. */
  files: z.array(z.strictObject({ variable: text, sealed, name: fileName })),
  /** Names of the variables that hold a secret, each with the file in the vault. */
  secrets: z.array(z.strictObject({ variable: text, sealed })),
  /** Variables that everybody may know. */
  plain: z.record(text, text),
});

/** Files that steps sign with, and variables that say where they lie and how they open. */
export type SigningPlan = z.infer<typeof signingPlanSchema>;

/** What follows the client's prefix in the variables of each role; nothing behind the upload key's. */
const parts: Readonly<Partial<Record<KeyRole, string>>> = {
  "android-upload": "",
  "android-app": "_APP",
  "apple-distribution": "_DISTRIBUTION",
  "mac-installer": "_INSTALLER",
  "windows-package": "_PACKAGE",
};

/** What a client's app is signed with on a platform. @param held its keys, each with the client it is kept with */
export function signingPlan(
  key: string,
  platform: Platform,
  held: readonly (HeldKey & { role: KeyRole })[],
  profiles: ProfileRecords,
): SigningPlan {
  // For steps that are the same for all, and for scripts that are made for one client.
  const prefixes = ["SIGNING", signingPrefix(key)];
  const files: SigningPlan["files"][number][] = [];
  const secrets: SigningPlan["secrets"][number][] = [];
  const plain: Record<string, string> = {};
  for (const { role, client, record } of held) {
    const part = parts[role];
    if (part === undefined || keyRoleFacts[role].platform !== platform) continue;
    const sealed = passwordFile(client, record.name);
    for (const name of prefixes.map((prefix) => `${prefix}${part}`)) {
      files.push({ variable: `${name}_STORE`, sealed: keyFile(client, role, record.name), name: `${record.name}.p12` });
      secrets.push({ variable: `${name}_STORE_PASSWORD`, sealed }, { variable: `${name}_KEY_PASSWORD`, sealed });
      if (record.alias !== undefined) plain[`${name}_KEY`] = record.alias;
    }
  }
  for (const record of Object.values(profiles)) {
    if (record.platform !== platform) continue;
    const variable = `SIGNING_PROFILE_${record.identifier.toUpperCase().replace(/[^A-Z0-9]+/g, "_")}`;
    const ending = platform === "desktop" ? "provisionprofile" : "mobileprovision";
    files.push({ variable, sealed: profileFile(key, record.name), name: `${record.name}.${ending}` });
  }
  return { files, secrets, plain };
}
