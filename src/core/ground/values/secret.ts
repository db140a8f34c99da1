import { createHash, timingSafeEqual } from "node:crypto";
import { inspect } from "node:util";

const shown = "•••";

/** A password, a key's text, a token: it says nothing of itself, wherever it is printed, joined or written down. */
export interface Secret {
  toString(): string;
  toJSON(): string;
}

/** How a variable that holds a secret is named in a file. */
export const variableForm = /^env:[A-Z][A-Z0-9_]*$/;

const texts = new WeakMap<Secret, string>();

export function secretOf(text: string): Secret {
  const secret: Secret = Object.freeze({
    toString: () => shown,
    toJSON: () => shown,
    [inspect.custom]: () => shown,
  });
  texts.set(secret, text);
  return secret;
}

/** What a secret is; asked for only where it is used. */
export const reveal = (secret: Secret): string => texts.get(secret) ?? "";

/** Whether two texts are the same, in a time that tells nothing of where they differ. */
export const isSameSecret = (one: string, other: string): boolean =>
  timingSafeEqual(createHash("sha256").update(one).digest(), createHash("sha256").update(other).digest());

/** A text with every secret in it as •••, also in the forms in which protocols write it and others repeat it. */
export const mask = (text: string, secrets: readonly Secret[]): string =>
  secrets
    .map(reveal)
    .filter((hidden) => hidden !== "")
    .flatMap(formsOf)
    // The longest first: what is left of one by another is no secret any more, but part of one.
    .sort((one, other) => other.length - one.length)
    .reduce((plain, form) => plain.replaceAll(form, shown), text);

/** A secret as it is, and as it is written in addresses, in JSON, in hexadecimal digits and in base64. */
function formsOf(hidden: string): string[] {
  const hex = Buffer.from(hidden).toString("hex");
  const base64 = [0, 1, 2].flatMap((before) => withinBase64(hidden, before));
  const forms = [hidden, encodeURIComponent(hidden), JSON.stringify(hidden).slice(1, -1), hex, hex.toUpperCase()];
  return [...new Set([...forms, ...base64])];
}

/** Fewer letters than these may stand anywhere by chance. */
const telling = 4;

/**
 * What a secret alone determines of the base64 of a longer text (RFC 4648), where some bytes stand before it: as in a
 * user's name and password that are written together.
 */
function withinBase64(hidden: string, before: number): string[] {
  const bytes = Buffer.concat([Buffer.alloc(before), Buffer.from(hidden)]);
  const first = Math.ceil((before * 8) / 6);
  const last = Math.floor((bytes.length * 8) / 6);
  return (["base64", "base64url"] as const)
    .map((form) => bytes.toString(form).slice(first, last))
    .filter((form) => form.length >= telling);
}
