import type { Problem } from "../../core/ground/problems/problem.ts";
import type { Colors, ShownAs } from "./terminal.ts";

/**
 * A problem as a producer reads it: what, where, the line itself, what was expected, how to fix it.
 * @param whose what stands before the message.
 */
export function showProblem(problem: Problem, colors: Colors, whose = ""): string {
  const { message, code, place, expected } = problem;
  const lines = [`${severityOf(problem, colors)}  ${whose}${message}  ${colors.dim(`[${code}]`)}`];
  if (place) {
    const number = String(place.line);
    const gutter = " ".repeat(number.length);
    const { shown, column } = excerpt(place.text, place.column);
    lines.push(`   ${colors.cyan(`${place.file}:${place.line}:${place.column}`)}`);
    if (shown.trim()) {
      lines.push(`   ${colors.dim(`${number} |`)} ${shown}`);
      lines.push(`   ${colors.dim(`${gutter} |`)} ${" ".repeat(column - 1)}${colors.red("^")}`);
    }
  }
  if (expected) lines.push(`   ${colors.dim("expected")}  ${expected}`);
  lines.push(`   ${colors.dim("to do")}     ${actionOf(problem, colors)}`);
  return lines.join("\n");
}

export const severityOf = ({ severity }: Problem, colors: Colors): string =>
  severity === "error"
    ? colors.red(colors.bold("error"))
    : severity === "warning"
      ? colors.yellow(colors.bold("warning"))
      : colors.dim("note");

/** What is shown of problems: errors alone where that is asked for, notes only where everything is. */
export const isShown = ({ severity }: Problem, { quiet, verbose }: ShownAs): boolean =>
  severity === "error" || (!quiet && (severity === "warning" || verbose === true));

/** What to do next, and who has to act where that is not whoever reads it. */
export const actionOf = ({ fix, who }: Problem, colors: Colors): string =>
  who === "producer" ? fix : `${fix}  ${colors.dim(`(for the ${who})`)}`;

/** Each character that would steer the terminal as one mark, so that the column stays where it is. */
const plainLine = (text: string): string => text.replaceAll("\t", " ").replace(/[\p{Cc}\p{Bidi_C}]/gu, "\ufffd");

/** The part of a long line around the column; tabs become blanks, so that the mark stands under the right letter. */
function excerpt(text: string, column: number): { shown: string; column: number } {
  const line = plainLine(text);
  const most = 90;
  if (line.length <= most) return { shown: line, column };
  const start = Math.max(0, Math.min(column - 1 - 40, line.length - most));
  return { shown: line.slice(start, start + most), column: column - start };
}

export const showProblems = (problems: readonly Problem[], colors: Colors): string =>
  problems.map((each) => showProblem(each, colors)).join("\n\n");
