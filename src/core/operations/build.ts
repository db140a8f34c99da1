import { type BuildInput, type BuildsMade, buildAll } from "./running/all-builds.ts";
import { handingOut } from "./running/machines.ts";
import { operation } from "./running/operation.ts";
import type { Ports } from "./running/ports.ts";
import { eventLines, overOf } from "./running/telling.ts";
import { openWorkspace } from "./running/workspace.ts";

interface Input extends BuildInput {
  /** Other machines build, by the queue that oxalis.yaml names. */
  queue: boolean;
  /** Write what happens into this file, a line of JSON an event. */
  events?: string | undefined;
}

/** Builds what has changed since its last good build, by the agency's own commands, each number once. */
export const buildPackages = operation(async (input: Input, given): Promise<BuildsMade> => {
  const write = input.events === undefined || input.dryRun ? undefined : eventLines(input.events, given);
  const ports: Ports = write
    ? {
        ...given,
        on: (event) => {
          write(event);
          given.on(event);
        },
      }
    : given;
  const handing = input.queue && !input.dryRun ? await handingOut(await openWorkspace(input, ports), ports) : undefined;
  try {
    const made = await buildAll(input, handing, ports);
    write?.(overOf(made.builds));
    return made;
  } finally {
    await handing?.close();
  }
});
