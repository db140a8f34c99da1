import { succeed } from "../../core/ground/problems/result.ts";
import type { Event } from "../../core/operations/running/ports.ts";
import { workForOthers } from "../../core/operations/work.ts";
import type { Run } from "../command.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

/** Works until it is told to end: at first it ends what it is at; told again, it ends at once. */
export const run: Run<"worker"> = async (given, { terminal, ports }) => {
  let isToEnd = false;
  for (const [signal, code] of [
    ["SIGINT", 130],
    ["SIGTERM", 143],
  ] as const) {
    process.removeAllListeners(signal);
    process.on(signal, () => {
      if (isToEnd) process.exit(code);
      isToEnd = true;
      if (!given.json && !given.quiet) terminal.note("Ends when the job in hand has; again ends it now.");
    });
  }
  const on = (event: Event) => tell(event, given.json, terminal);
  const done = await workForOthers(given, { ...ports, on, isToEnd: () => isToEnd });
  if (!done.ok) return done;
  const { ended, givenUp, late } = done.value;
  if (!given.json && !given.quiet) {
    const more = [...(givenUp > 0 ? [`${givenUp} given up`] : []), ...(late > 0 ? [`${late} too late`] : [])];
    terminal.print(`${[`${countOf(ended, "job")} carried out`, ...more].join(", ")}.`);
  } else if (given.json) terminal.print(JSON.stringify({ what: "over", ...done.value }));
  return succeed(0);
};

/** What is told while it works: a line an event. */
function tell(event: Event, asJson: boolean, terminal: Terminal): void {
  if (event.what !== "present" && event.what !== "took" && event.what !== "carried") return;
  const { print, out, settings } = terminal;
  if (asJson) print(JSON.stringify(event));
  else if (settings.quiet) return;
  else if (event.what === "present") print(`${event.machine} takes jobs, with Oxalis ${event.version}.`);
  else if (event.what === "took") {
    const again = event.attempt > 1 ? out.yellow(`, attempt ${event.attempt}`) : "";
    print(`${out.cyan("…")} ${event.says}  ${out.dim(event.job)}${again}`);
  } else print(`${marks[event.how](out)} ${said[event.how]}, ${event.seconds} s${event.why ? `: ${event.why}` : ""}`);
}

const marks = {
  ended: (out: Terminal["out"]) => out.green("✓"),
  "given-up": (out: Terminal["out"]) => out.red("✗"),
  late: (out: Terminal["out"]) => out.yellow("!"),
} as const;

const said = { ended: "carried out", "given-up": "given up", late: "too late: another machine has it" } as const;
