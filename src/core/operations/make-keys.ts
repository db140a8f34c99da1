import { type KeyRecord, type KeyRecords, keysOf } from "../agency/history/keys.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { newMaterial, openKey, secretFiles } from "../clients/keys/material.ts";
import { type KeyRole, keyFile, keyName, keyRoleFacts } from "../clients/keys/roles.ts";
import { ownKeys, wantedRoles } from "../clients/keys/standing.ts";
import type { ClientView } from "../clients/record/read.ts";
import { nameParts } from "../ground/certificates/x500.ts";
import { type Change, writeTogether } from "../ground/files/writing/together.ts";
import { isError, ofClient, type Problem, problem } from "../ground/problems/problem.ts";
import { refuse } from "../ground/problems/result.ts";
import type { OpenVault } from "../ground/vault/open.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { noted, type Ports } from "./running/ports.ts";
import { vaultFolder, withVault } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

/** So many keys are made at a time: the system makes them beside each other. */
const atOnce = 4;

interface Input extends At, OfClients {
  dryRun: boolean;
}

/** A key that is made, or would be. */
export interface MadeKey {
  client: string;
  role: KeyRole;
  name: string;
  /** Absent of a dry run. */
  record?: KeyRecord;
}

export interface MadeKeys {
  made: readonly MadeKey[];
  /** Why some clients' are not. */
  problems: readonly Problem[];
}

/** Makes the keys that clients' apps want and do not have; one that there is stays. All of them are kept, or none. */
export const makeKeys = operation(async (input: Input, ports): Promise<MadeKeys> => {
  const before = await openWorkspace(input, ports);
  if (input.dryRun) {
    const { wanted, problems } = await decide(before, input);
    return { made: wanted.map(({ view, role, name }) => ({ client: view.client.key, role, name })), problems };
  }
  vaultFolder(before, ports);
  // Nobody is asked for a pass phrase, and no vault is made, where nothing is to be kept in it.
  const first = await decide(before, input);
  if (first.wanted.length === 0) return { made: [], problems: first.problems };
  return withVault(input, ports, before, async (vault, workspace) => {
    const { wanted, problems, known } = await decide(workspace, input);
    const settled: Settled[] = [];
    // A few at a time: where one fails, none is begun any more.
    for (let at = 0; at < wanted.length; at += atOnce)
      settled.push(...(await Promise.all(wanted.slice(at, at + atOnce).map((each) => settle(vault, each, ports)))));
    const secrets = settled.flatMap(({ secrets }) => secrets);
    if (secrets.length > 0) await vault.keep(secrets);
    writeTogether(workspace.root, changesOf(workspace.root, settled, known));
    return { made: settled.map(({ made }) => made), problems };
  });
});

/** A key that a client wants and does not have. */
interface Wanted {
  view: ClientView;
  role: KeyRole;
  name: string;
}

async function decide(
  workspace: Parameters<typeof resolvePicked>[0],
  input: OfClients,
): Promise<{ wanted: Wanted[]; problems: Problem[]; known: ReadonlyMap<string, KeyRecords> }> {
  const { picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
  const wanted: Wanted[] = [];
  const problems: Problem[] = [];
  const known = new Map<string, KeyRecords>();
  for (const view of picked) {
    const { key } = view.client;
    const own = ownKeys(view);
    if (!own.ok) {
      problems.push(...ofClient(key, own.problems));
      continue;
    }
    known.set(key, own.value.records);
    if (!view.variant) {
      // Which keys it wants follows from what it is: whatever stops that is to be mended first.
      problems.push(...view.problems.filter(isError));
      continue;
    }
    for (const role of wantedRoles(view.variant)) {
      if (own.value.records[role] || keyRoleFacts[role].comes !== "made") continue;
      const unfit = subjectProblem(view, role);
      if (unfit) problems.push(unfit);
      else wanted.push({ view, role, name: keyName(key, role) });
    }
  }
  return { wanted, problems, known };
}

/** What a certificate is to name: the publisher to the letter, or who owns the app. */
function subjectFor({ values }: ClientView, role: KeyRole) {
  const { subject } = keyRoleFacts[role];
  if (subject) return nameParts(values[subject]?.value ?? "");
  return [{ shortName: "CN", value: values.owner?.value ?? values["app.name"]?.value ?? "" }];
}

function subjectProblem(view: ClientView, role: KeyRole): Problem | undefined {
  if (subjectFor(view, role)) return undefined;
  const { subject = "owner", title, platform } = keyRoleFacts[role];
  return problem("key-unfit", `"${view.values[subject]?.value}" is no X.500 name: there is no ${title} for it.`, {
    client: view.client.key,
    platform,
    expected: "a name such as CN=Hill Farm Ltd, C=GB",
  });
}

interface Settled {
  made: MadeKey & { record: KeyRecord };
  secrets: (readonly [file: string, content: Uint8Array])[];
}

/** Makes a key; one that a run which died has left in the vault is taken for it. */
async function settle(vault: OpenVault, { view, role, name }: Wanted, ports: Ports): Promise<Settled> {
  const client = view.client.key;
  const today = ports.today();
  const own = { name, came: "made" as const, on: today, ...noted(ports), vault: vault.recipient };
  const there = await openKey(vault, client, role, { name, alias: name });
  if (there === "changed")
    return refuse(
      "key-changed",
      `${keyFile(client, role, name)} lies in the vault, is recorded nowhere, and does not open.`,
      {
        client,
        fix: "Move it elsewhere.",
      },
    );
  if (there !== "lost") return { made: { client, role, name, record: { ...own, ...there.facts } }, secrets: [] };
  const material = await newMaterial(role, { name, subject: subjectFor(view, role) ?? [], today });
  return {
    made: { client, role, name, record: { ...own, ...material.facts } },
    secrets: secretFiles(client, role, name, material),
  };
}

function changesOf(root: string, settled: readonly Settled[], known: ReadonlyMap<string, KeyRecords>): Change[] {
  const clients = [...new Set(settled.map(({ made }) => made.client))];
  return clients.flatMap((client) => {
    const own = settled
      .filter(({ made }) => made.client === client)
      .map(({ made }) => [made.role, made.record] as const);
    return keysOf.changes(root, client, { ...known.get(client), ...Object.fromEntries(own) });
  });
}
