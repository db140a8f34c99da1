import type * as z from "zod";
import { readInside } from "../../ground/files/reading/folder.ts";
import { lookAt } from "../../ground/files/writing/door.ts";
import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt, refuse, stop } from "../../ground/problems/result.ts";
import { placeAt } from "../../ground/values/source.ts";
import { parseYaml } from "../documents/document.ts";
import { validate } from "../documents/validate.ts";

const utf8 = new TextDecoder("utf-8", { fatal: true });

/** What data is held against, by what it says of itself. */
type SchemaOf<S extends z.ZodObject> = (data: unknown) => S;

/**
 * Reads a JSON file that Oxalis alone writes, and that knows what nothing else does; undefined where there is none.
 * Stops with `damaged` where it cannot be read.
 * @param file relative to the workspace
 */
export function readKept<S extends z.ZodObject>(
  root: string,
  file: string,
  { damaged, schemaOf }: { damaged: ProblemCode; schemaOf: SchemaOf<S> },
): z.output<S> | undefined {
  // A link that leads nowhere is there, and cannot be read.
  if (!lookAt(root, file)) return undefined;
  const read = attempt(() => {
    const bytes = readInside(root, file, file);
    // Read with its lines, which takes ten times as long, only where something is to be told about one.
    return plain(bytes, schemaOf) ?? withLines(bytes, file, { damaged, schemaOf });
  });
  return read.ok ? read.value : stop([damagedBy(damaged, file, read.problems)]);
}

/** So many places of a damaged file are told. */
const mostReasons = 3;

/** One problem, however many places of the file do not fit: it is settled as a whole. */
function damagedBy(code: ProblemCode, file: string, problems: readonly Problem[]): Problem {
  const [first] = problems;
  if (first?.code === code) return first;
  const why = problems.slice(0, mostReasons).map(({ message }) => message);
  return problem(code, [`${file} is damaged.`, ...why].join(" "), { place: first?.place });
}

function plain<S extends z.ZodObject>(bytes: Uint8Array, schemaOf: SchemaOf<S>): z.output<S> | undefined {
  try {
    const data: unknown = JSON.parse(utf8.decode(bytes));
    return schemaOf(data).safeParse(data).data;
  } catch {
    return undefined;
  }
}

/** Lines that version control puts around what it could not merge. */
const mergeMark = /^(?:<{7}|={7}|>{7})/m;

function withLines<S extends z.ZodObject>(
  bytes: Uint8Array,
  file: string,
  { damaged, schemaOf }: { damaged: ProblemCode; schemaOf: SchemaOf<S> },
): z.output<S> {
  const source = { file, text: textOf(bytes, file) };
  const merge = mergeMark.exec(source.text);
  if (merge)
    refuse(damaged, `${file} holds a merge that nobody has settled.`, {
      place: placeAt(source, merge.index),
      fix: "Keep what both sides have, and take the marks of the merge out; then check that it is read: oxalis check.",
    });
  const document = parseYaml(source);
  return validate(document, schemaOf(document.data));
}

/** Bytes of a file as UTF-8. Stops: file-unreadable. */
export function textOf(bytes: Uint8Array, file: string): string {
  try {
    return utf8.decode(bytes);
  } catch {
    return refuse("file-unreadable", `${file} is not UTF-8 text.`);
  }
}
