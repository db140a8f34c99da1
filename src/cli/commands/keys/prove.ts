import { isError } from "../../../core/ground/problems/problem.ts";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { proveKeys } from "../../../core/operations/prove-keys.ts";
import type { Run } from "../../command.ts";
import { keyProblems, keysData, showKeys } from "../../view/keys.ts";

export const run: Run<"keys prove"> = async (given, { terminal, ports }) =>
  mapResult(await proveKeys(given, ports), (all) => {
    if (given.json) terminal.json(keysData(all));
    else showKeys(all, () => "proven", terminal);
    return keyProblems(all).some(isError) ? 1 : 0;
  });
