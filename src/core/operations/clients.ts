import { resolvePicked } from "../derive/resolve.ts";
import type { Platform } from "../values/platform.ts";
import type { Resolved } from "../variant/variant.ts";
import { isWanted, type OfClients, refuseUnknownGroup } from "./chosen.ts";
import { operation } from "./operation.ts";
import { type At, openWorkspace } from "./workspace.ts";

/** The clients, resolved, and the platforms that the agency makes apps for. */
export const listClients = operation(
  async (input: At & OfClients, ports): Promise<{ clients: Resolved[]; platforms: readonly Platform[] }> => {
    const workspace = await openWorkspace(input, ports);
    refuseUnknownGroup(workspace, input.group);
    const { picked } = await resolvePicked(workspace, input.clients);
    return {
      clients: picked.filter((each) => isWanted(each, input)),
      platforms: workspace.agency.data.platforms,
    };
  },
);
