import { createHmac } from "node:crypto";
import { isSameSecret, reveal, type Secret } from "../values/secret.ts";

/** What goes along with a message that one program sends another: its id, its time in seconds, and what signs both. */
export interface Stamp {
  "message-id": string;
  "message-time": string;
  "message-signature": string;
}

/** So far may a message's time be from now, in seconds: a later one may be somebody's who has kept it. */
const mostApart = 300;

/** Signs a message's id, time and text together (HMAC-SHA256, base64url). @param seconds since 1970 */
export function stampOf(secret: Secret, id: string, seconds: number, body: string): Stamp {
  const time = String(seconds);
  return { "message-id": id, "message-time": time, "message-signature": signatureOf(secret, id, time, body) };
}

const signatureOf = (secret: Secret, id: string, time: string, body: string): string =>
  createHmac("sha256", reveal(secret)).update(`${id}.${time}.${body}`).digest("base64url");

/** What is wrong with a message; undefined of one that is what its sender sent just now. @param now in seconds */
export function faultOfMessage(secret: Secret, stamp: Partial<Stamp>, body: string, now: number): string | undefined {
  const { "message-id": id = "", "message-time": time = "", "message-signature": signature = "" } = stamp;
  if (!isSameSecret(signatureOf(secret, id, time, body), signature)) return "its signature does not fit";
  return Math.abs(Number(time) - now) <= mostApart ? undefined : "it is of another time";
}
