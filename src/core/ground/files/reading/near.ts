import { lstatSync, readdirSync } from "node:fs";
import { basename, dirname, join } from "node:path";
import { type Problem, problem } from "../../problems/problem.ts";
import { attempted } from "../../values/attempted.ts";

/** Whether two names are the same but for how their marks are put together; and for the case of letters. */
function isAlike(a: string, b: string, anyCase = false): boolean {
  const [one, other] = [a.normalize("NFC"), b.normalize("NFC")];
  return one === other || (anyCase && one.toLowerCase() === other.toLowerCase());
}

const namesIn = (folder: string): string[] => attempted(() => readdirSync(folder)) ?? [];

const isPlain = /^[\x20-\x7e]*$/;

/** A path as the disk has its name: letters with their marks in one, or behind them, as archives of a Mac have them. */
export function asHeld(path: string): string {
  if (isPlain.test(path) || attempted(() => lstatSync(path))) return path;
  const near = namesIn(dirname(path)).find((each) => isAlike(each, basename(path)));
  return near === undefined ? path : join(dirname(path), near);
}

/** What is not there. One that is, but for the case of its letters, is named: some systems take it, others do not. */
export function missing(path: string, shown: string): Problem {
  const near = namesIn(dirname(path)).find((each) => isAlike(each, basename(path), true));
  return problem(
    "file-missing",
    `${shown} is not there.`,
    near === undefined ? {} : { expected: `${near}, written so` },
  );
}
