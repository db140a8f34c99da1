import { mapResult } from "../../core/ground/problems/result.ts";
import type { TicketState } from "../../core/ground/queue/queue.ts";
import { type JobListed, showQueue } from "../../core/operations/show-queue.ts";
import type { Run } from "../command.ts";
import { table } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"queue"> = async (given, { terminal, ports }) =>
  mapResult(await showQueue(given, ports), (shown) => {
    const { out, print, room, json, settings } = terminal;
    const { queue, version, jobs, machines } = shown;
    if (given.json) json(shown);
    else if (!settings.quiet) {
      if (jobs.length > 0)
        print(`${table(["client", "job", "state", "since", "machine", "name"], jobs.map(rowOf(out)), out, room)}\n`);
      for (const each of jobs) if (each.why) print(`${out.red("given up")}  ${each.name}: ${each.why}`);
      const count = (state: TicketState) => jobs.filter((each) => each.state === state).length;
      const parts = order.flatMap((state) => (count(state) > 0 ? [`${count(state)} ${said[state]}`] : []));
      print(`${countOf(jobs.length, "job")} in ${queue}${parts.length > 0 ? `: ${parts.join(", ")}` : ""}.`);
      for (const each of machines) {
        const other = each.version === version ? "" : out.red(`, with ${each.version}; this is ${version}`);
        print(`${out.bold(each.name)} takes jobs${other}.`);
      }
      if (machines.length === 0) print(out.dim("No machine is there: `oxalis worker` on one takes what waits."));
    }
    return jobs.some(({ state }) => state === "aside") ? 1 : 0;
  });

const order = ["waits", "runs", "ended", "aside"] as const satisfies readonly TicketState[];

const said: Readonly<Record<TicketState, string>> = {
  waits: "waiting",
  runs: "running",
  ended: "ended",
  aside: "given up",
};

const rowOf =
  (out: Terminal["out"]) =>
  ({ client, says, state, since, taken, machine, name }: JobListed): string[] => [
    out.bold(client),
    says,
    `${said[state]}${taken > 1 ? `, taken ${taken} times` : ""}`,
    new Date(since).toISOString().slice(0, 16).replace("T", " "),
    machine ?? "",
    out.dim(name),
  ];
