import { pickClients } from "../agency/workspace/read.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { ofClients, resolveAll } from "../clients/derive/resolve.ts";
import { isInState } from "../clients/roster/state.ts";
import type { Platform } from "../ground/values/platform.ts";
import { keepsKeys, type SigningState, signingStandings, signingState } from "../proving/keys/findings.ts";
import { isInGroup, type OfClients, refuseUnknownGroup } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Listed {
  clients: Resolved[];
  /** Platforms that the agency makes apps for. */
  platforms: readonly Platform[];
  /** How each stands with what signs its app; nothing where no keys are kept here. */
  signing: ReadonlyMap<string, SigningState>;
  /** Clients out of service, and since when. */
  retired: readonly { client: string; on: string }[];
}

/** The clients, resolved. */
export const listClients = operation(async (input: At & OfClients, ports): Promise<Listed> => {
  const workspace = await openWorkspace(input, ports);
  refuseUnknownGroup(workspace, input.group);
  const { group, state } = input;
  const named = pickClients(workspace, input.clients).filter((each) => isInGroup(each, group));
  const all = await resolveAll(workspace);
  const clients = ofClients(all, named).filter((each) => state === undefined || isInState(each, state));
  const picked = { all, picked: clients };
  const signing = keepsKeys(workspace, all) ? signingStandings(workspace, picked, { today: ports.today() }) : [];
  return {
    clients,
    signing: new Map(signing.map((each) => [each.client, signingState([...each.keys, ...each.profiles])])),
    platforms: workspace.agency.data.platforms,
    retired: workspace.retired.map(({ key, since }) => ({ client: key, on: since.on })),
  };
});
