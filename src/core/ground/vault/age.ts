import { Decrypter, Encrypter, generateIdentity, identityToRecipient } from "age-encryption";
import { reveal, type Secret, secretOf } from "../values/secret.ts";

/**
 * Files in the format of age (C2SP, "age-encryption.org/v1"): to a recipient's X25519 key, or under a pass phrase by
 * scrypt. Whatever reads that format opens them.
 */

/** The cost of guessing a pass phrase: scrypt with N = 2^18, r = 8, p = 1; some two seconds, and 256 MiB. */
const workFactor = 18;

/** A key pair: who has the identity opens what was sealed to the recipient. */
export interface Sealing {
  identity: Secret;
  /** Public: age1… */
  recipient: string;
}

export async function newSealing(): Promise<Sealing> {
  const identity = await generateIdentity();
  return { identity: secretOf(identity), recipient: await identityToRecipient(identity) };
}

export async function sealTo(recipient: string, content: Uint8Array): Promise<Uint8Array> {
  const encrypter = new Encrypter();
  encrypter.addRecipient(recipient);
  return await encrypter.encrypt(content);
}

/** What opens for an identity: its public half is worked out once, not for each file. */
const openers = new WeakMap<Secret, Decrypter>();

function openerFor(identity: Secret): Decrypter {
  const known = openers.get(identity);
  if (known) return known;
  const decrypter = new Decrypter();
  decrypter.addIdentity(reveal(identity));
  openers.set(identity, decrypter);
  return decrypter;
}

/** Opens what was sealed to an identity; undefined where it was sealed to another, or was changed. */
export const openBy = (identity: Secret, sealed: Uint8Array): Promise<Uint8Array | undefined> =>
  opened(openerFor(identity), sealed);

export async function lockWith(passPhrase: Secret, content: Uint8Array): Promise<Uint8Array> {
  const encrypter = new Encrypter();
  encrypter.setPassphrase(reveal(passPhrase));
  encrypter.setScryptWorkFactor(workFactor);
  return await encrypter.encrypt(content);
}

/** Opens what lies under a pass phrase; undefined where it is another, or the file was changed: it is one or other. */
export async function unlockWith(passPhrase: Secret, locked: Uint8Array): Promise<Uint8Array | undefined> {
  const decrypter = new Decrypter();
  decrypter.addPassphrase(reveal(passPhrase));
  return opened(decrypter, locked);
}

async function opened(decrypter: Decrypter, sealed: Uint8Array): Promise<Uint8Array | undefined> {
  try {
    return await decrypter.decrypt(sealed);
  } catch {
    return undefined;
  }
}
