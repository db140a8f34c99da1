import { relative } from "node:path";
import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult, type Result } from "../../core/ground/problems/result.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import { sizeSaid } from "../../core/ground/values/size.ts";
import { giveBuild } from "../../core/operations/give-build.ts";
import { keepBuilds } from "../../core/operations/keep-builds.ts";
import { listBuilds } from "../../core/operations/list-builds.ts";
import type { Ports } from "../../core/operations/running/ports.ts";
import { type ShownBuild, type StateSaid, stateSaid } from "../../core/showing/builds/build.ts";
import type { GivenTo, Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { table } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

type Given = GivenTo<"builds">;

export const run: Run<"builds"> = async (given, { terminal, ports }) => {
  if (given.givenTo !== undefined) return give({ ...given, to: given.givenTo }, terminal, ports);
  if (given.keep !== undefined) return keep({ ...given, keep: given.keep }, terminal, ports);
  return list(given, terminal, ports);
};

const list = async (given: Given, terminal: Terminal, ports: Ports): Promise<Result<number>> =>
  mapResult(await listBuilds(given, ports), ({ builds, problems, page }) => {
    const { out, err, print, note, room, json, settings } = terminal;
    if (given.json) json({ builds, problems: problems.map(placeData), ...(page ? { page } : {}) });
    else {
      const headings = ["client", "stage", "platform", "version", "on", "state", "result"];
      const rows = builds.map((each, at) => rowOf(each, builds[at - 1]?.client, out));
      if (!settings.quiet && rows.length > 0) print(`${table(headings, rows, out, room)}\n`);
      if (problems.length > 0) note(`${showGrouped(problems, settings.verbose === true, err)}\n`);
      if (!settings.quiet)
        print(builds.length === 0 ? "Nothing has been built yet." : `${countOf(builds.length, "build")}.`);
      if (page && !settings.quiet) note(`The page is in ${err.cyan(relative(ports.folder, page) || page)}`);
    }
    return problems.some(isError) ? 1 : 0;
  });

const give = async (
  { platform, ...given }: Given & { to: NonNullable<Given["givenTo"]> },
  { json, print, settings }: Terminal,
  ports: Ports,
): Promise<Result<number>> =>
  mapResult(await giveBuild({ ...given, platforms: platform }, ports), (build) => {
    const { client, stage, version, build: number, given: to } = build;
    if (given.json) json({ client, stage, platform: build.platform, version, build: number, given: to });
    else if (!settings.quiet)
      print(
        `${client}: ${platformNames[build.platform]} ${version} (${number}) was given to ` +
          `${given.to === "store" ? "the store" : given.to}; its files stay.`,
      );
    return 0;
  });

const keep = async (given: Given & { keep: string }, terminal: Terminal, ports: Ports): Promise<Result<number>> =>
  mapResult(await keepBuilds(given, ports), ({ removed, problems }) => {
    const { err, out, print, note, json, settings } = terminal;
    if (given.json) json({ dryRun: given.dryRun, removed, problems: problems.map(placeData) });
    else {
      if (!settings.quiet) for (const each of removed) print(`${each.folder}  ${out.dim(sizeSaid(each.size))}`);
      if (problems.length > 0) note(`${showGrouped(problems, settings.verbose === true, err)}\n`);
      const room = removed.reduce((sum, { size }) => sum + size, 0);
      const done = given.dryRun ? "would be removed" : "removed";
      // Of what could not be looked at, nobody knows how old it is.
      if (!settings.quiet && (removed.length > 0 || !problems.some(isError)))
        print(
          removed.length === 0
            ? "Nothing is older than what is kept."
            : `${countOf(removed.length, "build")} ${done}: ${sizeSaid(room)}. What they were stays in the history.`,
        );
    }
    return problems.some(isError) ? 1 : 0;
  });

function rowOf(each: ShownBuild, before: string | undefined, out: Terminal["out"]): string[] {
  const { client, stage, platform, version, build, on, files, folder, isThere, removed } = each;
  const [first] = files;
  const result = first ? `${folder}/${first.path}, ${sizeSaid(first.size)}` : (each.why ?? "");
  const isGone = each.state === "good" && !isThere && removed === undefined;
  return [
    client === before ? "" : out.bold(client),
    stage,
    platformNames[platform],
    `${version} (${build})`,
    on,
    colors[stateSaid(each)](out, stateSaid(each)),
    isGone ? out.yellow("no longer there") : removed === undefined ? result : out.dim(`on ${removed}`),
  ];
}

type Colored = (out: Terminal["out"], said: string) => string;

const good: Colored = (out, said) => out.green(said);
const waiting: Colored = (out, said) => out.cyan(said);
const bad: Colored = (out, said) => out.red(said);

const colors: Readonly<Record<StateSaid, Colored>> = {
  built: good,
  "taken in": good,
  "being built": waiting,
  "in the queue": waiting,
  failed: bad,
  "broken off": bad,
  removed: (out, said) => out.dim(said),
};
