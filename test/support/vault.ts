import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { edit, program, temporaryFolder, workspaceWith } from "./oxalis.ts";

export const passPhrase = "heron kettle anvil moss";

/** A workspace beside its vault. */
export function withVault(clients: readonly string[]): { folder: string; vault: string } {
  const folder = workspaceWith(clients);
  const vault = join(temporaryFolder(), "vault");
  edit(folder, "oxalis.yaml", (text) => `vault: ${vault}\n${text}`);
  return { folder, vault };
}

/** Runs a command with the pass phrase in its environment, and what else is given. */
export function keyed(folder: string, args: readonly string[], env: Readonly<Record<string, string>> = {}) {
  const { status, stdout, stderr } = spawnSync("node", [program, ...args], {
    cwd: folder,
    encoding: "utf8",
    env: { ...process.env, NO_COLOR: "1", COLUMNS: "120", OXALIS_PASSPHRASE: passPhrase, ...env },
  });
  return { code: status, out: stdout, err: stderr };
}

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
