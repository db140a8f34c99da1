import type { ClientView } from "../../core/clients/record/read.ts";
import { isError, type Problem } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import { checkInputs } from "../../core/operations/check.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { isShown } from "../view/problems.ts";
import { table } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"check"> = async (given, { terminal, ports }) =>
  mapResult(await checkInputs(given, ports), ({ clients, gaps }) => {
    if (given.json) terminal.json({ clients: clients.map(asData), gaps: gaps.map(placeData) });
    else show(clients, gaps, terminal);
    const all = [...gaps, ...clients.flatMap(({ problems }) => problems)];
    return all.some(({ severity }) => severity === "error" || (given.strict && severity === "warning")) ? 1 : 0;
  });

const asData = ({ client, problems }: ClientView): object => ({
  client: client.key,
  problems: problems.map(placeData),
});

function show(clients: readonly ClientView[], gaps: readonly Problem[], terminal: Terminal): void {
  const { out, err, print, note, settings } = terminal;
  const told = [...gaps, ...clients.flatMap(({ problems }) => problems)].filter((each) => isShown(each, settings));
  if (told.length > 0) note(`${showGrouped(told, settings.verbose === true, err)}\n`);
  if (settings.quiet) return;
  print(
    table(
      ["client", "name", "errors", "warnings", ""],
      clients.map((each) => row(each, terminal)),
      out,
      terminal.room,
    ),
  );
  const secret = gaps.some(({ code }) => code === "secret-kept");
  const ready = secret ? 0 : clients.filter(({ problems }) => !problems.some(isError)).length;
  const said = ready === clients.length ? out.green : out.red;
  const why = secret ? ": the template holds what no client may get" : "";
  const are = ready === 1 || clients.length === 1 ? "is" : "are";
  print(said(`\n${ready} of ${countOf(clients.length, "client")} ${are} ready${why}.`));
}

function row({ client, values, problems }: ClientView, { out }: Terminal): string[] {
  const errors = problems.filter(isError).length;
  const warnings = problems.filter(({ severity }) => severity === "warning").length;
  return [
    client.key,
    values["app.name"]?.value ?? "",
    errors > 0 ? out.red(String(errors)) : out.dim("none"),
    warnings > 0 ? out.yellow(String(warnings)) : out.dim("none"),
    errors > 0 ? out.red("not ready") : out.green("ready"),
  ];
}
