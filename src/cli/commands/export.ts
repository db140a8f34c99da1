import { resolve } from "node:path";
import { resolvePicked } from "../../core/derive/resolve.ts";
import { rosterSheet } from "../../core/roster/export.ts";
import { sheetBytes } from "../../core/roster/sheet.ts";
import { counted, openTerminal, type Settings } from "../view/terminal.ts";
import { openWorkspace } from "../view/workspace.ts";
import { writeWhole } from "../view/write-whole.ts";

export async function run([file = "", ...keys]: string[], options: Settings): Promise<number> {
  const terminal = openTerminal(options);
  const workspace = await openWorkspace(options);
  const { picked } = await resolvePicked(workspace, keys);
  const sheet = rosterSheet(picked);
  writeWhole(resolve(file), await sheetBytes(file, sheet));
  if (options.json)
    terminal.json({ file: resolve(file), clients: picked.length, columns: sheet[0]?.length ?? 0 });
  else if (!options.quiet)
    terminal.print(
      `${counted(picked.length, "client")}, ${counted(sheet[0]?.length ?? 0, "column")} in ${terminal.out.cyan(file)}`,
    );
  return 0;
}
