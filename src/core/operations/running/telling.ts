import { resolve } from "node:path";
import { openLines } from "../../ground/files/writing/lines.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { systemFacts, thisSystem } from "../../ground/systems/system.ts";
import { ofMachine } from "../../making/building/environment.ts";
import type { BuildOutcome } from "../../making/building/outcome.ts";
import type { Event, Ports } from "./ports.ts";

/** The longest that the agency's command may take, in seconds, and the most of what it prints that is kept. */
const limits = { seconds: 120, output: 64 * 1024 };

/** Writes what happens into a file, a line of JSON an event; what was in it is gone. Stops: write-failed */
export function eventLines(file: string, { folder }: Pick<Ports, "folder">): (event: Event | Over) => void {
  const write = openLines(resolve(folder, file));
  return (event) => {
    if (event.what === "building" || event.what === "built" || event.what === "line" || event.what === "over")
      write(JSON.stringify({ at: new Date().toISOString(), ...event }));
  };
}

/** That nothing more follows. */
interface Over {
  what: "over";
  good: number;
  failed: number;
}

export const overOf = (builds: readonly BuildOutcome[]): Over => ({
  what: "over",
  good: builds.filter(({ state }) => state === "good").length,
  failed: builds.filter(({ state }) => state === "failed").length,
});

/**
 * Runs the agency's command when builds are done: it gets what became of each as JSON to read. What is wrong with it is
 * told, and is no fault of the builds.
 */
export async function tellWhenDone(
  command: string,
  root: string,
  builds: readonly BuildOutcome[],
  ports: Ports,
): Promise<Problem[]> {
  const system = thisSystem();
  const [shell, ...before] = systemFacts[system].shell;
  const { good, failed } = overOf(builds);
  const ran = await ports.run({
    command: shell,
    args: [...before, command],
    folder: root,
    environment: { ...ofMachine(system, [], ports.variable), BUILDS_GOOD: String(good), BUILDS_FAILED: String(failed) },
    input: JSON.stringify(builds),
    limits,
  });
  if (ran.ok && ran.value.code === 0) return [];
  const why = ran.ok ? `ended with ${ran.value.code}` : (ran.problems[0]?.message ?? "did not run");
  return [problem("telling-failed", `"${command}" ${why}.`, { severity: "warning" })];
}
