import type * as z from "zod";
import { readInside } from "../files/reading/folder.ts";
import type { ProblemCode } from "../problems/catalogue.ts";
import { refuse } from "../problems/result.ts";
import { toldAs } from "../problems/retell.ts";
import { parseYaml } from "./document.ts";
import { validate } from "./validate.ts";

const utf8 = new TextDecoder("utf-8", { fatal: true });

/**
 * A JSON file beside a brief that Oxalis alone writes, held against the schema of its form. Stops with the problem that
 * stands for a damaged one, at its line: such a file is never made anew.
 */
export function readKept<S extends z.ZodObject>(
  root: string,
  file: string,
  damaged: ProblemCode,
  schemaOf: (data: unknown) => S,
): z.output<S> {
  return toldAs(damaged, () => {
    const bytes = readInside(root, file, file);
    // Read with its lines, which takes ten times as long, only where something is to be told about one.
    return plain(bytes, schemaOf) ?? withLines(bytes, file, schemaOf);
  });
}

function plain<S extends z.ZodObject>(bytes: Uint8Array, schemaOf: (data: unknown) => S): z.output<S> | undefined {
  try {
    const data: unknown = JSON.parse(utf8.decode(bytes));
    return schemaOf(data).safeParse(data).data;
  } catch {
    return undefined;
  }
}

function withLines<S extends z.ZodObject>(
  bytes: Uint8Array,
  file: string,
  schemaOf: (data: unknown) => S,
): z.output<S> {
  const document = parseYaml({ file, text: textOf(bytes, file) });
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
