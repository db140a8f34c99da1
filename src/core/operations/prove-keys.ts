import pLimit from "p-limit";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { isError } from "../ground/problems/problem.ts";
import type { OpenVault } from "../ground/vault/open.ts";
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
  const limit = pLimit(atOnce);
  const proven = await Promise.all(
    standings.map((standing): Promise<ClientSigning> => limit(() => proveClient(vault, standing))),
  );
  const sound = proven.flatMap(({ keys, profiles }) =>
    [...keys, ...profiles].flatMap(({ record, problems }) => (record && !problems.some(isError) ? [record.name] : [])),
  );
  vault.noteProven(sound, ports.today());
  return proven;
});

/** So many clients at once: what the system's own cryptography does of one goes on beside the next. */
const atOnce = 4;

async function proveClient(vault: OpenVault, standing: ClientSigning): Promise<ClientSigning> {
  const keys: ClientSigning["keys"][number][] = [];
  for (const each of standing.keys) {
    const keeper = each.keptWith ?? standing.client;
    const found = each.record ? await proveKey(vault, keeper, each.role, each.record, standing.client) : [];
    keys.push({ ...each, problems: [...found, ...each.problems] });
  }
  const profiles: ClientSigning["profiles"][number][] = [];
  for (const each of standing.profiles) {
    const found = each.record ? await proveProfile(vault, standing.client, each.record) : [];
    profiles.push({ ...each, problems: [...found, ...each.problems] });
  }
  return { ...standing, keys, profiles };
}
