import { cpSync, existsSync, readdirSync, writeFileSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { makeRoot } from "../../core/files/door.ts";
import { refuse } from "../../core/problems/problem.ts";
import { openTerminal, type Settings } from "../view/terminal.ts";

/** The example that ships with the program. */
function shippedDemo(): string {
  for (
    let folder = dirname(fileURLToPath(import.meta.url));
    folder !== dirname(folder);
    folder = dirname(folder)
  ) {
    if (existsSync(join(folder, "demo", "oxalis.yaml"))) return join(folder, "demo");
  }
  throw new Error("the example is not where the program was installed");
}

export async function run([folder = "."]: string[], options: Settings): Promise<number> {
  const terminal = openTerminal(options);
  const target = resolve(folder);
  if (existsSync(target) && readdirSync(target).length > 0)
    refuse("folder-in-use", `${target} is there and not empty.`);
  try {
    makeRoot(target);
  } catch (error) {
    refuse("write-failed", `${target} could not be made: ${(error as Error).message}.`);
  }
  cpSync(shippedDemo(), target, { recursive: true });
  // A published package leaves out files of this name, so it is written rather than copied.
  writeFileSync(join(target, ".gitignore"), "variants/\n.oxalis/\n");
  const shown = relative(process.cwd(), target) || ".";
  terminal.print(
    `The example is in ${shown}. Next:\n\n    cd ${shown}\n    oxalis clients\n    oxalis generate`,
  );
  return 0;
}
