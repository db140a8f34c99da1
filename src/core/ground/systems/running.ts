import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { attempted } from "../values/attempted.ts";
import { hereFacts } from "./system.ts";

/** What is known of programs that run, by how a system tells it; nothing where it does not. */
interface Teller {
  /** A mark of the machine's start; empty where nothing tells. */
  boot(): string;
  /** When a program was started; empty of one that has ended, also where nobody has waited for its end yet. */
  started(pid: number): string;
  /** Programs in whose environment a variable has a value. */
  having(name: string, value: string): number[];
}

const textOf = (path: string): string => attempted(() => readFileSync(path, "utf8").trim()) ?? "";

/** What `ps` prints of one, or of all: not a word of it depends on the user's language. */
const listed = (...args: string[]): string =>
  attempted(() =>
    execFileSync("/bin/ps", args, {
      ...{ encoding: "utf8", maxBuffer: 64 * 1024 * 1024, timeout: 10_000, stdio: ["ignore", "pipe", "ignore"] },
      env: { LC_ALL: "C" },
    }),
  ) ?? "";

const tellers: Readonly<Record<ReturnType<typeof hereFacts>["tells"], Teller>> = {
  // Linux, proc(5): stat has the state as field 3, and the start in ticks since the machine's as field 22.
  proc: {
    boot: () => textOf("/proc/sys/kernel/random/boot_id"),
    started(pid) {
      const [state = "", ...fields] = textOf(`/proc/${pid}/stat`).split(") ").at(-1)?.split(" ") ?? [];
      return /[ZX]/.test(state) ? "" : (fields[18] ?? "");
    },
    having(name, value) {
      const all = attempted(() => readdirSync("/proc")) ?? [];
      const isMarked = (pid: number) =>
        attempted(() => readFileSync(`/proc/${pid}/environ`, "latin1").split("\0").includes(`${name}=${value}`));
      return all.map(Number).filter((pid) => Number.isInteger(pid) && isMarked(pid));
    },
  },
  // POSIX, ps; the environment behind a command is shown by what it was first written for.
  ps: {
    boot: () => "",
    started(pid) {
      const [state = "", ...since] = listed("-o", "stat=,lstart=", "-p", String(pid)).trim().split(/\s+/);
      return /[ZX]/.test(state) ? "" : since.join(" ");
    },
    having: (name, value) =>
      listed("axeww", "-o", "pid=,command=")
        .split("\n")
        .filter((line) => line.split(" ").includes(`${name}=${value}`))
        .map((line) => Number.parseInt(line, 10)),
  },
  nothing: { boot: () => "", started: () => "", having: () => [] },
};

const teller = (): Teller => tellers[hereFacts().tells];

/** A mark of this start of the machine: another after the next; empty where the system tells nothing of the kind. */
export const bootMark = (): string => teller().boot();

/** When a process was started: tells it from a later one of the same number. Empty where nothing tells. */
export const startedAt = (pid: number): string => teller().started(pid);

/** Processes in whose environment a variable has a value; none where the system does not show environments. */
export const runningWith = (name: string, value: string): number[] => teller().having(name, value);

/** Whether there is a process of this number; also somebody else's. */
export function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code !== "ESRCH";
  }
}

/** Ends a process, and with `tree` what belongs to it: its group, or what the system knows to come from it. */
export function endProcess(pid: number, tree = false): void {
  const { hasGroups } = hereFacts();
  // Windows has no groups, and a command that follows who started whom.
  if (tree && !hasGroups)
    attempted(() => execFileSync("taskkill", ["/pid", String(pid), "/t", "/f"], { stdio: "ignore", timeout: 10_000 }));
  attempted(() => process.kill(tree && hasGroups ? -pid : pid, "SIGKILL"));
}
