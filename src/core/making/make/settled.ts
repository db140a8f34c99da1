import type { Ledger } from "../../agency/history/ledger.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { reserveIdentifiers } from "../../clients/release/reserve.ts";
import { problem } from "../../ground/problems/problem.ts";
import { stop } from "../../ground/problems/result.ts";

/**
 * A client's ledger, where it would have to change. It holds what stands in the stores: a stage's identifiers do not.
 */
export function newLedger({ stage }: Workspace, { client, variant }: Resolved, today: string): Ledger | undefined {
  return variant && !stage ? reserveIdentifiers(variant, variant.platforms, client.ledger, today) : undefined;
}

/** Stops where a ledger would have to change: ledger-unsettled */
export function refuseChanges(workspace: Workspace, resolved: readonly Resolved[], today: string): void {
  const changing = resolved.filter((each) => newLedger(workspace, each, today));
  if (changing.length === 0) return;
  stop(
    changing.map(({ client }) =>
      problem("ledger-unsettled", `The ledger in clients/${client.key}/history would have to change.`, {
        client: client.key,
      }),
    ),
  );
}
