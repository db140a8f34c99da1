import { isError } from "../../core/ground/problems/problem.ts";
import { type Result, succeed } from "../../core/ground/problems/result.ts";
import { resultKindNames } from "../../core/ground/values/package.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import { sizeSaid } from "../../core/ground/values/size.ts";
import type { BuildOutcome } from "../../core/making/building/outcome.ts";
import { adoptBuild } from "../../core/operations/adopt-build.ts";
import { buildPackages } from "../../core/operations/build.ts";
import type { BuildsMade } from "../../core/operations/running/all-builds.ts";
import type { Event } from "../../core/operations/running/ports.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { openRunning, type Running } from "../view/running.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"build"> = async ({ platform, adopt, ...given }, { terminal, ports }) => {
  const began = Date.now();
  const input = { ...given, platforms: platform };
  const running = openRunning(terminal);
  const on = (event: Event) => tell(event, given.verbose, terminal, running);
  const done: Result<BuildsMade> =
    adopt.length > 0
      ? asMade(await adoptBuild({ ...input, files: adopt }, ports))
      : await buildPackages(input, { ...ports, on });
  running.close();
  if (!done.ok) return done;
  const { builds, problems } = done.value;
  if (Date.now() - began > longWait) terminal.ring();
  if (given.json) terminal.json({ dryRun: given.dryRun, builds, problems: problems.map(placeData) });
  else show(done.value, terminal);
  return succeed(problems.some(isError) ? 1 : 0);
};

/** Whoever has waited so long, in milliseconds, has turned to something else. */
const longWait = 30_000;

const asMade = (done: Result<BuildOutcome>): Result<BuildsMade> =>
  done.ok ? succeed({ builds: [done.value], problems: [] }) : done;

/** What is told while builds are made: when one begins and ends, and on request what its programs print. */
function tell(event: Event, isVerbose: boolean, terminal: Terminal, running: Running): void {
  const { note, err, settings } = terminal;
  if (settings.json || settings.quiet) return;
  if (event.what === "building") {
    const { build, usual } = event;
    const time = usual === undefined ? "" : timeSaid(usual);
    running.clear();
    if (!terminal.watched) note(`${err.cyan("…")} ${named(build)}${time === "" ? "" : err.dim(`, usually ${time}`)}`);
    running.start(named(build), time);
  } else if (event.what === "line" && isVerbose) {
    running.clear();
    note(err.dim(`    ${event.line}`));
  } else if (event.what === "built") {
    running.end(named(event.build));
    showOne(event.build, terminal);
  }
}

const named = ({ client, platform, stage, version, build }: BuildOutcome): string =>
  `${client}  ${platformNames[platform]}${stage === "store" ? "" : `, ${stage}`}  ${version} (${build})`;

const timeSaid = (seconds: number): string =>
  seconds < 90 ? `${Math.max(1, Math.round(seconds))} s` : `${Math.round(seconds / 60)} min`;

const marks = {
  good: (terminal: Terminal) => terminal.out.green("✓"),
  failed: (terminal: Terminal) => terminal.out.red("✗"),
  same: (terminal: Terminal) => terminal.out.dim("="),
  waits: (terminal: Terminal) => terminal.out.yellow("…"),
  queued: (terminal: Terminal) => terminal.out.yellow("…"),
  would: (terminal: Terminal) => terminal.out.dim("·"),
} as const;

const reasons = {
  never: "never built",
  changed: "changed since its last build",
  failed: "its last build failed",
  "broken-off": "its last build was broken off",
  asked: "asked for",
  "handed-out": "given to other machines before",
} as const;

function show({ builds, problems }: BuildsMade, terminal: Terminal): void {
  const { err, print, note, settings } = terminal;
  // Those that were built have been shown as they ended.
  if (!settings.quiet) for (const each of builds) if (each.seconds === undefined) showOne(each, terminal);
  if (problems.length > 0) note(`${showGrouped(problems, settings.verbose === true, err)}\n`);
  if (!settings.quiet) print(summary(builds));
}

function showOne(each: BuildOutcome, terminal: Terminal): void {
  const { out, print } = terminal;
  print(`${marks[each.state](terminal)} ${named(each)}  ${said(each, out.dim)}`);
  if (each.state === "good")
    for (const { kind, path, size } of each.files)
      print(`    ${resultKindNames[kind].padEnd(15)}  ${each.folder}/${path}  ${out.dim(sizeSaid(size))}`);
}

function said({ state, reason, seconds, folder, machine }: BuildOutcome, dim: (text: string) => string): string {
  const why = reason ? reasons[reason] : "";
  if (state === "same") return dim("as it was built last");
  if (state === "waits") return `waits for another machine: ${folder}/by-hand.md`;
  if (state === "queued") return "waits in the queue";
  if (state === "would") return `would be built: ${why}`;
  const by = machine === undefined ? "" : ` on ${machine}`;
  return dim(`${why}${seconds === undefined ? "" : `, ${timeSaid(seconds)}${by}`}`);
}

function summary(builds: readonly BuildOutcome[]): string {
  const count = (state: BuildOutcome["state"]) => builds.filter((each) => each.state === state).length;
  const parts = [
    count("would") > 0 ? `${count("would")} would be built` : `${count("good")} built`,
    ...(count("same") > 0 ? [`${count("same")} as before`] : []),
    ...(count("waits") + count("queued") > 0 ? [`${count("waits") + count("queued")} waiting`] : []),
    ...(count("failed") > 0 ? [`${count("failed")} failed`] : []),
  ];
  return `${countOf(builds.length, "build")}: ${parts.join(", ")}.`;
}
