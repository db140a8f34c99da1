import { existsSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import { fileURLToPath } from "node:url";
import { mapResult } from "../../core/ground/problems/result.ts";
import { writeDemo } from "../../core/operations/demo.ts";
import type { Run } from "../command.ts";

export const run: Run<"demo"> = async ({ folder, story }, { terminal, ports }) =>
  mapResult(await writeDemo({ from: shippedDemo(), folder, story }, ports), (written) => {
    const shown = relative(ports.folder, written.folder) || ".";
    const next = story ? ["board", "events", "testers"] : ["clients", "generate"];
    const lines = [`cd ${shown}`, ...next.map((command) => `oxalis ${command}`)];
    terminal.print(`The example is in ${shown}. Next:\n\n${lines.map((line) => `    ${line}`).join("\n")}`);
    return 0;
  });

/** The example that ships with the program. */
function shippedDemo(): string {
  for (let folder = dirname(fileURLToPath(import.meta.url)); folder !== dirname(folder); folder = dirname(folder)) {
    if (existsSync(join(folder, "demo", "oxalis.yaml"))) return join(folder, "demo");
  }
  throw new Error("the example is not where the program was installed");
}
