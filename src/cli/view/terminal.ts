import picocolors from "picocolors";
import { fitLines } from "./fit.ts";

/** Options that say how a command shows what it has to say. */
export interface ShownAs {
  json?: boolean;
  quiet?: boolean;
  verbose?: boolean;
  color?: "auto" | "always" | "never";
}

/** Where a command writes: results to standard output, all else to standard error. */
export interface Terminal {
  print(text: string): void;
  note(text: string): void;
  /** What another program reads: as it is, whatever the width. */
  raw(text: string): void;
  json(data: unknown): void;
  /** Colours of standard output, and of standard error; each may be off while the other is on. */
  out: Colors;
  err: Colors;
  /** Columns of standard output; 100 where it is no terminal. */
  width: number;
  /** The same, without an end where it is no terminal: what has to fit is broken into lines there alone. */
  room: number;
  /** Whether somebody watches standard error, so that it may be drawn over. */
  watched: boolean;
  /** Calls back whoever has turned to something else, where somebody watches. */
  ring(): void;
  settings: ShownAs;
}

/** A yellow that can be read on black and on white: the usual one is lost on white. */
const readableYellow = "\u001b[38;5;130m";

function colorsFor(stream: NodeJS.WriteStream, when: ShownAs["color"]): Colors {
  const colors = picocolors.createColors(wantsColor(stream, when));
  return colors.isColorSupported ? { ...colors, yellow: (text) => `${readableYellow}${text}\u001b[39m` } : colors;
}

export type Colors = ReturnType<typeof picocolors.createColors>;

function wantsColor(stream: NodeJS.WriteStream, when: ShownAs["color"]): boolean {
  if (when === "always") return true;
  if (when === "never" || process.env.NO_COLOR || process.env.TERM === "dumb") return false;
  return stream.isTTY === true;
}

/** Colours, and nothing else that steers a terminal: names of files and texts from elsewhere may hold anything. */
const steady = (text: string): string =>
  text.replace(/\p{Cc}\[(?:\d{1,2}|38;5;130)m|(?![\n\t])[\p{Cc}\u202a-\u202e\u2066-\u2069]/gu, (mark) =>
    mark.length > 1 && mark.startsWith("\u001b") ? mark : "\ufffd",
  );

export function openTerminal(settings: ShownAs): Terminal {
  const columns = Number(process.env.COLUMNS) || process.stdout.columns;
  const width = Math.max(40, columns || 100);
  // Into a file or another program, lines go as they are.
  const say = (stream: NodeJS.WriteStream) => (text: string) =>
    void stream.write(`${stream.isTTY ? fitLines(steady(text), width) : steady(text)}\n`);
  return {
    print: say(process.stdout),
    note: say(process.stderr),
    raw: (text) => void process.stdout.write(`${steady(text)}\n`),
    json: (data) => void process.stdout.write(`${JSON.stringify(data, null, 2)}\n`),
    out: colorsFor(process.stdout, settings.color),
    err: colorsFor(process.stderr, settings.color),
    width,
    room: process.stdout.isTTY ? width : Number.POSITIVE_INFINITY,
    watched: process.stderr.isTTY === true && process.env.TERM !== "dumb",
    ring: () => {
      if (process.stderr.isTTY && process.env.TERM !== "dumb") process.stderr.write("\u0007");
    },
    settings,
  };
}

/** "1 file", "3 files". */
export const countOf = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;
