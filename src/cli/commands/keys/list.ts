import { isError, problem } from "../../../core/ground/problems/problem.ts";
import { fail, mapResult } from "../../../core/ground/problems/result.ts";
import { listKeys } from "../../../core/operations/list-keys.ts";
import type { Run } from "../../command.ts";
import { keyProblems, keysData, showKeys } from "../../view/keys.ts";

export const run: Run<"keys"> = async ({ within, ...given }, { terminal, ports }) => {
  if (within !== undefined && !/^\d{1,4}$/.test(within))
    return fail(problem("value-invalid", `"${within}" is no number of days.`, { expected: "a number, such as 60" }));
  const days = within === undefined ? undefined : Number(within);
  return mapResult(await listKeys({ ...given, within: days }, ports), ({ clients, proven }) => {
    const shown = (name: string) => (proven[name] === undefined ? "not proven yet" : `proven on ${proven[name]}`);
    if (given.json) terminal.json(keysData(clients, proven));
    else showKeys(clients, shown, terminal);
    return keyProblems(clients).some(isError) ? 1 : 0;
  });
};
