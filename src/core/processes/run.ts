import { execa } from "execa";
import { problem } from "../problems/problem.ts";
import { fail, type Result, succeed } from "../problems/result.ts";
import { mask, reveal, type Secret } from "../values/secret.ts";

/** Another program, as it is started. */
export interface Program {
  command: string;
  args: readonly string[];
  /** The folder it works in, absolute. */
  folder: string;
  /** Its whole environment; nothing of this program's own is given on. */
  environment?: Readonly<Record<string, string | Secret>>;
  /** What it reads from its standard input. */
  input?: string | Secret;
  limits: Limits;
}

export interface Limits {
  /** It is ended after so many. */
  seconds: number;
  /** Most that it may take of memory, in bytes; only where the system has such limits (POSIX, ulimit). */
  memory?: number;
  /** Most that is kept of what it prints, in bytes; the rest is passed over. */
  output: number;
}

/** How a program ended. What it printed has no secret in it that it was given. */
export interface Ran {
  code: number;
  out: string;
  err: string;
}

/** Sets the limit of memory for itself, and becomes the program (POSIX, sh). */
const limiting = ["-c", 'ulimit -v "$0" && exec "$@"'] as const;

/**
 * Runs another program to its end. It ends with all that it has started: when its time is over, and when this one
 * ends.
 */
export async function run(program: Program): Promise<Result<Ran>> {
  const { command, args, folder, environment = {}, input, limits } = program;
  const given = [...Object.values(environment), ...(input === undefined ? [] : [input])];
  const secrets = given.filter((each) => typeof each !== "string");
  const isLimited = limits.memory !== undefined && process.platform !== "win32";
  const kibibytes = String(Math.floor((limits.memory ?? 0) / 1024));
  const started = execa(
    isLimited ? "/bin/sh" : command,
    isLimited ? [...limiting, kibibytes, command, ...args] : [...args],
    {
      cwd: folder,
      env: plain(environment),
      extendEnv: false,
      input: input === undefined ? "" : textOf(input),
      reject: false,
      buffer: false,
      detached: process.platform !== "win32", // a group of its own, which ends as one
    },
  );
  const end = () => endGroup(started.pid);
  process.once("exit", end);
  let isLate = false;
  const timer = setTimeout(() => {
    isLate = true;
    end();
  }, limits.seconds * 1000);
  const [out, err] = [kept(started.stdout, limits.output), kept(started.stderr, limits.output)];
  const ended = await started;
  clearTimeout(timer);
  process.off("exit", end);
  end();
  if (ended.code === "ENOENT") return fail(problem("program-missing", `${command} is not on this machine.`));
  if (isLate) return fail(problem("program-late", `${command} was ended after ${limits.seconds} seconds.`));
  return succeed({
    code: ended.exitCode ?? signalled,
    out: mask(out(), secrets),
    err: mask(err(), secrets),
  });
}

/**
 * The code of a program that a signal has ended (POSIX, sh: 128 and the signal's number; which one is not told here).
 */
const signalled = 128;

const textOf = (value: string | Secret): string => (typeof value === "string" ? value : reveal(value));

const plain = (environment: Readonly<Record<string, string | Secret>>): Record<string, string> =>
  Object.fromEntries(Object.entries(environment).map(([name, value]) => [name, textOf(value)]));

/** Keeps what a stream gives, up to a limit; the rest is read, so that nobody waits, and passed over. */
function kept(stream: NodeJS.ReadableStream, most: number): () => string {
  const parts: Buffer[] = [];
  let size = 0;
  stream.on("data", (chunk: Buffer) => {
    const room = Math.max(0, most - size);
    if (room > 0) parts.push(chunk.subarray(0, room));
    size += chunk.length;
  });
  return () => Buffer.concat(parts).toString("utf8");
}

function endGroup(pid: number | undefined): void {
  if (pid === undefined) return;
  try {
    process.kill(process.platform === "win32" ? pid : -pid, "SIGKILL");
  } catch {
    // It has ended, and so has all that it started.
  }
}
