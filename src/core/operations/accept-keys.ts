import { createHash } from "node:crypto";
import { type KeyRecord, keysOf } from "../agency/history/keys.ts";
import { type ProfileRecord, profileSlot, profilesOf } from "../agency/history/profiles.ts";
import { requestsOf } from "../agency/history/requests.ts";
import { atStage } from "../agency/workspace/stage.ts";
import type { OwnKeys, Workspace } from "../agency/workspace/workspace.ts";
import { type ProfileFacts, readProfile } from "../app/platforms/apple/profile.ts";
import { openTemplate } from "../app/survey/template.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { type OpenRequest, ownerOfProfile, type ProfileOwner, requestFor } from "../clients/keys/accepting.ts";
import { entryFacts, newPassword, secretFiles } from "../clients/keys/material.ts";
import { type KeyRole, profileFile, waitingFile } from "../clients/keys/roles.ts";
import { ownKeys } from "../clients/keys/standing.ts";
import { type CertificateFacts, certificateFacts, isPair, pemOf } from "../ground/certificates/certificate.ts";
import { keyStoreBytes } from "../ground/certificates/key-store.ts";
import { type Change, writeTogether } from "../ground/files/writing/together.ts";
import type { Problem } from "../ground/problems/problem.ts";
import { attemptAsync, refuse, unwrap } from "../ground/problems/result.ts";
import { secretOf } from "../ground/values/secret.ts";
import type { OpenVault } from "../ground/vault/open.ts";
import { signedApps } from "../proving/keys/findings.ts";
import { readNamed } from "./running/named.ts";
import { operation } from "./running/operation.ts";
import { noted, type Ports } from "./running/ports.ts";
import { vaultOf, withVault } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  files: readonly string[];
  /** Whose a profile is that several clients could have. */
  client?: string | undefined;
  dryRun: boolean;
}

/** A file that was taken in: a certificate that answers a request, or a provisioning profile. */
export type Accepted = { file: string; client: string } & (
  | { what: "certificate"; role: KeyRole; record: KeyRecord }
  | { what: "profile"; record: ProfileRecord }
);

export interface AcceptedFiles {
  accepted: readonly Accepted[];
  /** Why others were not. */
  problems: readonly Problem[];
}

/** Takes in what came back from an authority. A file that fits nobody is told, and keeps none of the others. */
export const acceptKeys = operation(async (input: Input, ports): Promise<AcceptedFiles> => {
  const files = input.files.map((file) => readNamed(ports, file));
  const before = await openWorkspace(input, ports);
  const vault = vaultOf(before, ports);
  if (input.dryRun) return finish(await decide(before, files, input, vault.recipient, ports));
  return withVault(input, ports, before, async (opened, workspace) => {
    const decided = await decide(workspace, files, input, vault.recipient, ports);
    await keep(opened, workspace, decided.all);
    return finish(decided);
  });
});

/** What becomes of a file. */
type Decided = { file: string; client: string } & (
  | { what: "certificate"; open: OpenRequest; facts: CertificateFacts; record: KeyRecord }
  | { what: "profile"; bytes: Uint8Array; record: ProfileRecord }
);

const finish = ({ all, problems }: { all: readonly Decided[]; problems: readonly Problem[] }): AcceptedFiles => ({
  problems,
  accepted: all.map((each) =>
    each.what === "profile"
      ? { file: each.file, client: each.client, what: each.what, record: each.record }
      : { file: each.file, client: each.client, what: each.what, role: each.open.role, record: each.record },
  ),
});

async function decide(
  workspace: Workspace,
  files: readonly { name: string; bytes: Uint8Array }[],
  { client }: Input,
  vault: string,
  ports: Ports,
): Promise<{ all: Decided[]; problems: Problem[] }> {
  const resolved = await resolveAll(workspace);
  const open = resolved.flatMap((each) =>
    Object.entries(unwrap(ownKeys(each)).requests).map(
      ([role, request]): OpenRequest => ({ client: each.client.key, role: role as KeyRole, request }),
    ),
  );
  const teams = new Map(resolved.map((each) => [each.client.key, each.values["signing.team"]?.value]));
  const owners = await profileOwners(workspace);
  const noting = { on: ports.today(), ...noted(ports), vault };
  const decideOne = async (file: string, bytes: Uint8Array): Promise<Decided> => {
    const facts = certificateFacts(bytes);
    if (facts) {
      const found = await requestFor(file, facts, open, (key) => teams.get(key));
      const { purposes: _, ...known } = facts;
      const team = found.team === undefined ? {} : { team: found.team };
      const record: KeyRecord = {
        name: found.request.name,
        came: "made",
        ...noting,
        alias: found.request.name,
        ...known,
        ...team,
      };
      return { file, what: "certificate", client: found.client, open: found, facts, record };
    }
    const profile = await readProfile(bytes);
    if (profile === "no-profile") return refuse("key-unreadable", `${file} is neither a certificate nor a profile.`);
    if (profile === "changed")
      return refuse("key-changed", `${file} is not as it was signed.`, {
        fix: "Fetch it once more where it was made.",
      });
    const owner = ownerOfProfile(file, profile, owners, client);
    return {
      file,
      what: "profile",
      client: owner.key,
      bytes,
      record: profileRecord(owner.key, profile, bytes, noting),
    };
  };
  const read = [];
  for (const { name, bytes } of files) read.push(await attemptAsync(() => decideOne(name, bytes)));
  return {
    all: read.flatMap((each) => (each.ok ? [each.value] : [])),
    problems: read.flatMap((each) => (each.ok ? [] : each.problems)),
  };
}

