import { resolvePicked } from "../clients/derive/resolve.ts";
import { type ClientKeys, keyStandings } from "../clients/keys/standing.ts";
import { proveKey } from "../proving/keys/prove.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { openedVault } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {}

/** Opens every key that clients have, and has each sign; with all that shows without the vault. Writes nothing. */
export const proveKeys = operation(async (input: Input, ports): Promise<ClientKeys[]> => {
  const workspace = await openWorkspace(input, ports);
  const { all, picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
  const wanted = new Set(picked.map(({ client }) => client.key));
  const vault = await openedVault(workspace, ports);
  const standings = keyStandings(all, { today: ports.today() }).filter(({ client }) => wanted.has(client));
  const proven: ClientKeys[] = [];
  for (const { client, keys, problems } of standings) {
    const own: ClientKeys["keys"][number][] = [];
    for (const each of keys) {
      const found = each.record ? await proveKey(vault, client, each.role, each.record) : [];
      own.push({ ...each, problems: [...found, ...each.problems] });
    }
    proven.push({ client, keys: own, problems });
  }
  return proven;
});
