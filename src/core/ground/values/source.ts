/** A position in a text file as a person counts it: line and column from 1. */
export interface Place {
  file: string;
  line: number;
  column: number;
  /** The whole line, without its line end. */
  text: string;
}

/** A text file with its name, so that any offset in it can be told as a place. */
export interface Source {
  /** Path as a producer would name it: relative to the workspace, with forward slashes. */
  file: string;
  text: string;
}

/** How far the lines of a source were counted last: what is asked for next is mostly further on. */
const counted = new WeakMap<Source, { start: number; line: number }>();

/** Turns an offset (UTF-16 code units, as in `text.slice`) into a place. */
export function placeAt(source: Source, offset: number): Place {
  const { file, text } = source;
  const at = Math.max(0, Math.min(offset, text.length));
  const start = text.lastIndexOf("\n", at - 1) + 1;
  const end = text.indexOf("\n", at);
  const before = counted.get(source);
  let { start: from, line } = before && before.start <= start ? before : { start: 0, line: 1 };
  while (from < start) {
    from = text.indexOf("\n", from) + 1;
    line++;
  }
  counted.set(source, { start, line });
  const shown = text.slice(start, end === -1 ? text.length : end).replace(/\r$/, "");
  return { file, line, column: at - start + 1, text: shown.replace(/^\uFEFF/, "") };
}
