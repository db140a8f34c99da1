import { resolve } from "node:path";
import { strFromU8, unzipSync, zipSync } from "fflate";
import { entriesOf, readInside } from "../ground/files/reading/folder.ts";
import { filesBelow, leadsDown, lookAt, makeRoot } from "../ground/files/writing/door.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { writeWhole } from "../ground/files/writing/whole.ts";
import { refuse } from "../ground/problems/result.ts";
import { lockWith, unlockWith } from "../ground/vault/age.ts";
import { openVault, putSealed, vaultAt } from "../ground/vault/vault.ts";
import { readNamed } from "./running/named.ts";
import { operation } from "./running/operation.ts";
import { vaultFolder, vaultOf } from "./running/vault.ts";
import { type At, holding, holdingToRead, inWorkspace, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  file: string;
}

/** What an archive of all keys holds. */
export interface KeptKeys {
  file: string;
  /** Files of the vault, and records of keys. */
  secrets: number;
  records: number;
}

const inVault = "vault/";
const inWorkspaceFolder = "workspace/";

/** Records of keys: entries of clients' histories. */
const recordForm = /^clients\/[a-z0-9-]+\/history\/(?:key|request|profile)-[\w.-]+\.json$/;

/** Largest archive that is read, and that it unpacks to, in bytes. */
const largest = 512 * 1024 * 1024;

/**
 * Writes the vault and what is recorded of its keys into one file, locked by the pass phrase of the vault: for a safe.
 * Stops: passphrase-wrong, write-failed
 */
export const exportKeys = operation(async (input: Input, ports): Promise<KeptKeys> => {
  const workspace = await openWorkspace(input, ports);
  const vault = vaultOf(workspace, ports);
  const passPhrase = await ports.passPhrase("of the vault");
  // A file that nobody can open later is no copy.
  await openVault(vault, passPhrase);
  return holdingToRead(vault.root, async () => {
    const files: Record<string, Uint8Array> = {};
    for (const path of vaultFiles(vault.root)) files[`${inVault}${path}`] = readInside(vault.root, path, path);
    const secrets = Object.keys(files).length;
    for (const file of recordFiles(workspace.root))
      files[`${inWorkspaceFolder}${file}`] = readInside(workspace.root, file, file);
    const locked = await lockWith(passPhrase, zipSync(files, { level: 6 }));
    const target = resolve(ports.folder, input.file);
    writeWhole(target, locked);
    return { file: target, secrets, records: Object.keys(files).length - secrets };
  });
});

/** Files of a vault, without what holds it. */
const vaultFiles = (root: string): string[] =>
  entriesOf(root, root)
    .filter(({ name }) => name !== ".oxalis")
    .flatMap(({ name, isFolder }) => (isFolder ? filesBelow(root, name).map(({ path }) => path) : [name]));

const recordFiles = (root: string): string[] =>
  lookAt(root, "clients")
    ? entriesOf(resolve(root, "clients"), "clients")
        .filter(({ isFolder, name }) => isFolder && lookAt(root, `clients/${name}/history`)?.isDirectory())
        .flatMap(({ name }) => filesBelow(root, `clients/${name}/history`).map(({ path }) => path))
        .filter((path) => recordForm.test(path))
    : [];

/**
 * Brings back what an archive holds: a vault where there is none, and records that are missing. What is there and says
 * something else stays, and is told. Stops: passphrase-wrong, vault-damaged, key-in-use
 */
export const restoreKeys = operation(async (input: Input, ports): Promise<KeptKeys> => {
  const folder = vaultFolder(await openWorkspace(input, ports), ports);
  const { path, name, bytes: locked } = readNamed(ports, input.file);
  const opened = await unlockWith(await ports.passPhrase("of the archive"), locked);
  if (!opened) refuse("passphrase-wrong", `${name} does not open by this pass phrase.`);
  const files = Object.entries(unzipped(opened, name));
  const secrets = files.flatMap(([name, content]) => within(name, inVault, content));
  const records = files.flatMap(([name, content]) => within(name, inWorkspaceFolder, content));
  makeRoot(folder);
  return holding(folder, () =>
    inWorkspace(input, ports, { writes: true }, async ({ root }) => {
      if (vaultAt(folder) || vaultFiles(folder).length > 0)
        refuse("vault-damaged", `${folder} is not empty: a vault is restored where there is none.`, {
          fix: "Name another folder, or move what is there away.",
        });
      const other = records.find(
        ([file, content]) => lookAt(root, file) && strFromU8(readInside(root, file, file)) !== strFromU8(content),
      );
      if (other)
        refuse("key-in-use", `${other[0]} says something else than the archive.`, {
          fix: "Find out which is true, and move the other away.",
        });
      putSealed(folder, secrets);
      writeTogether(
        root,
        records.filter(([file]) => !lookAt(root, file)),
      );
      return { file: path, secrets: secrets.length, records: records.length };
    }),
  );
});

function unzipped(bytes: Uint8Array, shown: string): Record<string, Uint8Array> {
  let size = 0;
  try {
    return unzipSync(bytes, {
      filter: ({ originalSize }) => {
        size += originalSize;
        return size <= largest;
      },
    });
  } catch {
    return refuse("key-unreadable", `${shown} holds no archive of keys.`);
  }
}

/** A file of an archive, where it lies in this part of it and leads nowhere else. */
function within(name: string, part: string, content: Uint8Array): [string, Uint8Array][] {
  const file = name.startsWith(part) ? name.slice(part.length) : "";
  const isFit = part === inVault || recordForm.test(file);
  return file !== "" && leadsDown(file) && isFit ? [[file, content]] : [];
}
