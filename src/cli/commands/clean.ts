import { emptyCache, freeWorkspace } from "../../core/operations/clean.ts";
import { mapResult } from "../../core/problems/result.ts";
import type { Run } from "../command.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"clean"> = async (given, { terminal, ports }) =>
  given.lock
    ? mapResult(await freeWorkspace(given, ports), ({ holder }) => {
        tell(
          { lock: holder ?? null },
          holder === undefined ? "Nobody holds the workspace." : `The workspace is free. It was held by ${holder}.`,
          terminal,
        );
        return 0;
      })
    : mapResult(await emptyCache(given, ports), (freed) => {
        const size = `${countOf(freed.pictures, "picture")}, ${(freed.bytes / 1e6).toFixed(1)} MB`;
        tell(freed, freed.pictures === 0 ? "The cache is empty." : `The cache is empty now: ${size}.`, terminal);
        return 0;
      });

function tell(data: object, text: string, { settings, json, print }: Terminal): void {
  if (settings.json) json(data);
  else if (!settings.quiet) print(text);
}
