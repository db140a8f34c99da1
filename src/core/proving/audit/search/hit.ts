import type { TermKind } from "../identity/kinds.ts";

/** A hit of a term in a text file, and what stands around it. */
export interface Hit {
  file: string;
  kind: TermKind;
  /** As it stands there. */
  found: string;
  /** The whole line, and where in it the hit is. */
  line: string;
  column: number;
  /** What leads to it, where the file's own form has such. */
  key: string | undefined;
}

export const before = ({ line, column }: Hit): string => line.slice(0, column);
export const after = ({ line, column, found }: Hit): string => line.slice(column + found.length);

/** The text in quotes that a hit stands in; undefined outside of quotes. */
export function literalAround(hit: Hit): string | undefined {
  for (const match of hit.line.matchAll(/"((?:[^"\\]|\\.)*)"|'((?:[^'\\]|\\.)*)'|`((?:[^`\\]|\\.)*)`/g)) {
    const start = match.index + 1;
    const end = match.index + match[0].length - 1;
    if (start <= hit.column && hit.column + hit.found.length <= end) return match[1] ?? match[2] ?? match[3] ?? "";
  }
  return undefined;
}

export const isComment = (hit: Hit): boolean =>
  /^\s*(\/\/|\*|\/\*|#(?!include|define|\w)|<!--)/.test(hit.line) || /(^|\s)\/\/[^"'`]*$/.test(before(hit));

export const attribute = (hit: Hit): string | undefined => /([\w:.-]+)\s*=\s*["'][^"']*$/.exec(before(hit))?.[1];
