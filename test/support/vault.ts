import { spawnSync } from "node:child_process";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { Decrypter, Encrypter, generateIdentity, identityToRecipient } from "age-encryption";
import { callWith, edit, temporaryFolder, workspaceWith } from "./oxalis.ts";

export const passPhrase = "heron kettle anvil moss";

/** A workspace beside its vault, which is not made yet. */
export function withVault(clients: readonly string[]): { folder: string; vault: string } {
  const folder = workspaceWith(clients);
  const vault = join(temporaryFolder(), "vault");
  edit(folder, "oxalis.yaml", (text) => `vault: ${vault}\n${text}`);
  return { folder, vault };
}

/** A pass phrase is guessed at next to no cost (scrypt, N = 2^10); what Oxalis makes costs a second an opening. */
async function putUnder(phrase: string, content: Uint8Array): Promise<Uint8Array> {
  const encrypter = new Encrypter();
  encrypter.setPassphrase(phrase);
  encrypter.setScryptWorkFactor(10);
  return encrypter.encrypt(content);
}

/** Lets a vault be opened cheaply from now on, by the format's own library. */
export async function makeCheap(vault: string): Promise<void> {
  const file = join(vault, "vault-key.age");
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passPhrase);
  writeFileSync(file, await putUnder(passPhrase, await decrypter.decrypt(readFileSync(file))));
}

/** A workspace beside a vault that is there, and cheap to open. */
export async function withCheapVault(clients: readonly string[]): Promise<{ folder: string; vault: string }> {
  const made = withVault(clients);
  await cheapVault(made.vault);
  return made;
}

/** Makes a vault that is cheap to open. */
export async function cheapVault(vault: string): Promise<void> {
  const identity = await generateIdentity();
  const recipient = await identityToRecipient(identity);
  mkdirSync(vault, { mode: 0o700 });
  const ownOnly = { mode: 0o600 };
  writeFileSync(join(vault, "vault.json"), JSON.stringify({ form: 1, recipient }), ownOnly);
  writeFileSync(join(vault, "vault-key.age"), await putUnder(passPhrase, Buffer.from(`${identity}\n`)), ownOnly);
}

/** Runs a command with the pass phrase in its environment, and what else is given. */
export const keyed = (folder: string, args: readonly string[], env: Readonly<Record<string, string>> = {}) =>
  callWith({ OXALIS_PASSPHRASE: passPhrase, ...env }, folder, ...args);

/** Types the pass phrase wherever a program asks for one, on a terminal; gives what the terminal showed. */
export const typed = (...command: string[]) => typedAs(passPhrase, ...command);

/** The same of another pass phrase. */
export function typedAs(phrase: string, ...command: string[]) {
  const script = [
    "import os,pty,re,sys",
    "pid,fd=pty.fork()",
    "if pid==0: os.execvp(sys.argv[2],sys.argv[2:])",
    "seen=b''; asked=0",
    "while True:",
    "  try: part=os.read(fd,4096)",
    "  except OSError: break",
    "  if not part: break",
    "  seen+=part",
    "  now=len(re.findall(rb'(?:passphrase|Pass phrase|Once more)[^\\n]*: ',seen))",
    "  if now>asked: asked=now; os.write(fd,sys.argv[1].encode()+b'\\r')",
    "sys.stdout.buffer.write(seen)",
    "sys.exit(os.waitstatus_to_exitcode(os.waitpid(pid,0)[1]))",
  ].join("\n");
  return spawnSync("python3", ["-c", script, phrase, ...command], { encoding: "utf8" });
}
