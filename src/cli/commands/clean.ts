import { clearCache } from "../../core/plan/cache.ts";
import { withLock } from "../../core/plan/lock.ts";
import { counted, openTerminal, type Settings } from "../view/terminal.ts";
import { workspaceRoot } from "../view/workspace.ts";

export async function run(_: string[], options: Settings): Promise<number> {
  const terminal = openTerminal(options);
  const root = workspaceRoot(options);
  const freed = await withLock(root, async () => clearCache(root));
  if (options.json) terminal.json(freed);
  else if (!options.quiet)
    terminal.print(
      freed.pictures === 0
        ? "The cache is empty."
        : `The cache is empty now: ${counted(freed.pictures, "picture")}, ${(freed.bytes / 1e6).toFixed(1)} MB.`,
    );
  return 0;
}
