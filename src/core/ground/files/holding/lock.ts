import { readFileSync } from "node:fs";
import { hostname } from "node:os";
import { setTimeout } from "node:timers/promises";
import { type Problem, problem } from "../../problems/problem.ts";
import { stop } from "../../problems/result.ts";
import { bootMark, isRunning, startedAt } from "../../systems/running.ts";
import { lookAt, move, nameAnew, put, removeFile, removeTree, through } from "../writing/door.ts";
import { scratchName } from "../writing/scratch.ts";

/** Who holds a workspace. */
interface Holder {
  form: 1;
  /** Of this one hold, and no other. */
  token: string;
  pid: number;
  host: string;
  /** When the machine and the process were started: tells a process from a later one with the same number. */
  boot: string;
  started: string;
  /** As an ISO time. */
  since: string;
}

const lockFile = ".oxalis/lock";

/** How long a run waits for another to end, and how often it looks, in milliseconds. */
export const patience = { all: 6_000, step: 250 };

/** What this process holds: tokens by workspace. */
const held = new Map<string, string>();

/** Empty where the clock says nothing that a calendar knows. */
const isoNow = (): string => {
  const now = new Date();
  return Number.isNaN(now.getTime()) ? "" : now.toISOString();
};

let counter = 0;

const self = (): Holder => ({
  form: 1,
  token: `${process.pid}-${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}-${counter++}`,
  pid: process.pid,
  host: hostname(),
  boot: bootMark(),
  started: startedAt(process.pid),
  since: isoNow(),
});

/**
 * Holds a workspace for one run that writes. The hold ends with its process, not with the clock: a run that stands
 * still keeps it, one that is dead has none. @param opened is done first, when the workspace is held. Stops:
 * run-in-progress
 */
export async function withLock<T>(
  root: string,
  work: () => Promise<T>,
  opened?: () => void,
  wait = patience.all,
): Promise<T> {
  const holder = self();
  for (let waited = 0; !takeLock(root, holder); waited += patience.step) {
    if (waited >= wait) stop([inProgress(holderOf(root))]);
    await setTimeout(patience.step);
  }
  held.set(root, holder.token);
  try {
    opened?.();
    return await work();
  } finally {
    held.delete(root);
    if (holderOf(root)?.token === holder.token) removeFile(root, lockFile);
  }
}

/** Whether a run that lives holds it. */
export function isHeld(root: string): boolean {
  const holder = holderOf(root);
  return holder !== undefined && !isDead(holder);
}

/** Takes the lock where nobody has it, or somebody dead. */
function takeLock(root: string, holder: Holder): boolean {
  const beside = scratchName();
  try {
    // Written beside first: a lock that is there says whose it is, whenever its writer dies.
    put(root, beside, JSON.stringify(holder));
    nameAnew(root, beside, lockFile);
    return true;
  } catch (error) {
    // Another run may have cleared what was written beside.
    if (!/^(EEXIST|ENOENT)$/.test((error as NodeJS.ErrnoException).code ?? "")) throw error;
  } finally {
    removeFile(root, beside);
  }
  const other = holderOf(root);
  if (other && isDead(other)) takeAway(root, other.token, holder.token);
  return false;
}

/** Takes a dead run's lock away; where another run was quicker and this is its own, it gets it back. */
function takeAway(root: string, dead: string, token: string): void {
  const away = `.oxalis/lock.${token}`;
  try {
    move(root, lockFile, away);
  } catch {
    return; // it has been taken away
  }
  if (holderOf(root, away)?.token !== dead && !lookAt(root, lockFile)) move(root, away, lockFile);
  else removeFile(root, away);
}

/** What a lock says; undefined where there is none, or it says nothing that can be read. */
function holderOf(root: string, file = lockFile): Holder | undefined {
  try {
    const holder = JSON.parse(readFileSync(through(root, file), "utf8")) as Holder;
    return holder.form === 1 && typeof holder.token === "string" ? holder : undefined;
  } catch {
    return undefined;
  }
}

/** Whether a holder's process has ended; of one on another machine nobody here can tell. */
function isDead({ host, boot, pid, started }: Holder): boolean {
  if (host !== hostname()) return false;
  return boot !== bootMark() || !isRunning(pid) || started !== startedAt(pid);
}

function inProgress(holder: Holder | undefined): Problem {
  if (!holder) return problem("run-in-progress", "A lock is here that no run wrote: .oxalis/lock.");
  const where = holder.host === hostname() ? "" : ` on the machine ${holder.host}`;
  const future = Date.parse(holder.since) > Date.now() + 60_000 ? ", by a clock that is ahead of this one" : "";
  return problem(
    "run-in-progress",
    `Another run is at work here: process ${holder.pid}${where}, since ${holder.since}${future}.`,
  );
}

/** Refuses to go on where this process held a workspace and no longer does. */
export function assertHeld(root: string): void {
  const token = held.get(root);
  if (token !== undefined && holderOf(root)?.token !== token)
    stop([problem("lock-lost", "The hold on this workspace was taken from this run.")]);
}

/** Takes a lock away, whoever has it. What it said; undefined where there was none. */
export function breakLock(root: string): string | undefined {
  const stat = lookAt(root, lockFile);
  if (!stat) return undefined;
  const holder = holderOf(root);
  if (stat.isDirectory()) removeTree(root, lockFile);
  else removeFile(root, lockFile);
  return holder ? `process ${holder.pid} on ${holder.host}, since ${holder.since}` : "nobody who can be read";
}
