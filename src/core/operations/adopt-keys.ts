import { type KeyRecord, keysOf } from "../agency/history/keys.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import {
  type AdoptSaid,
  type LookedInto,
  lookInto,
  type Owner,
  ownerOfKey,
  unfitFor,
} from "../clients/keys/adopting.ts";
import { secretFiles } from "../clients/keys/material.ts";
import { type KeyRole, keyFile, keyName, keyRoleFacts } from "../clients/keys/roles.ts";
import { markInName, markOf } from "../clients/keys/standing.ts";
import { teamOf } from "../ground/certificates/extensions.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { expectedAmong } from "../ground/problems/nearest.ts";
import { refuse, stop, unwrap } from "../ground/problems/result.ts";
import type { OpenVault } from "../ground/vault/open.ts";
import { readNamed } from "./running/named.ts";
import { operation } from "./running/operation.ts";
import { noted, type Ports } from "./running/ports.ts";
import { vaultFolder, withVault } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, AdoptSaid {
  file: string;
  /** The beginning of the fingerprint of a key that is lost, and that this one takes the place of. */
  insteadOf?: string | undefined;
  /** Whose account it is of, and who else holds it. */
  account?: KeyRecord["account"];
  heldBy?: string | undefined;
  dryRun: boolean;
}

/** A key that was taken in; `isKnown` where it was there already. */
export interface AdoptedKey {
  client: string;
  role: KeyRole;
  record: KeyRecord;
  isKnown: boolean;
}

/** Takes in a key that there is: looks into it, finds whose it is, and keeps it as it came. */
export const adoptKey = operation(async (input: Input, ports): Promise<AdoptedKey> => {
  const { path, name, bytes } = readNamed(ports, input.file);
  const before = await openWorkspace(input, ports);
  // Where it is not said where keys lie, nobody is asked for a password.
  vaultFolder(before, ports);
  const looked = await lookInto(path, bytes, input, () => ports.storePassword(name));
  if (input.dryRun) return decide(await ownersIn(before, input), looked, "", input, ports);
  return withVault(input, ports, before, async (vault, workspace) => {
    const owners = await ownersIn(workspace, input);
    const isTaken = (file: string) => vault.has(file);
    const adopted = decide(owners, looked, vault.recipient, input, ports, isTaken);
    if (!adopted.isKnown) await keep(vault, workspace.root, adopted, looked);
    return adopted;
  });
});

async function ownersIn(workspace: Workspace, input: Input): Promise<Owner[]> {
  const { all } = await resolvePicked(workspace, []);
  const keys = all.map(({ client }) => client.key);
  if (input.client !== undefined && !keys.includes(input.client))
    refuse("client-unknown", `No client is called "${input.client}".`, {
      expected: expectedAmong(input.client, keys, "the key of a client"),
    });
  return all.map(({ client, values }) => ({
    key: client.key,
    name: values["app.name"]?.value,
    owner: values.owner?.value,
    publisher: values["windows.publisher"]?.value,
    team: values["signing.team"]?.value,
    keys: client.keys ? unwrap(client.keys).records : {},
  }));
}

function decide(
  owners: readonly Owner[],
  looked: LookedInto,
  vault: string,
  input: Input,
  ports: Ports,
  isTaken: (file: string) => boolean = () => false,
): AdoptedKey & { owner: Owner } {
  const owner = ownerOfKey(input.file, looked, owners, input);
  const { role, material } = looked;
  const known = owner.keys[role];
  if (known && markOf(known) === markOf(material.facts))
    return { client: owner.key, role, record: known, isKnown: true, owner };
  const team = keyRoleFacts[role].isOfTeam ? (teamOf(material.facts.subject) ?? owner.team) : undefined;
  // One that takes another's place is called otherwise: what was there stays there, recorded or not.
  const isOther = known !== undefined || isTaken(keyFile(owner.key, role, keyName(owner.key, role)));
  const mark = isOther ? markInName(markOf(material.facts)) : undefined;
  const record: KeyRecord = {
    name: keyName(owner.key, role, mark),
    came: "adopted",
    on: ports.today(),
    ...noted(ports),
    vault,
    ...material.facts,
    ...(team === undefined ? {} : { team }),
    ...(input.account ? { account: input.account } : {}),
    ...(input.heldBy === undefined ? {} : { heldBy: input.heldBy }),
  };
  const problems = unfitFor(owner, looked, { today: ports.today(), insteadOf: input.insteadOf, record });
  if (problems.length > 0) stop(problems);
  return { client: owner.key, role, record, isKnown: false, owner };
}

async function keep(
  vault: OpenVault,
  root: string,
  { client, role, record, owner }: AdoptedKey & { owner: Owner },
  { material }: LookedInto,
): Promise<void> {
  await vault.keep(secretFiles(client, role, record.name, material));
  writeTogether(root, keysOf.changes(root, client, { ...owner.keys, [role]: record }));
}
