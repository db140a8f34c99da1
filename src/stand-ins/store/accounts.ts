import { generateKeyPairSync, randomBytes, randomUUID } from "node:crypto";
import { sha256 } from "../../core/ground/values/hash.ts";
import { type StoreKey, storeKeys } from "../../core/ground/values/store.ts";
import { stores } from "../../core/stores/all.ts";
import { chance } from "./engine/chance.ts";
import type { Account } from "./engine/kept.ts";
import type { Keeping } from "./keeping.ts";

/** What a store shows once, when somebody makes a way in for programs. */
export type ShownOnce =
  | { store: StoreKey; client: string; secret: string }
  | { store: StoreKey; keyId: string; issuer: string; privateKey: string };

/** Opens an account in every store that has none of this owner yet, and shows what lets programs in. */
export function openAccounts(keeping: Keeping, owner: string, now: number): ShownOnce[] {
  const known = [...keeping.accounts.getRange()].map(({ value }) => value).filter((each) => each.owner === owner);
  return storeKeys.flatMap((store) => {
    if (known.some((each) => each.store === store)) return [];
    // Stores of one house take one interface key.
    const house = known.find(({ key }) => key)?.key;
    const { account, shown } = newAccount(store, owner, now, house);
    known.push(account);
    keeping.within(() => keeping.accounts.putSync(account.account, account));
    return shown ? [shown] : [];
  });
}

function newAccount(
  store: StoreKey,
  owner: string,
  now: number,
  house: Account["key"],
): { account: Account; shown?: ShownOnce } {
  const { enters, agreements } = stores[store].conduct;
  const account: Account = {
    ...{ account: randomUUID(), store, owner },
    agreements: Object.fromEntries(agreements.map((each) => [each, now])),
  };
  if (enters === "credentials") {
    const [client, secret] = [`studio-${randomBytes(4).toString("hex")}`, randomBytes(24).toString("base64url")];
    return {
      account: { ...account, credentials: { client, secretSum: sha256(secret) } },
      shown: { store, client, secret },
    };
  }
  if (house) return { account: { ...account, key: house } };
  const { publicKey, privateKey } = generateKeyPairSync("ec", { namedCurve: "P-256" });
  const [keyId, issuer] = [newKeyId(), randomUUID()];
  return {
    account: {
      ...account,
      key: { keyId, issuer, publicKey: publicKey.export({ type: "spki", format: "pem" }).toString() },
    },
    shown: { store, keyId, issuer, privateKey: privateKey.export({ type: "pkcs8", format: "pem" }).toString() },
  };
}

const letters = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";

/** Ten letters and digits, as stores name their keys. */
const newKeyId = (): string => {
  const seed = randomBytes(16).toString("hex");
  return Array.from({ length: 10 }, (_, at) => letters[Math.floor(chance(seed, String(at)) * letters.length)]).join("");
};
