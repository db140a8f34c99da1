import { problem, Refusal } from "../../core/problems/problem.ts";
import { placed } from "./data.ts";
import { showProblems } from "./problems.ts";
import { openTerminal, type Settings } from "./terminal.ts";

/** Tells why a command could not do its work; gives the exit code. */
export function reportFailure(error: unknown, settings: Settings): number {
  const terminal = openTerminal(settings);
  if (error instanceof Refusal) {
    if (process.argv.includes("--json")) terminal.json({ problems: error.problems.map(placed) });
    else terminal.note(showProblems(error.problems, terminal.err));
    return 1;
  }
  if ((error as NodeJS.ErrnoException).syscall === "uv_cwd") {
    terminal.note("The folder you are in is no longer there. Go to another one, and try again.");
    return 1;
  }
  const { code, syscall, message: said } = error as NodeJS.ErrnoException;
  if (code !== undefined && syscall !== undefined) {
    const told = problem(
      /^(E?ROFS|EACCES|EPERM|ENOSPC|EDQUOT)$/.test(code) ? "write-failed" : "file-unreadable",
      `${said}.`,
    );
    if (process.argv.includes("--json")) terminal.json({ problems: [placed(told)] });
    else terminal.note(showProblems([told], terminal.err));
    return 1;
  }
  const message = error instanceof Error ? (error.stack ?? error.message) : String(error);
  terminal.note(
    `${terminal.err.red("Oxalis itself has failed; this is a defect, please report it:")}\n${message}`,
  );
  return 1;
}