function profileRecord(
  client: string,
  profile: ProfileFacts,
  bytes: Uint8Array,
  noting: Pick<ProfileRecord, "on" | "by" | "vault">,
): ProfileRecord {
  const name = `${client}-profile-${profileSlot(profile)}-${profile.uuid.slice(0, 8).toLowerCase()}`;
  return {
    name,
    ...noting,
    sha256: createHash("sha256").update(bytes).digest("hex"),
    ...profile,
    certificates: [...profile.certificates],
  };
}

/** Everything that is signed with a profile, by client: of the store's apps, and of each stage's. */
async function profileOwners(workspace: Workspace): Promise<ProfileOwner[]> {
  const template = openTemplate(workspace);
  const stages = [undefined, ...Object.keys(workspace.agency.data.stages)];
  const owners = new Map<string, ProfileOwner>();
  for (const stage of stages) {
    for (const each of await resolveAll(atStage(workspace, stage))) {
      const { key } = each.client;
      const known = owners.get(key)?.apps ?? [];
      const apps = [...known, ...signedApps(each, template)];
      owners.set(key, { key, team: each.values["signing.team"]?.value, apps });
    }
  }
  return [...owners.values()];
}

/** Keeps what was taken in: the vault first, then what is recorded; what is waited for no longer goes at the end. */
async function keep(vault: OpenVault, { root, clients }: Workspace, all: readonly Decided[]): Promise<void> {
  if (all.length === 0) return;
  const secrets: (readonly [string, Uint8Array])[] = [];
  for (const each of all) {
    if (each.what === "profile") secrets.push([profileFile(each.client, each.record.name), each.bytes]);
    else secrets.push(...(await storeOf(vault, each)));
  }
  await vault.keep(secrets);
  const own = new Map<string, OwnKeys>(clients.map((client) => [client.key, unwrap(ownKeys({ client }))]));
  for (const each of all) {
    const known = own.get(each.client);
    if (known) own.set(each.client, withAccepted(known, each));
  }
  const touched = [...new Set(all.map(({ client }) => client))];
  const changes = touched.flatMap((client): Change[] => {
    const known = own.get(client);
    if (!known) return [];
    return [
      ...keysOf.changes(root, client, known.records),
      ...requestsOf.changes(root, client, known.requests),
      ...profilesOf.changes(root, client, known.profiles),
    ];
  });
  writeTogether(root, changes);
  const answered = all.flatMap((each): [file: string, content: undefined][] =>
    each.what === "certificate" ? [[waitingFile(each.client, each.open.request.name), undefined]] : [],
  );
  await vault.keep(answered);
}

function withAccepted(known: OwnKeys, each: Decided): OwnKeys {
  if (each.what === "profile")
    return { ...known, profiles: { ...known.profiles, [profileSlot(each.record)]: each.record } };
  const { [each.open.role]: _, ...requests } = known.requests;
  return { ...known, requests, records: { ...known.records, [each.open.role]: each.record } };
}

/** The certificate and the key that waited for it, as one key store. */
async function storeOf(vault: OpenVault, { client, open, facts, record }: Extract<Decided, { what: "certificate" }>) {
  const { request, role } = open;
  if (request.vault !== vault.recipient)
    return refuse("vault-other", `The key of ${request.name} lies in another vault.`, { client });
  const content = await vault.read(waitingFile(client, request.name));
  if (!content) return refuse("key-lost", `The key of ${request.name} is not in the vault.`, { client });
  const key = secretOf(Buffer.from(content).toString());
  if (!(await isPair(key, facts.certificate)))
    return refuse("key-changed", `The key of ${request.name} is not the one that was asked with.`, { client });
  const entry = { alias: request.name, key, certificate: pemOf(facts.certificate) };
  const password = newPassword();
  const material = { facts: entryFacts(entry), content: await keyStoreBytes(entry, password), password };
  return secretFiles(client, role, record.name, material);
}
