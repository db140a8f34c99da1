import { resolvePicked } from "../clients/derive/resolve.ts";
import { attempt } from "../ground/problems/result.ts";
import { provenDays } from "../ground/vault/proven.ts";
import { type ClientSigning, signingStandings } from "../proving/keys/findings.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { vaultFolder } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** So many days before its end a certificate is told of. */
  within?: number | undefined;
}

/** How clients stand with their keys, and the days on which each was last proven, by its name. */
export interface ListedKeys {
  clients: readonly ClientSigning[];
  proven: Readonly<Record<string, string>>;
}

/** How clients stand with their keys, as far as that shows without the vault. */
export const listKeys = operation(async ({ within, ...input }: Input, ports): Promise<ListedKeys> => {
  const workspace = await openWorkspace(input, ports);
  const { all, picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
  const clients = signingStandings(
    workspace,
    { all, picked },
    { today: ports.today(), ...(within === undefined ? {} : { notice: within }) },
  );
  const vault = attempt(() => vaultFolder(workspace, ports));
  return { clients, proven: vault.ok ? provenDays(vault.value) : {} };
});
