import type { z } from "zod";
import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import { nearest } from "../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { stop } from "../../ground/problems/result.ts";
import type { Document, Path } from "./document.ts";

/** Checks a document against its schema; stops with every mismatch, each with its line. */
export function validate<S extends z.ZodObject>(document: Document, schema: S): z.output<S> {
  const result = schema.safeParse(document.data, { reportInput: true });
  if (result.success) return result.data;
  stop(result.error.issues.flatMap((issue) => problemsOf(issue, document, schema)));
}

/** What of a document its schema takes, where it does not take all of it. */
export interface SoundPart<T> {
  data: T;
  /** Where what is left out stands. */
  without: readonly (readonly string[])[];
}

/** So often a document is looked at again: a key that is left out may uncover another. */
const mostRounds = 8;

/** What is left of a document without all that its schema refuses; undefined where that would be nothing. */
export function soundPartOf<S extends z.ZodObject>(document: Document, schema: S): SoundPart<z.output<S>> | undefined {
  const data = structuredClone(document.data);
  const without: string[][] = [];
  for (let round = 0; round < mostRounds; round++) {
    const result = schema.safeParse(data);
    if (result.success) return { data: result.data, without };
    for (const path of result.error.issues.flatMap(refusedPaths)) {
      if (path.length === 0) return undefined;
      leaveOut(data, path);
      without.push(path);
    }
  }
  return undefined;
}

/** What is to be left out for an issue: of a list all of it, since the lines of the others would be counted wrongly. */
function refusedPaths(issue: z.core.$ZodIssue): string[][] {
  const list = issue.path.findIndex((step) => typeof step === "number");
  const path = (list < 0 ? issue.path : issue.path.slice(0, list)).map(String);
  return issue.code === "unrecognized_keys" && list < 0 ? issue.keys.map((key) => [...path, key]) : [path];
}

function leaveOut(data: unknown, path: readonly string[]): void {
  const within = path.slice(0, -1).reduce<unknown>((at, step) => (isGroup(at) ? at[step] : undefined), data);
  if (isGroup(within)) delete within[path.at(-1) as string];
}

const isGroup = (value: unknown): value is Record<string, unknown> => typeof value === "object" && value !== null;

function problemsOf(issue: z.core.$ZodIssue, document: Document, schema: z.ZodObject): Problem[] {
  const path = issue.path as Path;
  if (issue.code === "unrecognized_keys") {
    const known = knownKeys(schema, path);
    return issue.keys.map((key) => unknownKey(key, known, document, path));
  }
  const place = document.placeOf(path);
  const about = path.map(String);
  if (issue.code === "custom") {
    const code = (issue.params?.problem as ProblemCode | undefined) ?? "value-invalid";
    return [problem(code, `${nameOf(path)}: ${issue.message}.`, { place, about })];
  }
  if (issue.input === undefined) {
    const message = `${nameOf(path)} is missing.`;
    return [problem("key-missing", message, { place: document.placeOf(path.slice(0, -1), "key"), about })];
  }
  return [
    problem("value-invalid", `${nameOf(path)} is ${showInput(issue.input)}.`, {
      place,
      about,
      expected: expectedBy(issue),
    }),
  ];
}

function unknownKey(key: string, known: readonly string[], document: Document, path: Path): Problem {
  const place = document.placeOf([...path, key], "key");
  const near = nearest(key, known);
  return problem("key-unknown", `Nothing is called "${key}" ${path.length ? `below ${nameOf(path)}` : "here"}.`, {
    place,
    expected: near ? `"${near}"` : `one of ${known.join(", ")}`,
  });
}

/** The keys a schema knows at a path; walks through optional, default and array wrappers. */
function knownKeys(schema: z.ZodObject, path: Path): string[] {
  let at: unknown = schema;
  for (const step of path) at = typeof step === "number" ? elementOf(at) : shapeOf(at)?.[step];
  return Object.keys(shapeOf(at) ?? {});
}

type Wrapped = { def?: { innerType?: unknown; element?: unknown; shape?: Record<string, unknown> } };

function unwrap(schema: unknown): Wrapped | undefined {
  let at = schema as Wrapped | undefined;
  while (at?.def?.innerType) at = at.def.innerType as Wrapped;
  return at;
}

const shapeOf = (schema: unknown) => unwrap(schema)?.def?.shape;
const elementOf = (schema: unknown) => unwrap(schema)?.def?.element;

const nameOf = (path: Path): string => (path.length ? path.join(".") : "The file");

function showInput(input: unknown): string {
  if (typeof input === "string") return input.trim() === "" ? "empty" : `"${input}"`;
  if (input === null) return "empty";
  if (Array.isArray(input)) return "a list";
  return typeof input === "object" ? "a group of keys" : String(input);
}

const kindNames: Record<string, string> = {
  string: "text (in quotes, if it looks like a number)",
  int: "a whole number",
  number: "a number",
  object: "a group of keys",
  array: "a list, each line starting with a hyphen",
  record: "a group of keys",
  boolean: "true or false",
};

function expectedBy(issue: z.core.$ZodIssue): string {
  if (issue.code === "invalid_type") return kindNames[issue.expected] ?? issue.expected;
  if (issue.code === "invalid_value") return `one of ${issue.values.join(", ")}`;
  if (issue.code === "too_big") return `at most ${issue.maximum}${issue.origin === "string" ? " characters" : ""}`;
  if (issue.code === "too_small")
    return issue.origin === "string"
      ? "some text"
      : `at least ${issue.minimum}${issue.origin === "array" ? " entries" : ""}`;
  return issue.message;
}
