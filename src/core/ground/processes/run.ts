import { spawn } from "node:child_process";
import { createInterface } from "node:readline";
import type { Readable } from "node:stream";
import { problem } from "../problems/problem.ts";
import { fail, type Result, succeed } from "../problems/result.ts";
import { hereFacts } from "../systems/system.ts";
import { mask, reveal, type Secret } from "../values/secret.ts";
import { endAll, markName, newMark } from "./started-by.ts";

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
  /** Told each line that it prints, as it comes; no secret that it was given is in it. */
  onLine?: ((line: string) => void) | undefined;
}

export interface Limits {
  /** It is ended after so many. */
  seconds: number;
  /** Most that it may take of the processor, in seconds; only where the system has such limits (POSIX, ulimit). */
  processorSeconds?: number;
  /** Most that it may take of memory, in bytes; likewise. */
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

/** How long what is printed is waited for once a program has ended, in milliseconds: another may hold its output. */
const grace = 500;

/**
 * Runs another program to its end. It ends with all that it has started, in whatever group or session: when its time
 * is over, when it has ended itself, and when this one ends.
 */
export async function run(program: Program): Promise<Result<Ran>> {
  const { command, args, folder, environment = {}, input, limits } = program;
  const given = [...Object.values(environment), ...(input === undefined ? [] : [input])];
  const secrets = given.filter((each) => typeof each !== "string");
  const mark = newMark();
  const [file, ...rest] = limited(command, args, limits);
  const child = spawn(file, rest, {
    cwd: folder,
    env: { ...plain(environment), [markName]: mark },
    stdio: "pipe",
    detached: hereFacts().hasGroups, // a group of its own, which ends as one
  });
  const end = () => endAll(child.pid, mark);
  process.once("exit", end);
  let isLate = false;
  const timer = setTimeout(() => {
    isLate = true;
    end();
  }, limits.seconds * 1000);
  const [out, err] = [kept(child.stdout, limits.output), kept(child.stderr, limits.output)];
  const { onLine } = program;
  if (onLine)
    for (const input of [child.stdout, child.stderr])
      createInterface({ input, crlfDelay: Number.POSITIVE_INFINITY }).on("line", (line) => onLine(mask(line, secrets)));
  child.stdin.on("error", () => {}); // it may end before it has read everything
  child.stdin.end(input === undefined ? "" : textOf(input));
  const ended = await endOf(child);
  clearTimeout(timer);
  end();
  await Promise.race([Promise.all([out.closed, err.closed]), pause(grace)]);
  process.off("exit", end);
  for (const stream of [child.stdout, child.stderr]) stream.destroy();
  if (ended === "missing") return fail(problem("program-missing", `${command} is not on this machine.`));
  if (isLate) return fail(problem("program-late", `${command} was ended after ${limits.seconds} seconds.`));
  return succeed({ code: ended, out: mask(out.text(), secrets), err: mask(err.text(), secrets) });
}

/** A call that sets limits for itself, and becomes the program (POSIX, sh); as it is, where the system has none. */
function limited(
  command: string,
  args: readonly string[],
  { memory, processorSeconds }: Limits,
): [string, ...string[]] {
  const set = [
    ...(memory === undefined ? [] : [`ulimit -v ${Math.floor(memory / 1024)}`]),
    ...(processorSeconds === undefined ? [] : [`ulimit -t ${processorSeconds}`]),
  ];
  if (set.length === 0 || !hereFacts().hasLimits) return [command, ...args];
  return ["/bin/sh", "-c", [...set, 'exec "$0" "$@"'].join(" && "), command, ...args];
}

/** The code of a program that a signal has ended (POSIX, sh: 128 and the signal's number, which is not told here). */
const signalled = 128;

/** The code that a program ended with; or that there is none of its name. */
const endOf = (child: ReturnType<typeof spawn>): Promise<number | "missing"> =>
  new Promise((ended, failed) => {
    child.once("exit", (code) => ended(code ?? signalled));
    child.once("error", (error: NodeJS.ErrnoException) => (error.code === "ENOENT" ? ended("missing") : failed(error)));
  });

const pause = (milliseconds: number): Promise<void> =>
  new Promise((over) => {
    setTimeout(over, milliseconds).unref();
  });

const textOf = (value: string | Secret): string => (typeof value === "string" ? value : reveal(value));

const plain = (environment: Readonly<Record<string, string | Secret>>): Record<string, string> =>
  Object.fromEntries(Object.entries(environment).map(([name, value]) => [name, textOf(value)]));

/** Keeps what a stream gives, up to a limit; the rest is read, so that nobody waits, and passed over. */
function kept(stream: Readable, most: number): { text(): string; closed: Promise<void> } {
  const parts: Buffer[] = [];
  let size = 0;
  stream.on("data", (chunk: Buffer) => {
    const room = Math.max(0, most - size);
    if (room > 0) parts.push(chunk.subarray(0, room));
    size += chunk.length;
  });
  const closed = new Promise<void>((over) => {
    stream.once("close", () => over());
  });
  return { text: () => Buffer.concat(parts).toString("utf8"), closed };
}
