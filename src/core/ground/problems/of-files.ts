import { shownText } from "../values/plain-text.ts";
import type { ProblemCode } from "./catalogue.ts";
import { type Problem, type ProblemDetail, problem } from "./problem.ts";

/** A file by its path within its folder, and as a producer reads it. */
export interface ShownFile {
  file: string;
  shown: string;
}

/** A problem of one file, told together with others of its kind. @param said what follows the file's name. */
export const problemOfFile = (
  code: ProblemCode,
  { file, shown }: ShownFile,
  said: string,
  detail: ProblemDetail = {},
): Problem => problem(code, `${shown} ${said}`, { ...detail, cause: { of: code, file, said: shownText(said) } });
