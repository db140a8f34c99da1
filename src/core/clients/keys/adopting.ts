import { basename } from "node:path";
import type { KeyRecord, KeyRecords } from "../../agency/history/keys.ts";
import { certificateFacts } from "../../ground/certificates/certificate.ts";
import {
  isOlderForm,
  type KeyEntry,
  keyStoreBytes,
  openKeyStore,
  type Unopened,
} from "../../ground/certificates/key-store.ts";
import { isError, type Problem, problem } from "../../ground/problems/problem.ts";
import { refuse } from "../../ground/problems/result.ts";
import { type Secret, secretOf } from "../../ground/values/secret.ts";
import { roleIn } from "./accepting.ts";
import { entryFacts, type KeyMaterial, newPassword, openedPoint } from "./material.ts";
import { type KeyRole, keyRoleFacts } from "./roles.ts";
import { judgeKey, markOf } from "./standing.ts";

/** What somebody says of a file that is to be adopted. */
export interface AdoptSaid {
  client?: string | undefined;
  role?: KeyRole | undefined;
  alias?: string | undefined;
  /** Of a key of Apple's: what Apple calls it, and who issued it for use by programs. */
  keyId?: string | undefined;
  issuer?: string | undefined;
}

/** A file that was looked into: what it is, and for what. */
export interface LookedInto {
  role: KeyRole;
  material: KeyMaterial;
}

const unopened: Readonly<Record<Unopened, string>> = {
  "too-large": "is too large for a key store",
  older: "is of an older Java form (JCEKS), which nothing here opens",
  "not-a-store": "is no key store",
  password: "does not open by this password",
  "no-key": "holds no private key",
};

const newer =
  "Bring it into the present form: keytool -importkeystore -srckeystore old.jks -destkeystore new.p12 " +
  "-deststoretype PKCS12";

/**
 * Looks into a file: a key store, or a push key as PEM. Stops where it is neither, does not open, or where it is not
 * clear which key of several is meant. @param password of a key store; asked for only where the file is one
 */
export async function lookInto(
  file: string,
  bytes: Uint8Array,
  said: AdoptSaid,
  password: () => Promise<Secret>,
): Promise<LookedInto> {
  const shown = basename(file);
  const text = Buffer.from(bytes.subarray(0, 64)).toString("latin1");
  if (text.includes("-----BEGIN")) return keyAlone(shown, bytes, said);
  const own = await password();
  const entries = await openKeyStore(bytes, own);
  if (typeof entries === "string")
    return refuse("key-unreadable", `${shown} ${unopened[entries]}.`, entries === "older" ? { fix: newer } : {});
  const entry = chosen(shown, entries, said.alias);
  const role = said.role ?? (await roleOf(entry));
  if (isOlderForm(bytes)) return { role, material: await packed(shown, entry) };
  return { role, material: { facts: entryFacts(entry), content: bytes, password: own } };
}

/** A key of the older Java form in the present one: whatever signs with it later opens that. */
async function packed(shown: string, entry: KeyEntry): Promise<KeyMaterial> {
  const facts = entryFacts(entry);
  if (!facts.algorithm.startsWith("RSA"))
    return refuse("key-unreadable", `${shown} is of the older Java form, with a key of ${facts.algorithm}.`, {
      fix: newer,
    });
  const password = newPassword();
  return { facts, content: await keyStoreBytes(entry, password), password };
}

/** What Apple calls the file of a key that it gives out: AuthKey_2X9R4HXF34.p8. */
const fromApple = /^(?:AuthKey|ApiKey|SubscriptionKey)_([A-Z0-9]{10})\.p8$/i;

