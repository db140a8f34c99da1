import { randomBytes } from "node:crypto";
import { decodeProtectedHeader, importSPKI, jwtVerify } from "jose";
import { sha256 } from "../../core/ground/values/hash.ts";
import { isSameSecret } from "../../core/ground/values/secret.ts";
import type { StoreKey } from "../../core/ground/values/store.ts";
import type { Account } from "./engine/kept.ts";
import type { Keeping } from "./keeping.ts";

/** So long a token lasts that is given for credentials, in seconds. */
const lasts = 3600;

/** A token that a key signs lasts no longer, in seconds. */
const longest = 1200;

/** Whose token it is; undefined where it is nobody's, or has ended. Tokens go by the machine's own clock. */
export async function accountOf(
  keeping: Keeping,
  store: StoreKey,
  token: string,
  real: () => number,
): Promise<Account | undefined> {
  const given = keeping.tokens.get(sha256(token));
  if (given) {
    const account = given.until > real() ? keeping.accounts.get(given.account) : undefined;
    return account?.store === store ? account : undefined;
  }
  return signedBy(keeping, store, token, real);
}

async function signedBy(
  keeping: Keeping,
  store: StoreKey,
  token: string,
  real: () => number,
): Promise<Account | undefined> {
  try {
    const { kid } = decodeProtectedHeader(token);
    for (const { value: account } of keeping.accounts.getRange()) {
      if (account.store !== store || account.key?.keyId !== kid || !account.key) continue;
      const key = await importSPKI(account.key.publicKey, "ES256");
      const { payload } = await jwtVerify(token, key, {
        algorithms: ["ES256"],
        issuer: account.key.issuer,
        audience: store,
        currentDate: new Date(real()),
        clockTolerance: 60,
        requiredClaims: ["iat", "exp"],
      });
      const isShort = (payload.exp ?? 0) - (payload.iat ?? 0) <= longest;
      const isFromNow = (payload.iat ?? 0) <= real() / 1000 + 60;
      return isShort && isFromNow ? account : undefined;
    }
  } catch {
    // Whatever is wrong with it: it opens nothing.
  }
  return undefined;
}

/** Gives a token for credentials, as they stand in a header (RFC 7617); undefined where they are nobody's. */
export function tokenFor(
  keeping: Keeping,
  store: StoreKey,
  header: string | undefined,
  real: () => number,
): { access_token: string; token_type: "Bearer"; expires_in: number } | undefined {
  const [kind, told = ""] = (header ?? "").split(" ");
  if (kind !== "Basic") return undefined;
  const [client = "", secret = ""] = Buffer.from(told, "base64").toString("utf8").split(":").map(decoded);
  const account = [...keeping.accounts.getRange()]
    .map(({ value }) => value)
    .find((each) => each.store === store && each.credentials?.client === client);
  if (!account?.credentials || !isSameSecret(sha256(secret), account.credentials.secretSum)) return undefined;
  const token = randomBytes(32).toString("base64url");
  keeping.within(() =>
    keeping.tokens.putSync(sha256(token), { account: account.account, until: real() + lasts * 1000 }),
  );
  return { access_token: token, token_type: "Bearer", expires_in: lasts };
}

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}
