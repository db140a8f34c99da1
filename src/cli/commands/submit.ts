import { relative } from "node:path";
import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult, succeed } from "../../core/ground/problems/result.ts";
import { stepsSaid } from "../../core/making/submitting/act.ts";
import type { Step } from "../../core/making/submitting/steps/step.ts";
import { writeHandSheets } from "../../core/operations/hand-sheets.ts";
import { noteDone } from "../../core/operations/note-done.ts";
import type { AllSubmitted } from "../../core/operations/running/all-submissions.ts";
import type { Submitted } from "../../core/operations/running/one-submission.ts";
import type { Event } from "../../core/operations/running/ports.ts";
import { submitApps } from "../../core/operations/submit.ts";
import { stores } from "../../core/stores/all.ts";
import { happeningSaid } from "../../core/stores/happening.ts";
import type { GivenTo, Run, With } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { openRunning, type Running } from "../view/running.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"submit"> = async (given, using) => {
  if (given.sheet) return writeSheets(given, using);
  return given.done === undefined ? submit(given, using) : note({ ...given, done: given.done }, using);
};

async function writeSheets({ store, ...given }: GivenTo<"submit">, { terminal, ports }: With) {
  return mapResult(await writeHandSheets({ ...given, stores: store }, ports), (sheets) => {
    const { json, print, out } = terminal;
    if (given.json) json({ sheets });
    else if (!given.quiet)
      for (const { file } of sheets) print(`Open ${out.cyan(relative(ports.folder, file) || file)}`);
    return 0;
  });
}

async function note({ store, ...given }: GivenTo<"submit"> & { done: string }, { terminal, ports }: With) {
  return mapResult(await noteDone({ ...given, stores: store }, ports), (noted) => {
    const { json, print, out } = terminal;
    if (given.json) json({ noted });
    else if (!given.quiet)
      for (const { client, store: key, happening } of noted)
        print(`${out.green("✓")} ${client}, ${stores[key].title}: ${happeningSaid(happening)}`);
    return 0;
  });
}

const submit: Run<"submit"> = async ({ store, ...given }, { terminal, ports }) => {
  const running = openRunning(terminal);
  const on = (event: Event) => tell(event, running);
  const done = await submitApps({ ...given, stores: store }, { ...ports, on });
  running.close();
  if (!done.ok) return done;
  if (given.json) terminal.json(asData(done.value, given.dryRun));
  else show(done.value, given.dryRun, terminal);
  const { submitted, problems } = done.value;
  return succeed([...problems, ...submitted.flatMap((each) => each.problems)].some(isError) ? 1 : 0);
};

function tell(event: Event, running: Running): void {
  if (event.what !== "acting" && event.what !== "acted" && event.what !== "awaiting") return;
  const named = `${event.client}  ${stores[event.store].title}  ${event.says}`;
  if (event.what === "acted") running.end(named);
  else running.start(named, "");
}

const asData = ({ submitted, problems }: AllSubmitted, dryRun: boolean): object => ({
  dryRun,
  submitted: submitted.map(({ problems: own, acts, ...each }) => ({
    ...each,
    steps: each.steps.map(({ acts: planned, ...step }) => ({ ...step, acts: planned.map(actData) })),
    acts: acts.map(actData),
    problems: own.map(placeData),
  })),
  problems: problems.map(placeData),
});

const actData = ({ kind, step, says, changes }: Submitted["acts"][number]): object => ({
  ...{ kind, step, says },
  ...(changes ? { changes } : {}),
});

function show({ submitted, problems }: AllSubmitted, dryRun: boolean, terminal: Terminal): void {
  const { print, note, out, err, settings } = terminal;
  const all = [...problems, ...submitted.flatMap((each) => each.problems)];
  if (!settings.quiet) for (const each of submitted) showOne(each, dryRun, terminal);
  if (all.length > 0) note(`${showGrouped(all, settings.verbose === true, err)}\n`);
  if (settings.quiet) return;
  const acts = submitted.reduce((sum, each) => sum + each.acts.length, 0);
  const said = acts === 0 ? "nothing was to be done" : `${countOf(acts, "act")} done`;
  print(dryRun ? out.dim("Nothing was done.") : `${countOf(submitted.length, "app")} in stores: ${said}.`);
}

const marks: Readonly<Record<Step["state"], (terminal: Terminal) => string>> = {
  done: ({ out }) => out.green("✓"),
  "to-do": ({ out }) => out.cyan("→"),
  waits: ({ out }) => out.yellow("…"),
  lacks: ({ out }) => out.yellow("!"),
  later: ({ out }) => out.dim("·"),
};

/** So many changes of one act are shown where nobody asks for all. */
const mostChanges = 6;

function showOne(of: Submitted, dryRun: boolean, terminal: Terminal): void {
  const { print, out, settings } = terminal;
  print(out.bold(`${of.client}  ${stores[of.store].title}`));
  const room = Math.max(...Object.keys(stepsSaid).map((name) => name.length));
  for (const act of of.acts) print(`  ${out.green("+")} ${act.says}`);
  for (const happened of of.happened)
    if (settings.verbose)
      print(out.dim(`    ${happened.at.slice(0, 16).replace("T", " ")}  ${happeningSaid(happened)}`));
  for (const step of of.steps) {
    print(`  ${marks[step.state](terminal)} ${step.name.padEnd(room)}  ${step.says}`);
    for (const { what, who } of step.lacks) print(`    ${" ".repeat(room)}${out.dim(`(${who})`)} ${what}`);
    if (dryRun || settings.verbose)
      for (const { changes = [] } of step.acts) showChanges(changes, " ".repeat(room + 4), terminal);
  }
}

function showChanges(changes: readonly string[], indent: string, { print, out, settings }: Terminal): void {
  const shown = settings.verbose ? changes : changes.slice(0, mostChanges);
  for (const change of shown) print(out.dim(`${indent}${change}`));
  if (shown.length < changes.length) print(out.dim(`${indent}… ${changes.length - shown.length} more (-v)`));
}
