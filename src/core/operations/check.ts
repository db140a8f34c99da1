import { type Checked, check } from "../check/check.ts";
import type { Problem } from "../problems/problem.ts";
import { operation } from "./operation.ts";
import { type At, type OfClients, openWorkspace } from "./workspace.ts";

/** Looks at all inputs before anything is made. */
export const checkInputs = operation(
  async (input: At & OfClients, ports): Promise<{ clients: Checked[]; gaps: Problem[] }> =>
    check(await openWorkspace(input, ports), input.clients),
);
