import { SingleBar } from "cli-progress";
import type { ClientOutcome } from "../../core/making/make/generate.ts";
import type { Event } from "../../core/operations/running/ports.ts";
import type { Terminal } from "./terminal.ts";

interface Progress {
  on(event: Event): void;
  close(): void;
}

/**
 * Shows the work while it goes on: a bar where somebody watches, a line a client elsewhere. @param line width of the
 * longest key
 */
export function openProgress(
  terminal: Terminal,
  line: (outcome: ClientOutcome, width: number) => string | undefined,
): Progress {
  const { watched, err, settings } = terminal;
  let width = 0;
  const say = (outcome: ClientOutcome) => {
    const text = settings.json ? undefined : line(outcome, width);
    if (text !== undefined) terminal.note(text);
  };
  const isDrawn = watched && !settings.quiet && !settings.json;
  let bar: SingleBar | undefined;
  // All clients are one bar that never goes back: each is so much of it, whatever it turns out to need.
  const shares = new Map<string, { done: number; files: number }>();
  let clients = 0;
  let isToldHere = false;
  const started = Date.now();
  const sum = () =>
    [...shares.values()].reduce((all, { done, files }) => all + (files === 0 ? 1 : done / files), 0) * whole;
  const close = () => {
    bar?.stop();
    bar = undefined;
  };
  const show = (client: string) => {
    const value = Math.floor(sum());
    const left = leftFor(value / (clients * whole), Date.now() - started);
    if (bar) return bar.update(value, { client, left });
    bar = new SingleBar({
      format: `${err.cyan("{bar}")} {percentage} %  {client}{left}`,
      barsize: Math.max(8, Math.min(24, terminal.width - 56)),
      barCompleteChar: "━",
      barIncompleteChar: "─",
      hideCursor: true,
      clearOnComplete: true,
      stream: process.stderr,
    });
    bar.start(clients * whole, value, { client, left });
  };
  const on = (event: Event) => {
    if (event.what === "clients") {
      width = Math.max(...event.keys.map((key) => key.length));
      clients = event.keys.length;
    } else if (event.what === "drawn-here") {
      if (!isToldHere && !settings.json && !settings.quiet)
        terminal.note(`${err.yellow("drawn here")}  No machine of the queue draws at present.`);
      isToldHere = true;
    } else if (event.what === "client") {
      shares.set(event.outcome.client, { done: 0, files: 0 });
      close();
      say(event.outcome);
      if (isDrawn && shares.size < clients) show("");
    } else if (event.what === "planned") {
      shares.set(event.client, { done: 0, files: Math.max(1, event.files) });
      if (isDrawn) show(event.client);
    } else if (event.what === "file") {
      const share = shares.get(event.client);
      if (share) share.done++;
      if (isDrawn) show(event.client);
    }
  };
  return { on, close };
}

/** A client's share of the bar. */
const whole = 1000;

/** Told from so much on, in milliseconds; and once so much is done that it can be told. */
const long = { from: 20_000, done: 0.05 };

/** How long it will still take, where that is long. @param done of all, 0 to 1 */
function leftFor(done: number, passed: number): string {
  if (done < long.done) return "";
  const left = (passed / done) * (1 - done);
  if (left < long.from) return "";
  return left < 90_000
    ? `, about ${Math.round(left / 10_000) * 10} s left`
    : `, about ${Math.round(left / 60_000)} min left`;
}
