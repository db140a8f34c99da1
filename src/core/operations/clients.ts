import { pickClients } from "../agency/workspace/read.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { ofClients, resolveAll } from "../clients/derive/resolve.ts";
import { isInState } from "../clients/roster/state.ts";
import type { Platform } from "../ground/values/platform.ts";
import { isInGroup, type OfClients, refuseUnknownGroup } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

/** The clients, resolved, and the platforms that the agency makes apps for. */
export const listClients = operation(
  async (input: At & OfClients, ports): Promise<{ clients: Resolved[]; platforms: readonly Platform[] }> => {
    const workspace = await openWorkspace(input, ports);
    refuseUnknownGroup(workspace, input.group);
    const { group, state } = input;
    const named = pickClients(workspace, input.clients).filter((each) => isInGroup(each, group));
    const all = await resolveAll(workspace);
    return {
      clients: ofClients(all, named).filter((each) => state === undefined || isInState(each, state)),
      platforms: workspace.agency.data.platforms,
    };
  },
);
