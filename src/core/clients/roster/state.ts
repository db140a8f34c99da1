import { lastRelease } from "../../agency/history/ledger.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { isError } from "../../ground/problems/problem.ts";
import type { ClientState } from "../../ground/values/client-states.ts";

/** How far a client is: what is wrong with it, or what its ledger says. */
export function stateOf({ client, problems }: Resolved): string {
  if (problems.some(isError)) return "errors";
  const taken = client.ledger && lastRelease(client.ledger);
  if (taken) return `numbered ${taken.version}`;
  return client.ledger ? "generated" : "ready";
}

export const isInState = (each: Resolved, state: ClientState): boolean => stateOf(each).startsWith(state);
