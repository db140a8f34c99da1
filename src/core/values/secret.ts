import { inspect } from "node:util";

const shown = "•••";

/** A password, a key's text, a token: it says nothing of itself, wherever it is printed, joined or written down. */
export interface Secret {
  toString(): string;
  toJSON(): string;
}

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

/** A text with every secret in it as •••. */
export const mask = (text: string, secrets: readonly Secret[]): string =>
  secrets.reduce((plain, secret) => {
    const hidden = reveal(secret);
    return hidden === "" ? plain : plain.replaceAll(hidden, shown);
  }, text);
