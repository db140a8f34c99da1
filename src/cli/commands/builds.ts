import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import { type ListedBuild, listBuilds } from "../../core/operations/list-builds.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { sizeSaid } from "../view/size.ts";
import { table } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"builds"> = async (given, { terminal, ports }) =>
  mapResult(await listBuilds(given, ports), ({ builds, problems }) => {
    const { out, err, print, note, room, json, settings } = terminal;
    if (given.json) json({ builds, problems: problems.map(placeData) });
    else {
      const headings = ["client", "stage", "platform", "version", "on", "state", "result"];
      const rows = builds.map((each, at) => rowOf(each, builds[at - 1]?.client, out));
      if (!settings.quiet && rows.length > 0) print(`${table(headings, rows, out, room)}\n`);
      if (problems.length > 0) note(`${showGrouped(problems, settings.verbose === true, err)}\n`);
      if (!settings.quiet)
        print(builds.length === 0 ? "Nothing has been built yet." : `${countOf(builds.length, "build")}.`);
    }
    return problems.some(isError) ? 1 : 0;
  });

function rowOf(each: ListedBuild, before: string | undefined, out: Terminal["out"]): string[] {
  const { client, stage, platform, version, build, on, files, folder, isThere } = each;
  const [first] = files;
  const result = first ? `${folder}/${first.path}, ${sizeSaid(first.size)}` : (each.why ?? "");
  return [
    client === before ? "" : out.bold(client),
    stage,
    platformNames[platform],
    `${version} (${build})`,
    on,
    stateOf(each, out),
    each.state === "good" && !isThere ? out.yellow("no longer there") : result,
  ];
}

function stateOf({ state, isRunning, isAdopted, job }: ListedBuild, out: Terminal["out"]): string {
  if (isRunning) return out.cyan("being built");
  if (state === "good") return out.green(isAdopted ? "taken in" : "built");
  if (state === "begun" && job !== undefined) return out.cyan("in the queue");
  return out.red(state === "failed" ? "failed" : "broken off");
}
