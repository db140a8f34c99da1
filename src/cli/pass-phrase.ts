import { readFileSync } from "node:fs";
import { createInterface } from "node:readline";
import { Writable } from "node:stream";
import { refuse } from "../core/ground/problems/result.ts";
import { type Secret, secretOf } from "../core/ground/values/secret.ts";

/** The variable that gives the pass phrase where nobody can be asked. */
const variable = "OXALIS_PASSPHRASE";

/**
 * A pass phrase: from a file descriptor, from the environment, or typed without being shown. Never from an argument,
 * which everybody on a machine can read.
 * @param fd the descriptor's number, as it was given
 */
export async function passPhrase(purpose: string, fd: string | undefined): Promise<Secret> {
  if (fd !== undefined) return secretOf(fromDescriptor(fd));
  const own = process.env[variable];
  if (own !== undefined) return secretOf(own);
  if (!process.stdin.isTTY || !process.stderr.isTTY)
    return refuse("passphrase-missing", `The pass phrase ${purpose} is not given, and nobody can be asked here.`);
  const typed = await asked(`Pass phrase ${purpose}: `);
  if (purpose.startsWith("for the new") && typed !== (await asked("Once more: ")))
    return refuse("passphrase-missing", "The two are not the same.");
  return secretOf(typed);
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
