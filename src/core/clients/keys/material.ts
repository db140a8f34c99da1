import { randomBytes } from "node:crypto";
import type { KeyRecord } from "../../agency/history/keys.ts";
import { algorithmOf, certificateFacts, publicOf } from "../../ground/certificates/certificate.ts";
import { type KeyEntry, keyStoreBytes, openKeyStore } from "../../ground/certificates/key-store.ts";
import { type NamePart, newKey, selfSigned } from "../../ground/certificates/self-signed.ts";
import { reveal, type Secret, secretOf } from "../../ground/values/secret.ts";
import type { OpenVault } from "../../ground/vault/open.ts";
import { type KeyRole, keyFile, keyRoleFacts, passwordFile } from "./roles.ts";

/** What everybody may know of a key by itself. */
export type KeyFacts = Pick<
  KeyRecord,
  | "alias"
  | "algorithm"
  | "subject"
  | "from"
  | "until"
  | "sha256"
  | "sha1"
  | "certificate"
  | "point"
  | "keyId"
  | "issuer"
>;

/** A key as it is kept: what lies in the vault, and what may be known of it. */
export interface KeyMaterial {
  facts: KeyFacts;
  /** The key store, or the key as PEM. */
  content: Uint8Array;
  /** The key store's password. */
  password?: Secret;
}

/** A key that was opened: its private half, as PKCS#8 in PEM. */
export interface OpenedKey {
  facts: KeyFacts;
  key: Secret;
}

/** Makes a new key of a role. @param given.subject of its certificate, the most particular part first */
export async function newMaterial(
  role: KeyRole,
  given: { name: string; subject: readonly NamePart[]; today: string },
): Promise<KeyMaterial> {
  const { algorithm, form, years = 1, purpose } = keyRoleFacts[role];
  const key = await newKey(algorithm);
  if (form === "key") return { facts: pointFacts(key), content: Buffer.from(reveal(key)) };
  const certificate = await selfSigned(key, {
    subject: [...given.subject].reverse(),
    from: given.today,
    until: yearsAfter(given.today, years),
    ...(purpose ? { purpose } : {}),
  });
  const password = newPassword();
  const entry = { alias: given.name, key, certificate };
  return { facts: entryFacts(entry), content: await keyStoreBytes(entry, password), password };
}

/** A password that nobody has to type: 256 random bits. */
export const newPassword = (): Secret => secretOf(randomBytes(32).toString("base64url"));

const yearsAfter = (day: string, years: number): string => {
  const [year = "", ...rest] = day.split("-");
  return new Date(Date.parse(`${Number(year) + years}-${rest.join("-")}T00:00:00Z`)).toISOString().slice(0, 10);
};

/** What may be known of a key with a certificate. */
export function entryFacts({ alias, certificate }: KeyEntry): KeyFacts {
  const facts = certificateFacts(certificate);
  if (!facts) throw new Error("a certificate that was read before cannot be read");
  const { purposes: _, ...known } = facts;
  return { ...(alias ? { alias } : {}), ...known };
}

/** What may be known of a key alone: its public point (SEC 1, uncompressed), as push services take it. */
function pointFacts(key: Secret): KeyFacts {
  const own = publicOf(key);
  const { x = "", y = "" } = own.export({ format: "jwk" });
  const point = Buffer.concat([Buffer.from([4]), Buffer.from(x, "base64url"), Buffer.from(y, "base64url")]);
  return { algorithm: algorithmOf(own), point: point.toString("base64url") };
}

/** A key as the files of a vault, by where they lie in it. */
export const secretFiles = (client: string, role: KeyRole, name: string, { content, password }: KeyMaterial) => [
  [keyFile(client, role, name), content] as const,
  ...(password ? [[passwordFile(client, name), Buffer.from(reveal(password))] as const] : []),
];

/** Opens a key that lies in a vault; says what keeps it closed. */
export async function openKey(
  vault: OpenVault,
  client: string,
  role: KeyRole,
  { name, alias }: Pick<KeyRecord, "name" | "alias">,
): Promise<OpenedKey | "lost" | "changed"> {
  const { form } = keyRoleFacts[role];
  const files = [keyFile(client, role, name), ...(form === "store" ? [passwordFile(client, name)] : [])];
  if (!files.every((file) => vault.has(file))) return "lost";
  const content = await vault.read(keyFile(client, role, name));
  if (!content) return "changed";
  if (form === "key") return openedPoint(secretOf(Buffer.from(content).toString()));
  const password = await vault.read(passwordFile(client, name));
  if (!password) return "changed";
  const entries = await openKeyStore(content, secretOf(Buffer.from(password).toString()));
  if (typeof entries === "string") return "changed";
  const entry = entries.find((each) => alias === undefined || each.alias === alias) ?? entries[0];
  return entry ? { facts: entryFacts(entry), key: entry.key } : "changed";
}

/** A key without a certificate, opened: `changed` where it is none. @param key as PEM */
export function openedPoint(key: Secret): OpenedKey | "changed" {
  try {
    return { facts: pointFacts(key), key };
  } catch {
    return "changed";
  }
}
