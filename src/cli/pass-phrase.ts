import { readFileSync } from "node:fs";
import { createInterface } from "node:readline";
import { Writable } from "node:stream";
import { refuse } from "../core/ground/problems/result.ts";
import { type Secret, secretOf } from "../core/ground/values/secret.ts";

/** The variables that give them where nobody can be asked. */
const variables = {
  vault: "OXALIS_PASSPHRASE",
  store: "OXALIS_STORE_PASSWORD",
  handOver: "OXALIS_HAND_OVER_PASSPHRASE",
} as const;

/**
 * A pass phrase: from a file descriptor, from the environment, or typed without being shown. Never from an argument,
 * which everybody on a machine can read.
 * @param fd the descriptor's number, as it was given
 */
export async function passPhrase(purpose: string, fd: string | undefined): Promise<Secret> {
  if (fd !== undefined) return secretOf(fromDescriptor(fd));
  const own = fromEnvironment(variables.vault);
  if (own !== undefined) return secretOf(own);
  if (purpose.startsWith("for the new")) return newPhrase(purpose);
  const [typed = ""] = await askedFor(`pass phrase ${purpose}`);
  return secretOf(typed);
}

/** The pass phrase of what is handed over: from the environment, or typed twice. */
export async function handOverPhrase(): Promise<Secret> {
  const own = fromEnvironment(variables.handOver);
  return own === undefined ? newPhrase("for the archive that is handed over") : secretOf(own);
}

async function newPhrase(purpose: string): Promise<Secret> {
  const [typed = "", again] = await askedFor(`pass phrase ${purpose}`, "once more");
  if (typed !== again) return refuse("passphrase-missing", "The two are not the same.");
  return secretOf(typed);
}

/** The password of a key store: from the environment, or typed without being shown. */
export async function storePassword(file: string): Promise<Secret> {
  const own = fromEnvironment(variables.store);
  const [typed = ""] = own === undefined ? await askedFor(`password of ${file}`) : [own];
  return secretOf(typed);
}

const fromEnvironment = (variable: string): string | undefined => process.env[variable];

/** Asks on the terminal, one thing after the other. Stops: passphrase-missing, where nobody can be asked. */
async function askedFor(what: string, ...more: readonly string[]): Promise<string[]> {
  if (!process.stdin.isTTY || !process.stderr.isTTY)
    return refuse("passphrase-missing", `The ${what} is not given, and nobody can be asked here.`);
  return asked([what, ...more].map((each) => `${each.charAt(0).toUpperCase()}${each.slice(1)}: `));
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

/** What is typed is not shown: from before the first question is there until after the last one is answered. */
function asked(questions: readonly string[]): Promise<string[]> {
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, output: silent, terminal: true });
  const ask = (question = "") => process.stderr.write(question);
  ask(questions[0]);
  return new Promise((resolve) => {
    const answers: string[] = [];
    lines.on("line", (line) => {
      answers.push(line);
      ask("\n");
      if (answers.length < questions.length) ask(questions[answers.length]);
      else lines.close();
    });
    lines.once("SIGINT", () => {
      ask("\n");
      process.exit(130);
    });
    lines.once("close", () => resolve(answers));
  });
}
