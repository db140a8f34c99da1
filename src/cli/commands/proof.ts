import { mkdirSync, renameSync, writeFileSync } from "node:fs";
import { dirname, relative, resolve } from "node:path";
import { refuse } from "../../core/problems/problem.ts";
import { makeProof } from "../../core/proof/proof.ts";
import { counted, openTerminal, type Settings } from "../view/terminal.ts";
import { openWorkspace } from "../view/workspace.ts";

interface Options {
  output: string;
}

export async function run(keys: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const workspace = openWorkspace(options);
  const { html, shown, absent } = await makeProof(workspace, keys);
  const file = resolve(workspace.root, options.output);
  writeWhole(file, html);
  const named = relative(process.cwd(), file) || file;
  if (options.json) terminal.json({ file, bytes: Buffer.byteLength(html), shown, absent });
  else {
    for (const { client, reason } of absent)
      terminal.note(`${terminal.err.yellow("!")} ${client} is not on the page. ${reason}`);
    if (!options.quiet)
      terminal.print(`${counted(shown.length, "client")} on one page. Open ${terminal.out.cyan(named)}`);
  }
  return absent.length > 0 ? 1 : 0;
}

function writeWhole(file: string, text: string): void {
  const beside = `${file}.${process.pid}.tmp`;
  try {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(beside, text);
    renameSync(beside, file);
  } catch (error) {
    refuse("write-failed", `${file} could not be written: ${(error as Error).message}.`);
  }
}
