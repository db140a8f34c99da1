import { shownText } from "../values/plain-text.ts";
import type { Platform } from "../values/platform.ts";
import type { Place } from "../values/source.ts";
import { type ProblemCode, problemKinds } from "./catalogue.ts";
import { type Who, whoActs } from "./who.ts";

/** One thing that is wrong, told to a producer. */
export interface Problem {
  code: ProblemCode;
  /** An error stops what it is about; a warning is told; a note is told to whoever asks for everything. */
  severity: "error" | "warning" | "note";
  /** What is wrong, in one sentence without the place. */
  message: string;
  /** Where: file relative to the workspace, line and column from 1, and the line itself. */
  place?: Place;
  /** What would have been right, where that can be said shortly. */
  expected?: string;
  /** What to do next. */
  fix: string;
  /** Who has to act. */
  who: Who;
  /** What groups it with other problems, which are told together. */
  cause?: SharedCause;
  /** What settles it, as an entry of template.yaml. */
  settle?: Settlement;
  /** Key of the client it concerns; absent when it concerns the whole workspace. */
  client?: string;
  /** The one platform that it stops; absent where it concerns all of a client. */
  platform?: Platform;
  /** What of a brief it is about, as a path: what there is to give or to mend. */
  about?: readonly string[];
  /** What its message tells of, for whoever says it in other words. */
  facts?: Facts;
  /** The day since which it waits, as 2026-03-01, where that is kept. */
  since?: string;
}

/** Numbers and names by what they are: width, used, file. */
export type Facts = Readonly<Record<string, string | number>>;

/** What problems have in common that are told together. */
export interface SharedCause {
  of: ProblemCode;
  /** What of the template is left. */
  text?: string;
  /** Where the template says it. */
  from?: Place;
  /** The file it is about, within its variant. */
  file: string;
  /** What is said of that file, where the file's name stands in front. */
  said?: string;
}

/** Stands in an entry that wants a reason, until somebody gives one: it is none itself. */
export const reasonToGive = "say why it may stay";

/** An entry of template.yaml, and the list that it goes into. */
export interface Settlement {
  list: "fill" | "pictures" | "leave" | "allow";
  entry: string | Readonly<Record<string, string | number>>;
}

export type ProblemDetail = Partial<
  Pick<Problem, "severity" | "expected" | "fix" | "client" | "cause" | "platform" | "about" | "facts">
> & {
  place?: Place | undefined;
};

/** Makes a problem of a kind from the catalogue; the catalogue's fix stands unless another is given. */
export function problem(code: ProblemCode, message: string, detail: ProblemDetail = {}): Problem {
  const { place, ...rest } = detail;
  return {
    code,
    severity: "error",
    // What comes from a brief, a sheet, a name or a template never reaches a terminal as it is.
    message: shownText(message),
    fix: problemKinds[code].fix,
    who: whoActs(code),
    ...rest,
    ...(rest.expected === undefined ? {} : { expected: shownText(rest.expected) }),
    ...(place ? { place: { ...place, file: shownText(place.file) } } : {}),
  };
}

/** A value that was worked out, as far as it could be, and what was found on the way. */
export interface Judged<T> {
  value: T;
  problems: readonly Problem[];
}

export const sound = <T>(value: T): Judged<T> => ({ value, problems: [] });

/** Problems, each with the client that it concerns. */
export const ofClient = (client: string, problems: readonly Problem[]): Problem[] =>
  problems.map((each) => ({ ...each, client }));

export const isError = (each: Problem): boolean => each.severity === "error";

/** Whether it stops all of a client, not one platform alone. */
export const stopsClient = (each: Problem): boolean => isError(each) && each.platform === undefined;

/** Platforms that problems stop. */
export const stoppedPlatforms = (all: readonly Problem[]): Platform[] => [
  ...new Set(all.flatMap((each) => (isError(each) && each.platform ? [each.platform] : []))),
];
