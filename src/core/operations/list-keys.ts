import { resolvePicked } from "../clients/derive/resolve.ts";
import { type ClientKeys, keyStandings } from "../clients/keys/standing.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** So many days before its end a certificate is told of. */
  within?: number | undefined;
}

/** How clients stand with their keys, as far as that shows without the vault. */
export const listKeys = operation(async ({ within, ...input }: Input, ports): Promise<ClientKeys[]> => {
  const workspace = await openWorkspace(input, ports);
  const { all, picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
  const wanted = new Set(picked.map(({ client }) => client.key));
  const standings = keyStandings(all, {
    today: ports.today(),
    ...(within === undefined ? {} : { notice: within }),
  });
  return standings.filter(({ client }) => wanted.has(client));
});
