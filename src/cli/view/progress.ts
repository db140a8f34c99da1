import { SingleBar } from "cli-progress";
import type { Outcome, Progress } from "../../core/plan/generate.ts";
import type { Terminal } from "./terminal.ts";

/** Shows the work while it goes on: a bar where somebody watches, a line a client elsewhere. */
export function openProgress(
  terminal: Terminal,
  line: (outcome: Outcome) => string | undefined,
): Progress & { close(): void } {
  const { watched, err, settings } = terminal;
  const say = (outcome: Outcome) => {
    const text = settings.json ? undefined : line(outcome);
    if (text !== undefined) terminal.note(text);
  };
  if (!watched || settings.quiet || settings.json) return { end: say, close: () => {} };

  let bar: SingleBar | undefined;
  const count = { done: 0, total: 0 };
  const stop = () => {
    bar?.stop();
    bar = undefined;
  };
  const show = (client: string) => {
    stop();
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
  return {
    start(client, files) {
      if (files === 0) return;
      count.total += files;
      show(client);
    },
    file(client) {
      count.done++;
      bar?.update(count.done, { client });
    },
    end(outcome) {
      stop();
      say(outcome);
      if (count.done < count.total) show("");
    },
    close: stop,
  };
}
