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
  const stop = () => {
    bar?.stop();
    bar = undefined;
  };
  return {
    start(client, files) {
      if (files === 0) return;
      const format = `${err.cyan("{bar}")} {value}/{total}  ${client}`;
      bar = new SingleBar({
        format,
        barsize: 24,
        barCompleteChar: "━",
        barIncompleteChar: "─",
        hideCursor: true,
        clearOnComplete: true,
        stream: process.stderr,
      });
      bar.start(files, 0);
    },
    file: () => bar?.increment(),
    end(outcome) {
      stop();
      say(outcome);
    },
    close: stop,
  };
}
