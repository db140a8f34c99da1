import { type Problem, problem } from "../../core/ground/problems/problem.ts";
import { rows } from "../rows/table.ts";
import { placeData } from "./data.ts";
import { showProblems } from "./problems.ts";
import { inSource } from "./stack.ts";
import { openTerminal, type ShownAs, type Terminal } from "./terminal.ts";

/** Tells why a command could not do its work; gives the exit code. */
export function showFailure(problems: readonly Problem[], terminal: Terminal): number {
  if (terminal.settings.json) terminal.json({ problems: problems.map(placeData) });
  else terminal.note(showProblems(problems, terminal.err));
  return 1;
}

/** Tells of a call that is no command, in the form of everything else. @param said by what parses calls */
export function reportWrongUse(said: string, words: readonly string[]): void {
  const [first = ""] = words;
  const command = Object.keys(rows).find((name) => name === first);
  const [, message = said, hint] = /^(?:error: )?(.*?)\.?(?:\n\(Did you mean (.*)\?\))?$/s.exec(said) ?? [];
  const fix = `\`oxalis ${command ? `${command} ` : ""}--help\` lists what there is.`;
  const sentence = `${message.charAt(0).toUpperCase()}${message.slice(1)}.`;
  const told = problem("wrong-use", sentence, { fix, ...(hint === undefined ? {} : { expected: hint }) });
  showFailure([told], openTerminal({ json: words.includes("--json") }));
}

/** Tells of what should not have happened; gives the exit code. */
export function reportFailure(error: unknown, settings: ShownAs): number {
  const { note, err } = openTerminal(settings);
  if ((error as NodeJS.ErrnoException).syscall === "uv_cwd") {
    note("The folder you are in is no longer there. Go to another one, and try again.");
    return 1;
  }
  const message = error instanceof Error ? inSource(error.stack ?? error.message) : String(error);
  note(`${err.red("Oxalis itself has failed; this is a defect, please report it:")}\n${message}`);
  return 1;
}
