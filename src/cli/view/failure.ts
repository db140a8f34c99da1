import type { Problem } from "../../core/problems/problem.ts";
import { placeData } from "./data.ts";
import { showProblems } from "./problems.ts";
import { openTerminal, type Settings, type Terminal } from "./terminal.ts";

/** Tells why a command could not do its work; gives the exit code. */
export function showFailure(problems: readonly Problem[], terminal: Terminal): number {
  if (terminal.settings.json) terminal.json({ problems: problems.map(placeData) });
  else terminal.note(showProblems(problems, terminal.err));
  return 1;
}

/** Tells of what should not have happened; gives the exit code. */
export function reportFailure(error: unknown, settings: Settings): number {
  const { note, err } = openTerminal(settings);
  if ((error as NodeJS.ErrnoException).syscall === "uv_cwd") {
    note("The folder you are in is no longer there. Go to another one, and try again.");
    return 1;
  }
  const message = error instanceof Error ? (error.stack ?? error.message) : String(error);
  note(`${err.red("Oxalis itself has failed; this is a defect, please report it:")}\n${message}`);
  return 1;
}
