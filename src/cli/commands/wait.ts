import { succeed } from "../../core/ground/problems/result.ts";
import { waitFor } from "../../core/operations/wait.ts";
import { stores } from "../../core/stores/all.ts";
import { happeningSaid } from "../../core/stores/happening.ts";
import type { Run } from "../command.ts";

/** Exit codes by outcome. */
const codes = { happened: 0, denied: 1, open: 3 } as const;

export const run: Run<"wait"> = async (given, { terminal, ports }) => {
  const done = await waitFor(given, ports);
  if (!done.ok) return done;
  const { client, store, state, by } = done.value;
  if (given.json) terminal.json(done.value);
  else if (!given.quiet) {
    const said = by
      ? `${happeningSaid(by)}, ${by.at.slice(0, 16).replace("T", " ")}`
      : "the time is over, and nothing was heard";
    terminal.print(`${client}, ${stores[store].title}: ${said}`);
  }
  return succeed(codes[state]);
};
