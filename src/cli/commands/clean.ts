import { mapResult } from "../../core/ground/problems/result.ts";
import type { Cleared } from "../../core/making/make/gone.ts";
import { clearVariants, emptyCache, freeWorkspace } from "../../core/operations/clean.ts";
import type { Run } from "../command.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"clean"> = async (given, { terminal, ports }) => {
  if (given.variants)
    return mapResult(await clearVariants(given, ports), (cleared) => {
      tell({ variants: cleared }, clearedText(cleared, terminal), terminal);
      return cleared.some(({ kept }) => kept !== undefined) ? 1 : 0;
    });
  if (given.lock)
    return mapResult(await freeWorkspace(given, ports), ({ holder }) => {
      const text =
        holder === undefined ? "Nobody holds the workspace." : `The workspace is free. It was held by ${holder}.`;
      tell({ lock: holder ?? null }, text, terminal);
      return 0;
    });
  return mapResult(await emptyCache(given, ports), (freed) => {
    const size = `${countOf(freed.pictures, "picture")}, ${(freed.bytes / 1e6).toFixed(1)} MB`;
    tell(freed, freed.pictures === 0 ? "The cache is empty." : `The cache is empty now: ${size}.`, terminal);
    return 0;
  });
};

function clearedText(cleared: readonly Cleared[], { out }: Terminal): string {
  if (cleared.length === 0) return "No variant is of a client or a stage that is gone.";
  return cleared
    .map(({ variant, kept }) =>
      kept === undefined
        ? `${out.green("removed")}  variants/${variant}`
        : `${out.yellow("kept")}  variants/${variant}: ${kept} is not as it was made. Remove it by hand.`,
    )
    .join("\n");
}

function tell(data: object, text: string, { settings, json, print }: Terminal): void {
  if (settings.json) json(data);
  else if (!settings.quiet) print(text);
}
