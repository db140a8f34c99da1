import { pickClients } from "../../agency/workspace/read.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { ofClients, resolveAll } from "../../clients/derive/resolve.ts";
import { isInState } from "../../clients/roster/state.ts";
import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import { expectedAmong } from "../../ground/problems/nearest.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { ClientState } from "../../ground/values/client-states.ts";

/** Clients by their keys, or by patterns of keys; none for all. And of these only those of a group, or in a state. */
export interface OfClients {
  clients: readonly string[];
  group?: string | undefined;
  state?: ClientState | undefined;
}

/**
 * Keys of the clients that are meant; none for all. Stops: client-unknown, group-unknown, and clients-none where nobody
 * is in the group and the state.
 */
export async function chooseClients(workspace: Workspace, wanted: OfClients): Promise<readonly string[]> {
  const { clients, group, state } = wanted;
  refuseUnknownGroup(workspace, group);
  if (group === undefined && state === undefined) return clients;
  const ofGroup = pickClients(workspace, clients).filter((each) => isInGroup(each, group));
  const chosen =
    state === undefined
      ? ofGroup
      : ofClients(await resolveAll(workspace), ofGroup).flatMap((each) =>
          isInState(each, state) ? [each.client] : [],
        );
  if (chosen.length > 0) return chosen.map(({ key }) => key);
  const said = [
    ...(group === undefined ? [] : [`in the group ${group}`]),
    ...(state ? [`in the state "${state}"`] : []),
  ];
  return refuse("clients-none", `No client${clients.length > 0 ? " of those named" : ""} is ${said.join(" and ")}.`);
}

/** The same, of those that somebody names: what cannot be undone happens to nobody because nobody was named. */
export function chooseNamed(workspace: Workspace, wanted: OfClients, code: ProblemCode): Promise<readonly string[]> {
  const { clients, group, state } = wanted;
  if (clients.length === 0 && group === undefined && state === undefined)
    refuse(code, "It is not said which clients.", {
      expected: "keys of clients, --group or --state",
      fix: 'Name them; all of them are "*".',
    });
  return chooseClients(workspace, wanted);
}

/** Whether a client is in the group that is asked for, if any is. */
export const isInGroup = ({ brief }: Client, group: string | undefined): boolean =>
  group === undefined || brief?.data.groups?.includes(group) === true;

export function refuseUnknownGroup({ agency, clients }: Workspace, group: string | undefined): void {
  const ofClients = clients.flatMap(({ brief }) => brief?.data.groups ?? []);
  const groups = [...new Set([...Object.keys(agency.data.groups), ...ofClients])];
  if (group !== undefined && !groups.includes(group))
    refuse("group-unknown", `No group is called "${group}".`, {
      expected: expectedAmong(group, groups, "a name under groups in oxalis.yaml"),
    });
}
