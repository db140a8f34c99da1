import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import type { StoreKey } from "../../core/ground/values/store.ts";
import type { Event } from "../../core/operations/running/ports.ts";
import { type Updated, updateClients } from "../../core/operations/update.ts";
import { stores } from "../../core/stores/all.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { openRunning } from "../view/running.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

const kinds = ["major", "minor", "patch"] as const;

export const run: Run<"update"> = async ({ note: notes, ...given }, { terminal, ports }) => {
  const running = openRunning(terminal);
  const on = (event: Event) => {
    if (event.what === "building") running.start(`${event.build.client}  ${event.build.platform}`, "");
    else if (event.what === "built") running.end(`${event.build.client}  ${event.build.platform}`);
    else if (event.what === "acting") running.start(`${event.client}  ${stores[event.store].title}  ${event.says}`, "");
    else if (event.what === "acted") running.end(`${event.client}  ${stores[event.store].title}  ${event.says}`);
  };
  const kind = kinds.find((each) => given[each]);
  const done = await updateClients({ ...given, kind, notes }, { ...ports, on });
  running.close();
  return mapResult(done, ({ updates, problems }) => {
    if (given.json)
      terminal.json({ dryRun: given.dryRun, updates: updates.map(asData), problems: problems.map(placeData) });
    else show(updates, given.dryRun, terminal);
    if (!given.json && problems.length > 0)
      terminal.note(showGrouped(problems, terminal.settings.verbose === true, terminal.err));
    return problems.some(isError) ? 1 : 0;
  });
};

const asData = ({ builds, submitted, notices, ...each }: Updated): object => ({
  ...each,
  notices: notices ?? null,
  builds: builds.map(({ platform, state, build }) => ({ platform, state, build })),
  stores: submitted.map(({ store, acts, steps }) => ({
    store,
    acts: acts.length,
    steps: steps.map(({ name, state }) => ({ name, state })),
  })),
});

const states: Readonly<Record<Updated["state"], string>> = {
  would: "would be updated",
  done: "through",
  "under-way": "under way",
  failed: "failed",
  "not-begun": "not begun",
};

function show(updates: readonly Updated[], dryRun: boolean, terminal: Terminal): void {
  const { print, out, settings } = terminal;
  if (settings.quiet) return;
  for (const batch of [1, 2] as const) {
    const own = updates.filter((each) => each.batch === batch);
    if (own.length === 0) continue;
    print(
      out.dim(batch === 1 ? `First, ${countOf(own.length, "client")}:` : `Then, ${countOf(own.length, "client")}:`),
    );
    for (const each of own) showOne(each, terminal);
  }
  const count = (state: Updated["state"]) => updates.filter((each) => each.state === state).length;
  print(
    dryRun
      ? out.dim("Nothing was done.")
      : `${countOf(updates.length, "client")}: ${count("done")} through, ${count("under-way")} under way, ` +
          `${count("failed")} failed, ${count("not-begun")} not begun.`,
  );
}

function showOne(of: Updated, { print, out }: Terminal): void {
  const { client, state, version, live, notices, taken } = of;
  const mark = state === "done" ? out.green("✓") : state === "failed" ? out.red("✗") : out.yellow("…");
  const there = Object.entries(live).map(([store, each]) => `${stores[store as StoreKey].title} ${each}`);
  const said = [
    ...(version ? [version] : taken ? [`${taken.version} is taken`] : []),
    ...(state === "would" ? [] : [states[state]]),
    there.length > 0 ? `live: ${there.join(", ")}` : "nothing is live",
  ];
  print(`${state === "would" ? out.cyan("→") : mark} ${out.bold(client)}  ${said.join("; ")}`);
  if (!notices) print(out.dim("    what people see now was not kept: what they notice is not known"));
  else if (notices.length === 0) print(out.dim("    people notice nothing by themselves"));
  else for (const { says, isAsked } of notices) print(`    ${isAsked ? out.yellow("asked") : "     "} ${says}`);
}
