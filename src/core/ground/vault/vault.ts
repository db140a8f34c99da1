import * as z from "zod";
import { isFolder, isThere, readInside } from "../files/reading/folder.ts";
import { lookAt, makeRoot } from "../files/writing/door.ts";
import { type Change, writeTogether } from "../files/writing/together.ts";
import { attempt, refuse } from "../problems/result.ts";
import { reveal, type Secret, secretOf } from "../values/secret.ts";
import { lockWith, newSealing, openBy, sealTo, unlockWith } from "./age.ts";
import type { OpenVault } from "./open.ts";
import { noteProven } from "./proven.ts";

/** Where secrets lie: a folder outside version control, each file sealed to the vault's own key. */
export interface Vault {
  /** Absolute. */
  root: string;
  /** What the vault is known by, and what its files are sealed to. Public. */
  recipient: string;
}

/** Says which vault a folder is. */
const publicFile = "vault.json";

/** The vault's own key, under the pass phrase. */
const keyFile = "vault-key.age";

const publicSchema = z.strictObject({ form: z.literal(1), recipient: z.string().regex(/^age1[a-z0-9]{58}$/) });

/** Characters that the pass phrase of a new vault has at least: four words, or so. */
const leastLength = 12;

/** Largest file of a vault, in bytes: a key is a few thousand. */
const largest = 4 * 1024 * 1024;

/** The vault in a folder; undefined where there is none. Stops: vault-damaged */
export function vaultAt(root: string): Vault | undefined {
  if (!isFolder(root) || !lookAt(root, publicFile)) return undefined;
  const read = attempt(() =>
    publicSchema.safeParse(JSON.parse(Buffer.from(readInside(root, publicFile, publicFile)).toString())),
  );
  if (!read.ok || !read.value.success || !lookAt(root, keyFile))
    return refuse("vault-damaged", `${root} is no whole vault: ${publicFile} or ${keyFile} is missing or damaged.`);
  return { root, recipient: read.value.data.recipient };
}

/** Refuses what no new vault is put under. Stops: passphrase-weak */
export function refuseWeak(passPhrase: Secret): void {
  if ([...reveal(passPhrase)].length < leastLength)
    refuse("passphrase-weak", `The pass phrase has fewer than ${leastLength} characters.`);
}

/**
 * Makes a vault under a pass phrase, in a folder that is not there or is empty but for what holds it.
 * Stops: vault-damaged, write-failed
 */
export async function makeVault(root: string, passPhrase: Secret): Promise<OpenVault> {
  if (vaultAt(root)) return refuse("vault-damaged", `${root} is a vault already.`);
  refuseWeak(passPhrase);
  const { identity, recipient } = await newSealing();
  const locked = await lockWith(passPhrase, Buffer.from(`${reveal(identity)}\n`));
  makeRoot(root);
  putSealed(root, [
    [keyFile, locked],
    [publicFile, `${JSON.stringify({ form: 1, recipient }, null, 2)}\n`],
  ]);
  return openedBy({ root, recipient }, identity);
}

/** Opens a vault. Stops: passphrase-wrong, which says no more than that it does not open. */
export async function openVault(vault: Vault, passPhrase: Secret): Promise<OpenVault> {
  const identity = await unlockWith(passPhrase, readInside(vault.root, keyFile, keyFile));
  if (!identity) return refuse("passphrase-wrong", "The vault does not open by this pass phrase.");
  return openedBy(vault, secretOf(Buffer.from(identity).toString().trim()));
}

/** The folder as a vault that is open: each file is readable by its owner alone. */
const openedBy = ({ root, recipient }: Vault, identity: Secret): OpenVault => ({
  recipient,
  has: (file) => isThere(root) && lookAt(root, file) !== undefined,
  async read(file) {
    const seen = lookAt(root, file);
    if (!seen || seen.size > largest) return undefined;
    return openBy(identity, readInside(root, file, file));
  },
  async keep(files) {
    const sealed: Change[] = [];
    for (const [file, content] of files) sealed.push([file, content && (await sealTo(recipient, content))]);
    putSealed(root, sealed);
  },
  noteProven: (names, on) => noteProven(root, names, on),
});

/** For their owner alone (POSIX). */
const ownMode = 0o600;

/** Puts files into a vault that are sealed already: all of them or none. The vault has to be held. */
export const putSealed = (root: string, files: readonly Change[]): void => writeTogether(root, files, ownMode);
