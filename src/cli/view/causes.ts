import { stringify } from "yaml";
import { problemKinds } from "../../core/ground/problems/catalogue.ts";
import type { Settlement } from "../../core/ground/problems/problem.ts";
import type { CauseFound } from "../../core/proving/audit/causes.ts";
import { showProblem } from "./problems.ts";
import { type Colors, countOf } from "./terminal.ts";

/** Most places, and most entries that settle them, that are shown of one cause. */
const mostPlaces = 6;

/**
 * A cause as a producer reads it: in which variants, what, where, and the very lines that settle it. @param of how
 * many variants there are.
 */
export function showCause(cause: CauseFound, of: number, verbose: boolean, colors: Colors): string {
  const { problem, clients, places, settle, questions } = cause;
  // What stands alone says all of itself.
  if (!problem.cause || (places.length === 1 && clients.length === 1 && settle.length === 0))
    return showProblem(problem, colors);
  const { title } = problemKinds[problem.code];
  const { text, from } = problem.cause;
  const what = text === undefined ? title : `"${text}": ${title.charAt(0).toLowerCase()}${title.slice(1)}`;
  const who =
    clients.length === 1
      ? `in ${clients[0]}`
      : clients.length === of
        ? `in all ${of} variants`
        : `in ${clients.length} of ${of} variants`;
  const severity =
    problem.severity === "error" ? colors.red(colors.bold("error")) : colors.yellow(colors.bold("warning"));
  const lines = [
    `${severity}  ${who}: ${what}, ${countOf(places.length, "place")}  ${colors.dim(`[${problem.code}]`)}`,
  ];
  if (from && from.file !== "template.yaml")
    lines.push(`   ${colors.dim("said by")}   ${from.file}:${from.line}:${from.column}`);
  // The same in all of them, a place needs no variant's name.
  const isSame = clients.length === 1 || (clients.length === of && problem.code === "residue-picture");
  const shown = verbose ? places : places.slice(0, mostPlaces);
  for (const { file, line, column, message, said, text: written } of shown) {
    const at = line === undefined ? file : `${file}:${line}:${column}`;
    const beside = written ? excerpt(written) : text !== undefined ? "" : isSame ? said : message;
    lines.push(`   ${colors.cyan(at)}${beside ? `  ${colors.dim(beside)}` : ""}`);
  }
  const more = places.length - shown.length;
  if (more > 0) lines.push(`   ${colors.dim(`and ${more} more; --verbose lists them`)}`);
  if (settle.length > 0) lines.push(`   ${colors.dim("to do")}     ${settlementText(settle, verbose)}`);
  const asked = settle.length === 0 && questions.length === 0 ? [problem.fix] : questions;
  for (const each of asked.slice(0, mostPlaces))
    lines.push(`   ${colors.dim(settle.length > 0 ? "to ask" : "to do ")}    ${each}`);
  return lines.join("\n");
}

const excerpt = (line: string): string => {
  const plain = line.trim().replaceAll("\t", " ");
  return plain.length > 72 ? `${plain.slice(0, 71)}…` : plain;
};

/** Entries by the list that they go into, as template.yaml has them. */
function settlementText(settle: readonly Settlement[], verbose: boolean): string {
  const shown = verbose ? settle : settle.slice(0, mostPlaces);
  const lists = new Map<string, unknown[]>();
  for (const { list, entry } of shown) lists.set(list, [...(lists.get(list) ?? []), entry]);
  const text = stringify(Object.fromEntries(lists), { lineWidth: 0 }).trimEnd();
  const more = settle.length - shown.length;
  const head = `in template.yaml${more > 0 ? ` (and ${more} more; --verbose lists them)` : ""}:`;
  return [head, ...text.split("\n").map((line) => `             ${line}`)].join("\n");
}
