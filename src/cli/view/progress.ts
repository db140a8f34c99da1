import { SingleBar } from "cli-progress";
import type { Outcome } from "../../core/make/generate.ts";
import type { Event } from "../../core/operations/ports.ts";
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
  line: (outcome: Outcome, width: number) => string | undefined,
): Progress {
  const { watched, err, settings } = terminal;
  let width = 0;
  const say = (outcome: Outcome) => {
    const text = settings.json ? undefined : line(outcome, width);
    if (text !== undefined) terminal.note(text);
  };
  const isDrawn = watched && !settings.quiet && !settings.json;
  let bar: SingleBar | undefined;
  const count = { done: 0, total: 0 };
  const close = () => {
    bar?.stop();
    bar = undefined;
  };
  const show = (client: string) => {
    close();
    bar = new SingleBar({
      format: `${err.cyan("{bar}")} {value}/{total}  {client}`,
      barsize: 24,
      barCompleteChar: "━",
      barIncompleteChar: "─",
      hideCursor: true,
      clearOnComplete: true,
      stream: process.stderr,
    });
    bar.start(count.total, count.done, { client });
  };
  const on = (event: Event) => {
    if (event.what === "clients") width = Math.max(...event.keys.map((key) => key.length));
    else if (event.what === "client") {
      close();
      say(event.outcome);
      if (isDrawn && count.done < count.total) show("");
    } else if (event.what === "planned" && event.files > 0) {
      count.total += event.files;
      if (isDrawn) show(event.client);
    } else if (event.what === "file") {
      count.done++;
      bar?.update(count.done, { client: event.client });
    }
  };
  return { on, close };
}
