import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { basename, dirname } from "node:path";
import { fileURLToPath } from "node:url";
import { Script } from "node:vm";
import type * as Work from "./work.ts";

/** The script's file, beside this one; the build names it by its content. */
declare const workFile: string;

let loaded: typeof Work | undefined;

/**
 * The work of all commands: a script, and beside it what the engine compiled of it when it was built. With that,
 * nothing is parsed or compiled again; an engine other than the build's does not take it, and compiles as ever.
 */
export function loadWork(): typeof Work {
  loaded ??= load(fileURLToPath(new URL(workFile, import.meta.url)));
  return loaded;
}

function load(file: string): typeof Work {
  const script = new Script(readFileSync(file, "latin1"), {
    filename: basename(file), // goes into what is compiled
    cachedData: compiledOf(file),
  });
  const module = { exports: {} };
  script.runInThisContext()(module.exports, createRequire(file), module, file, dirname(file));
  return module.exports as typeof Work;
}

function compiledOf(file: string): Buffer | undefined {
  try {
    return readFileSync(`${file}.compiled`);
  } catch {
    return undefined; // it is only quicker with it
  }
}
