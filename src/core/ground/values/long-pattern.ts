/**
 * A pattern written over several lines: line breaks, and the blanks that begin a line, are no part of it. All else is
 * as between slashes.
 */
export const longPattern =
  (flags = "") =>
  ({ raw }: TemplateStringsArray): RegExp =>
    new RegExp(raw.join("").replace(/\n\s*/g, ""), flags);
