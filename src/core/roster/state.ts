import { isError } from "../problems/problem.ts";
import type { Resolved } from "../variant/variant.ts";
import { lastRelease } from "../workspace/ledger.ts";

/** How far a client is: what is wrong with it, or what its ledger says. */
export function stateOf({ client, problems }: Resolved): string {
  if (problems.some(isError)) return "errors";
  const released = client.ledger && lastRelease(client.ledger);
  if (released) return `released ${released.version}`;
  return client.ledger ? "generated" : "ready";
}
