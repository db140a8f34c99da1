import { isError, problem } from "../../../core/ground/problems/problem.ts";
import { fail, mapResult } from "../../../core/ground/problems/result.ts";
import { listKeys } from "../../../core/operations/list-keys.ts";
import type { Run } from "../../command.ts";
import { keyProblems, keysData, showKeys } from "../../view/keys.ts";

export const run: Run<"keys"> = async ({ within, ...given }, { terminal, ports }) => {
  if (within !== undefined && !/^\d{1,4}$/.test(within))
    return fail(problem("value-invalid", `"${within}" is no number of days.`, { expected: "a number, such as 60" }));
  const days = within === undefined ? undefined : Number(within);
  return mapResult(await listKeys({ ...given, within: days }, ports), (all) => {
    if (given.json) terminal.json(keysData(all));
    else showKeys(all, "there", terminal);
    return keyProblems(all).some(isError) ? 1 : 0;
  });
};
