import { breakLock } from "../../core/files/lock.ts";
import { clearCache } from "../../core/plan/cache.ts";
import { counted, openTerminal, type Settings } from "../view/terminal.ts";
import { holding, workspaceRoot } from "../view/workspace.ts";

interface Options {
  lock?: boolean;
}

export async function run(_: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const root = workspaceRoot(options);
  if (options.lock) {
    const holder = breakLock(root);
    if (options.json) terminal.json({ lock: holder ?? null });
    else if (!options.quiet)
      terminal.print(
        holder === undefined
          ? "Nobody holds the workspace."
          : `The workspace is free. It was held by ${holder}.`,
      );
    return 0;
  }
  const freed = await holding(root, async () => clearCache(root));
  if (options.json) terminal.json(freed);
  else if (!options.quiet)
    terminal.print(
      freed.pictures === 0
        ? "The cache is empty."
        : `The cache is empty now: ${counted(freed.pictures, "picture")}, ${(freed.bytes / 1e6).toFixed(1)} MB.`,
    );
  return 0;
}