function keyAlone(shown: string, bytes: Uint8Array, said: AdoptSaid): LookedInto {
  const opened = openedPoint(secretOf(Buffer.from(bytes).toString()));
  if (opened === "changed")
    return refuse("key-unreadable", `${shown} is no private key that can be read without a password.`);
  const { facts } = opened;
  if (facts.algorithm !== "EC P-256")
    return refuse("key-unfit", `${shown} is a key of ${facts.algorithm}: a key for messages or programs is EC P-256.`);
  const isOfApple = said.role === "apple-push" || said.role === "apple-interface";
  if (!said.role && /\.p8$/i.test(shown))
    return refuse("key-unclear", `${shown} may be a push key or an interface key: both look alike.`, {
      expected: "--role apple-push, or --role apple-interface",
    });
  if (!isOfApple) return { role: "web-push", material: { facts, content: bytes } };
  const keyId = said.keyId ?? fromApple.exec(shown)?.[1]?.toUpperCase();
  if (keyId === undefined)
    return refuse("key-unclear", `${shown} does not say what Apple calls this key.`, { expected: "--key-id" });
  const { role, issuer } = said;
  if (role === "apple-interface" && issuer === undefined)
    return refuse("key-unclear", `Who issued ${shown} is not said; Apple's page of keys shows it.`, {
      expected: "--issuer, such as 57246542-96fe-1a63-e053-0824d011072a",
    });
  const own = { ...facts, keyId, ...(role === "apple-interface" && issuer ? { issuer } : {}) };
  return { role: said.role ?? "apple-push", material: { facts: own, content: bytes } };
}

function chosen(shown: string, entries: readonly KeyEntry[], alias: string | undefined): KeyEntry {
  const named = alias === undefined ? entries : entries.filter((each) => each.alias === alias);
  const [only, ...more] = named;
  if (only && more.length === 0) return only;
  const all = entries.map((each) => `"${each.alias}"`).join(", ");
  const message = only ? `${shown} holds ${entries.length} keys.` : `${shown} holds no key called "${alias}".`;
  return refuse("key-unclear", message, { expected: `--alias, one of ${all}` });
}

/** What a key is for where nobody says: Apple's certificates say it; another that signs code is a package's. */
async function roleOf({ certificate }: KeyEntry): Promise<KeyRole> {
  const facts = certificateFacts(certificate);
  const own = facts && (await roleIn(facts.certificate));
  if (own) return own;
  return facts?.purposes.includes("1.3.6.1.5.5.7.3.3") ? "windows-package" : "android-upload";
}

/** A client who may be whose key it is. */
export interface Owner {
  key: string;
  name: string | undefined;
  owner: string | undefined;
  publisher: string | undefined;
  team: string | undefined;
  keys: KeyRecords;
}

/**
 * Whose key it is: whom somebody names, or the one client whose key, name or owner stands in the file's name, in what
 * the key is called, or in its certificate. Stops: key-unclear, key-foreign
 */
export function ownerOfKey(
  file: string,
  { material: { facts } }: LookedInto,
  owners: readonly Owner[],
  said: AdoptSaid,
): Owner {
  const mark = markOf(facts);
  const holder = owners.find(({ keys }) => Object.values(keys).some((each) => markOf(each) === mark));
  if (holder && said.client !== undefined && holder.key !== said.client)
    return refuse("key-foreign", `${basename(file)} is a key of ${holder.key}, not of ${said.client}.`);
  if (holder) return holder;
  const named = owners.find(({ key }) => key === said.client);
  if (named) return named;
  const about = plain([basename(file), facts.alias ?? "", facts.subject ?? ""].join(" "));
  const meant = owners.filter(({ key, name, owner }) =>
    [key, name, owner].some(
      (each) => each !== undefined && each.length > 2 && about.includes(` ${plain(each).trim()} `),
    ),
  );
  const [only, ...more] = meant;
  if (only && more.length === 0) return only;
  const who = meant.length > 1 ? `may be ${meant.map(({ key }) => key).join("'s or ")}'s` : "names no client";
  return refuse("key-unclear", `${basename(file)} ${who}.`, { expected: "--client, with a client's key" });
}

const plain = (text: string): string => ` ${text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, " ")} `;

/** What keeps a key from being a client's: that the client has another one, or what it is. */
export function unfitFor(
  owner: Owner,
  { role, material }: LookedInto,
  given: { today: string; insteadOf: string | undefined; record: KeyRecord },
): Problem[] {
  const { title, loss } = keyRoleFacts[role];
  const before = owner.keys[role];
  const mark = before && markOf(before);
  const isNamed = given.insteadOf !== undefined && given.insteadOf.length >= 8 && mark?.startsWith(given.insteadOf);
  if (before && mark !== markOf(material.facts) && !isNamed)
    return [
      problem("key-in-use", `${owner.key} has another ${title}: ${mark}. ${loss}`, {
        client: owner.key,
        fix: `Where that one is lost for good: --instead-of ${mark?.slice(0, 11)}`,
      }),
    ];
  return judgeKey(owner.key, role, given.record, { ...owner, today: given.today, notice: 0 }).filter(isError);
}
