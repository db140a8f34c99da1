import { readdirSync, readFileSync } from "node:fs";

/** Whether there is a process of this number; also somebody else's. */
export function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code !== "ESRCH";
  }
}

/**
 * Processes in whose environment a variable has a value; none where the system does not show environments (Linux,
 * proc(5)).
 */
export function runningWith(name: string, value: string): number[] {
  const wanted = `${name}=${value}`;
  return idsOfAll().filter((pid) => {
    try {
      return readFileSync(`/proc/${pid}/environ`, "latin1").split("\0").includes(wanted);
    } catch {
      return false; // it has ended, or is somebody else's
    }
  });
}

function idsOfAll(): number[] {
  try {
    return readdirSync("/proc").map(Number).filter(Number.isInteger);
  } catch {
    return [];
  }
}
