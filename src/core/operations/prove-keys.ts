import { resolvePicked } from "../clients/derive/resolve.ts";
import { isError } from "../ground/problems/problem.ts";
import { noteProven } from "../ground/vault/proven.ts";
import { type ClientSigning, signingStandings } from "../proving/keys/findings.ts";
import { proveKey, proveProfile } from "../proving/keys/prove.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { openedVault } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {}

/**
 * Opens every key that clients have, and has each sign; with all that shows without the vault. Writes nothing but the
 * day beside the keys.
 */
export const proveKeys = operation(async (input: Input, ports): Promise<ClientSigning[]> => {
  const workspace = await openWorkspace(input, ports);
  const { all, picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
  const vault = await openedVault(workspace, ports);
  const standings = signingStandings(workspace, { all, picked }, { today: ports.today() });
  const proven: ClientSigning[] = [];
  for (const standing of standings) {
    const keys: ClientSigning["keys"][number][] = [];
    for (const each of standing.keys) {
      const found = each.record
        ? await proveKey(vault, each.keptWith ?? standing.client, each.role, each.record, standing.client)
        : [];
      keys.push({ ...each, problems: [...found, ...each.problems] });
    }
    const profiles: ClientSigning["profiles"][number][] = [];
    for (const each of standing.profiles) {
      const found = each.record ? await proveProfile(vault, standing.client, each.record) : [];
      profiles.push({ ...each, problems: [...found, ...each.problems] });
    }
    proven.push({ ...standing, keys, profiles });
  }
  const sound = proven.flatMap(({ keys, profiles }) =>
    [...keys, ...profiles].flatMap(({ record, problems }) => (record && !problems.some(isError) ? [record.name] : [])),
  );
  noteProven(vault.root, sound, ports.today());
  return proven;
});
