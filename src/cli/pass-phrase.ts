import { readFileSync } from "node:fs";
import { createInterface } from "node:readline";
import { Writable } from "node:stream";
import { refuse } from "../core/ground/problems/result.ts";
import { type Secret, secretOf } from "../core/ground/values/secret.ts";

/** The variables that give them where nobody can be asked. */
const variables = { vault: "OXALIS_PASSPHRASE", store: "OXALIS_STORE_PASSWORD" } as const;

/**
 * A pass phrase: from a file descriptor, from the environment, or typed without being shown. Never from an argument,
 * which everybody on a machine can read.
 * @param fd the descriptor's number, as it was given
 */
export async function passPhrase(purpose: string, fd: string | undefined): Promise<Secret> {
  if (fd !== undefined) return secretOf(fromDescriptor(fd));
  const typed = fromEnvironment(variables.vault) ?? (await askedFor(`pass phrase ${purpose}`));
  const isNew = purpose.startsWith("for the new") && fromEnvironment(variables.vault) === undefined;
  if (isNew && typed !== (await asked("Once more: "))) return refuse("passphrase-missing", "The two are not the same.");
  return secretOf(typed);
}

/** The password of a key store: from the environment, or typed without being shown. */
export const storePassword = async (file: string): Promise<Secret> =>
  secretOf(fromEnvironment(variables.store) ?? (await askedFor(`password of ${file}`)));

const fromEnvironment = (variable: string): string | undefined => process.env[variable];

/** Asks on the terminal. Stops: passphrase-missing, where nobody can be asked. */
async function askedFor(what: string): Promise<string> {
  if (!process.stdin.isTTY || !process.stderr.isTTY)
    return refuse("passphrase-missing", `The ${what} is not given, and nobody can be asked here.`);
  return asked(`${what.charAt(0).toUpperCase()}${what.slice(1)}: `);
}

function fromDescriptor(fd: string): string {
  if (!/^\d{1,4}$/.test(fd))
    return refuse("passphrase-missing", `"${fd}" is no file descriptor.`, { expected: "a number, such as 3" });
  try {
    return readFileSync(Number(fd), "utf8").replace(/\r?\n$/, "");
  } catch (error) {
    return refuse(
      "passphrase-missing",
      `File descriptor ${fd} cannot be read: ${(error as NodeJS.ErrnoException).code}.`,
    );
  }
}

/** Asks on the terminal; what is typed is not shown. */
function asked(question: string): Promise<string> {
  process.stderr.write(question);
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, output: silent, terminal: true });
  return new Promise((resolve) => {
    let answer = "";
    lines.once("line", (line) => {
      answer = line;
      lines.close();
    });
    lines.once("SIGINT", () => {
      process.stderr.write("\n");
      process.exit(130);
    });
    lines.once("close", () => {
      process.stderr.write("\n");
      resolve(answer);
    });
  });
}
