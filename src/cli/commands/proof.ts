import { relative, resolve } from "node:path";
import { leadsDown } from "../../core/files/door.ts";
import { replaceFile } from "../../core/files/together.ts";
import { makeProof } from "../../core/proof/proof.ts";
import { counted, openTerminal, type Settings } from "../view/terminal.ts";
import { openWorkspace } from "../view/workspace.ts";
import { writeWhole } from "../view/write-whole.ts";

interface Options {
  output: string;
}

export async function run(keys: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const workspace = await openWorkspace(options);
  const { html, shown, absent } = await makeProof(workspace, keys);
  const file = resolve(workspace.root, options.output);
  const inside = relative(workspace.root, file).replaceAll("\\", "/");
  if (leadsDown(inside)) replaceFile(workspace.root, inside, html);
  else writeWhole(file, html);
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
