import { type Checked, check } from "../../core/check/check.ts";
import { isError } from "../../core/problems/problem.ts";
import { placed } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { table } from "../view/table.ts";
import { counted, openTerminal, type Settings, type Terminal } from "../view/terminal.ts";
import { openWorkspace } from "../view/workspace.ts";

export async function run(keys: string[], options: Settings): Promise<number> {
  const terminal = openTerminal(options);
  const { clients, gaps } = await check(await openWorkspace(options), keys);
  const failed = [...gaps, ...clients.flatMap(({ problems }) => problems)].some(isError);
  if (options.json) {
    const data = clients.map(({ resolved, problems }) => ({
      client: resolved.client.key,
      problems: problems.map(placed),
    }));
    terminal.json({ clients: data, gaps: gaps.map(placed) });
    return failed ? 1 : 0;
  }
  const { out, err, print, note, settings } = terminal;
  const shown = clients
    .flatMap(({ problems }) => problems)
    .filter((each) => !settings.quiet || isError(each));
  const all = [...gaps.filter((each) => !settings.quiet || isError(each)), ...shown];
  if (all.length > 0) note(`${showProblems(all, err)}\n`);
  if (settings.quiet) return failed ? 1 : 0;
  print(
    table(
      ["client", "name", "errors", "warnings", ""],
      clients.map((each) => row(each, terminal)),
      out,
    ),
  );
  const secret = gaps.some(({ code }) => code === "secret-kept");
  const ready = secret ? 0 : clients.filter(({ problems }) => !problems.some(isError)).length;
  const said = ready === clients.length ? out.green : out.red;
  const why = secret ? ": the template holds what no client may get" : "";
  print(said(`\n${ready} of ${counted(clients.length, "client")} can be generated${why}.`));
  return failed ? 1 : 0;
}

function row({ resolved, problems }: Checked, { out }: Terminal): string[] {
  const errors = problems.filter(isError).length;
  const warnings = problems.length - errors;
  return [
    resolved.client.key,
    resolved.values["app.name"]?.value ?? "",
    errors > 0 ? out.red(String(errors)) : out.dim("none"),
    warnings > 0 ? out.yellow(String(warnings)) : out.dim("none"),
    errors > 0 ? out.red("not ready") : out.green("ready"),
  ];
}
