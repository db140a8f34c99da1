import { resolvePicked } from "../derive/resolve.ts";
import { expectedAmong } from "../problems/nearest.ts";
import { refuse } from "../problems/result.ts";
import { stateOf } from "../roster/state.ts";
import type { Platform } from "../values/platform.ts";
import type { Resolved } from "../variant/variant.ts";
import type { Workspace } from "../workspace/workspace.ts";
import { operation } from "./operation.ts";
import { type At, type OfClients, openWorkspace } from "./workspace.ts";

interface Input extends At, OfClients {
  /** Only clients in this state, such as "ready" or "released". */
  state?: string | undefined;
  /** Only clients of this group. */
  group?: string | undefined;
}

/** The clients, resolved, and the platforms that the agency makes apps for. */
export const listClients = operation(
  async (input: Input, ports): Promise<{ clients: Resolved[]; platforms: readonly Platform[] }> => {
    const workspace = await openWorkspace(input, ports);
    refuseUnknown(workspace, input.group);
    const { picked } = await resolvePicked(workspace, input.clients);
    return {
      clients: picked.filter((each) => isWanted(each, input)),
      platforms: workspace.agency.data.platforms,
    };
  },
);

function refuseUnknown({ agency, clients }: Workspace, group: string | undefined): void {
  const ofClients = clients.flatMap(({ brief }) => brief?.data.groups ?? []);
  const groups = [...new Set([...Object.keys(agency.data.groups), ...ofClients])];
  if (group !== undefined && !groups.includes(group))
    refuse("group-unknown", `No group is called "${group}".`, {
      expected: expectedAmong(group, groups, "a name under groups in oxalis.yaml"),
    });
}

const isWanted = (each: Resolved, { state, group }: Input): boolean =>
  (state === undefined || stateOf(each).startsWith(state)) &&
  (group === undefined || each.client.brief?.data.groups?.includes(group) === true);
