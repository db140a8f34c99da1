import { problemKinds } from "../../core/ground/problems/catalogue.ts";
import { groupProblems, type ProblemGroup } from "../../core/ground/problems/groups.ts";
import type { Problem } from "../../core/ground/problems/problem.ts";
import { actionOf, severityOf, showProblem } from "./problems.ts";
import { type Colors, countOf } from "./terminal.ts";

/** Most clients, and most of what each says, that are shown of one cause. */
const mostShown = 8;

/** Problems as a producer reads them: what several clients have is told once, with whose it is. */
export const showGrouped = (problems: readonly Problem[], verbose: boolean, colors: Colors): string =>
  groupProblems(problems)
    .map((group) => showGroup(group, verbose, colors))
    .join("\n\n");

function showGroup({ problems, clients, isSame }: ProblemGroup, verbose: boolean, colors: Colors): string {
  const [first] = problems;
  // A place names the client by its folder.
  const whose = first.client === undefined || first.place ? "" : `${colors.bold(first.client)}: `;
  if (clients.length < 2) return showProblem(first, colors, whose);
  const at = ({ place }: Problem) => place && `${place.file}:${place.line}:${place.column}`;
  // What all of them have from one line is told as that line's.
  if (isSame && first.place && problems.every((each) => at(each) === at(first)))
    return showProblem(first, colors, `in ${countOf(clients.length, "client")}: `);
  const what = isSame ? first.message : problemKinds[first.code].title;
  const lines = [
    `${severityOf(first, colors)}  in ${countOf(clients.length, "client")}: ${what}  ${colors.dim(`[${first.code}]`)}`,
  ];
  if (isSame) lines.push(`   ${colors.cyan(listed(clients, verbose))}`);
  else {
    const longest = Math.max(...clients.map((each) => each.length));
    const shown = verbose ? problems : problems.slice(0, mostShown);
    for (const { client = "", message } of shown) lines.push(`   ${colors.cyan(client.padEnd(longest))}  ${message}`);
    const more = problems.length - shown.length;
    if (more > 0) lines.push(`   ${colors.dim(`and ${more} more; --verbose lists them`)}`);
  }
  if (first.expected && problems.every(({ expected }) => expected === first.expected))
    lines.push(`   ${colors.dim("expected")}  ${first.expected}`);
  lines.push(`   ${colors.dim("to do")}     ${actionOf(first, colors)}`);
  return lines.join("\n");
}

function listed(clients: readonly string[], verbose: boolean): string {
  const shown = verbose ? clients : clients.slice(0, mostShown);
  const more = clients.length - shown.length;
  return `${shown.join(", ")}${more > 0 ? ` and ${more} more; --verbose lists them` : ""}`;
}
