import { pickClients } from "../agency/workspace/read.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { ofClients, resolveAll } from "../clients/derive/resolve.ts";
import type { Platform } from "../ground/values/platform.ts";
import { isWanted, type OfClients, refuseUnknownGroup } from "./chosen.ts";
import { operation } from "./operation.ts";
import { type At, openWorkspace } from "./workspace.ts";

/** The clients, resolved, and the platforms that the agency makes apps for. */
export const listClients = operation(
  async (input: At & OfClients, ports): Promise<{ clients: Resolved[]; platforms: readonly Platform[] }> => {
    const workspace = await openWorkspace(input, ports);
    refuseUnknownGroup(workspace, input.group);
    const named = pickClients(workspace, input.clients);
    const all = await resolveAll(workspace);
    return {
      clients: ofClients(all, named).filter((each) => isWanted(each, input)),
      platforms: workspace.agency.data.platforms,
    };
  },
);
