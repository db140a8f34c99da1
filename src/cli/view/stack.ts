import { existsSync, readFileSync } from "node:fs";
import { SourceMap } from "node:module";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/** A place in a built script, as a stack names it, in parentheses or not: `work-K3Q2.cjs:380:1090173`. */
const place = /(?:[^\s()]*\/)?((?:work-\w+\.cjs|oxalis\.js|compare\.js)):(\d+):(\d+)/g;

/** A stack that names source files and lines in place of those of the built scripts, by the maps beside them. */
export function inSource(stack: string, folder = dirname(fileURLToPath(import.meta.url))): string {
  const maps = new Map<string, SourceMap | undefined>();
  return stack.replace(place, (whole, file: string, line: string, column: string) => {
    if (!maps.has(file)) maps.set(file, mapOf(join(folder, `${file}.map`)));
    // A map counts from 0, a stack from 1.
    const entry = maps.get(file)?.findEntry(Number(line) - 1, Number(column) - 1);
    if (!entry || !("originalSource" in entry)) return whole;
    return `${entry.originalSource.replace(/^(?:\.\.\/)+/, "")}:${entry.originalLine + 1}:${entry.originalColumn + 1}`;
  });
}

function mapOf(file: string): SourceMap | undefined {
  if (!existsSync(file)) return undefined;
  return new SourceMap(JSON.parse(readFileSync(file, "utf8")) as ConstructorParameters<typeof SourceMap>[0]);
}
