import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { basename, dirname } from "node:path";
import { fileURLToPath } from "node:url";
import { Script } from "node:vm";
import { openCompiled } from "./compiled.ts";
import type * as Work from "./work.ts";

/** The script's file, beside this one; the build names it by its content. */
declare const workFile: string;

let loaded: typeof Work | undefined;

/**
 * The work of all commands: a script. What the engine has compiled of it is kept from run to run; with that, nothing
 * is parsed or compiled again.
 */
export function loadWork(command = ""): typeof Work {
  loaded ??= load(fileURLToPath(new URL(workFile, import.meta.url)), command);
  return loaded;
}

function load(file: string, command: string): typeof Work {
  const text = readFileSync(file);
  const compiled = openCompiled(file);
  const script = new Script(text.toString("latin1"), {
    filename: basename(file), // goes into what is compiled
    ...(compiled.data ? { cachedData: compiled.data } : {}),
  });
  const module = { exports: {} };
  script.runInThisContext()(module.exports, createRequire(file), module, file, dirname(file));
  process.once("exit", (code) => {
    if (code === 0 || code === 1) compiled.keep(script, command);
  });
  return module.exports as typeof Work;
}
