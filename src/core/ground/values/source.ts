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

/** Turns an offset (UTF-16 code units, as in `text.slice`) into a place. */
export function placeAt({ file, text }: Source, offset: number): Place {
  const at = Math.max(0, Math.min(offset, text.length));
  const start = text.lastIndexOf("\n", at - 1) + 1;
  const end = text.indexOf("\n", at);
  let line = 1;
  for (let i = text.indexOf("\n"); i !== -1 && i < start; i = text.indexOf("\n", i + 1)) line++;
  const shown = text.slice(start, end === -1 ? text.length : end).replace(/\r$/, "");
  return { file, line, column: at - start + 1, text: shown.replace(/^\uFEFF/, "") };
}
