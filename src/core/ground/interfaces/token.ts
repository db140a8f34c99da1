import { createPrivateKey } from "node:crypto";
import { SignJWT } from "jose";
import { problem } from "../problems/problem.ts";
import { refuse, stop } from "../problems/result.ts";
import { reveal, type Secret, secretOf } from "../values/secret.ts";
import type { Entry, World } from "./asked.ts";
import { textWithin } from "./body.ts";

/** How long a token that is signed here lasts, in seconds; stores take no more than twenty minutes. */
const lasts = 900;

/** So long before its end another one is taken, in milliseconds. */
const early = 60_000;

/** Keeps a token until it is about to end, or is refused. */
function kept(make: () => Promise<{ token: Secret; until: number }>, { now }: Pick<World, "now">): Entry {
  let last: Promise<{ token: Secret; until: number }> | undefined;
  return {
    async token(isAnew) {
      const known = last && !isAnew ? await last : undefined;
      if (known && known.until - early > now()) return known.token;
      const made = make();
      last = made;
      // What failed is not kept: the next call asks anew.
      made.catch(() => {
        if (last === made) last = undefined;
      });
      return (await made).token;
    },
  };
}

/** Tokens that an interface key signs (RFC 7519, ES256). @param from.key as PEM */
export function signedEntry(
  from: { key: Secret; keyId: string; issuer: string; audience: string },
  world: Pick<World, "now">,
): Entry {
  return kept(async () => {
    const seconds = Math.floor(world.now() / 1000);
    const token = await new SignJWT({})
      .setProtectedHeader({ alg: "ES256", kid: from.keyId, typ: "JWT" })
      .setIssuer(from.issuer)
      .setAudience(from.audience)
      .setIssuedAt(seconds)
      .setExpirationTime(seconds + lasts)
      .sign(keyOf(from.key));
    return { token: secretOf(token), until: world.now() + lasts * 1000 };
  }, world);
}

function keyOf(pem: Secret) {
  try {
    return createPrivateKey(reveal(pem));
  } catch {
    return refuse("interface-refused", "The interface key cannot be read: it is no PEM of a private key.");
  }
}

/** Largest answer that has a token, in bytes. */
const largestToken = 64 * 1024;

/** Tokens that an address gives for credentials (RFC 6749, 4.4). */
export function credentialsEntry(
  from: { title: string; address: string; client: Secret; secret: Secret },
  world: World,
): Entry {
  return kept(async () => {
    const { title, address } = from;
    const answer = await asked(from, world);
    const text = answer && (await textWithin(answer, largestToken));
    if (!answer || answer.status >= 500 || text === undefined)
      return stop([problem("interface-unreachable", `${title} (${address}) gives no token.`)]);
    const read = answer.ok ? tokenIn(text) : undefined;
    if (!read) return refuse("interface-refused", `${title} (${address}) does not take the credentials.`);
    return { token: secretOf(read.token), until: world.now() + read.seconds * 1000 };
  }, world);
}

async function asked(
  { address, client, secret }: { address: string; client: Secret; secret: Secret },
  world: World,
): Promise<Response | undefined> {
  const body = new URLSearchParams({ grant_type: "client_credentials" });
  const basic = [client, secret].map((each) => encodeURIComponent(reveal(each))).join(":");
  const headers = { authorization: `Basic ${Buffer.from(basic).toString("base64")}`, accept: "application/json" };
  for (let tried = 1; ; tried++)
    try {
      const signal = AbortSignal.timeout(30_000);
      return await world.fetch(new Request(address, { method: "POST", body, headers, signal, redirect: "manual" }));
    } catch {
      if (tried > 3) return undefined;
      await world.pause(400 * tried);
    }
}

function tokenIn(text: string): { token: string; seconds: number } | undefined {
  try {
    const { access_token: token, expires_in: seconds } = JSON.parse(text) as Record<string, unknown>;
    if (typeof token !== "string" || token === "") return undefined;
    return { token, seconds: typeof seconds === "number" && seconds > 0 ? seconds : lasts };
  } catch {
    return undefined;
  }
}
