import { SingleBar } from "cli-progress";
import type { Terminal } from "./terminal.ts";

/** What is under way, shown on one line with its time for whoever watches, and drawn over. */
export interface Running {
  start(name: string, usual: string): void;
  end(name: string): void;
  /** Takes the line away, so that something can be printed; it comes back by itself. */
  clear(): void;
  close(): void;
}

/** How often the time goes on, in milliseconds. */
const beat = 1_000;

export function openRunning({ watched, err, width, settings }: Terminal): Running {
  const since = new Map<string, { from: number; usual: string }>();
  let bar: SingleBar | undefined;
  let timer: NodeJS.Timeout | undefined;
  const isShown = watched && !settings.quiet && !settings.json;
  const clear = () => {
    bar?.stop();
    bar = undefined;
  };
  const line = (): string => {
    const [first] = since;
    if (!first) return "";
    const [name, { from, usual }] = first;
    const more = since.size > 1 ? `, and ${since.size - 1} more` : "";
    const told = `${clock(Date.now() - from)}  ${name}${usual === "" ? "" : `, usually ${usual}`}${more}`;
    return told.length > width - 3 ? `${told.slice(0, width - 4)}…` : told;
  };
  const draw = () => {
    const said = line();
    if (said === "") return clear();
    if (bar) return bar.update(0, { said });
    bar = new SingleBar({
      format: `${err.cyan("…")} {said}`,
      hideCursor: true,
      clearOnComplete: true,
      stream: process.stderr,
    });
    bar.start(1, 0, { said });
  };
  return {
    start(name, usual) {
      since.set(name, { from: Date.now(), usual });
      if (isShown) timer ??= setInterval(draw, beat).unref();
    },
    end(name) {
      since.delete(name);
      clear();
    },
    clear,
    close() {
      clearInterval(timer);
      clear();
    },
  };
}

/** Minutes and seconds, as a clock has them. */
const clock = (milliseconds: number): string => {
  const seconds = Math.floor(milliseconds / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
};
