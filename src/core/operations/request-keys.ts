import { posix } from "node:path";
import { type KeyRequest, requestsOf } from "../agency/history/requests.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { type Asked, askedFor } from "../clients/keys/asking.ts";
import { type KeyRole, keyRoleFacts, waitingFile } from "../clients/keys/roles.ts";
import { ownKeys } from "../clients/keys/standing.ts";
import { publicHalfOf } from "../ground/certificates/certificate.ts";
import { certificateRequest } from "../ground/certificates/request.ts";
import { newKey } from "../ground/certificates/self-signed.ts";
import { nameParts, nameText } from "../ground/certificates/x500.ts";
import { type Change, writeTogether } from "../ground/files/writing/together.ts";
import { refuse, unwrap } from "../ground/problems/result.ts";
import { reveal, secretOf } from "../ground/values/secret.ts";
import type { OpenVault } from "../ground/vault/open.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { noted, type Ports } from "./running/ports.ts";
import { withVault } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Otherwise every one that an app wants and nobody has. */
  role?: KeyRole | undefined;
  /** Also what is there: for one that ends. */
  renew: boolean;
  dryRun: boolean;
}

/** A request that was written. */
export interface WrittenRequest extends Pick<Asked, "client" | "role" | "name"> {
  /** Relative to the workspace. */
  file: string;
  /** The day that it was first made on; absent of a dry run. */
  on?: string;
}

/** Folder of the workspace that requests are written into. */
const into = "requests";

/**
 * Asks for the certificates that clients' apps want: makes a key for each, which stays in the vault, and writes the
 * request that an authority turns into a certificate. One that is open already is written again as it was.
 */
export const requestKeys = operation(async (input: Input, ports): Promise<WrittenRequest[]> => {
  const { role } = input;
  if (role !== undefined && keyRoleFacts[role].comes !== "requested")
    refuse("key-unfit", `The ${keyRoleFacts[role].title} needs no authority.`, {
      fix: "`oxalis keys make` makes one, `oxalis keys adopt` takes one that there is.",
    });
  const before = await openWorkspace(input, ports);
  const first = await decide(before, input);
  if (input.dryRun || first.length === 0) return first.map(written);
  return withVault(input, ports, before, async (vault, workspace) => {
    const asked = await decide(workspace, input);
    const settled: Settled[] = [];
    for (const each of asked) settled.push(await settle(vault, each, ports));
    const secrets = settled.flatMap((each) => each.secrets);
    if (secrets.length > 0) await vault.keep(secrets);
    const requests = new Map(
      workspace.clients.map((client) => [client.key, unwrap(ownKeys({ client })).requests] as const),
    );
    for (const { asked: each, request } of settled)
      requests.set(each.client, { ...requests.get(each.client), [each.role]: request });
    const clients = [...new Set(settled.map(({ asked: each }) => each.client))];
    writeTogether(workspace.root, [
      ...settled.map(({ asked: each, text }): Change => [fileOf(each), text]),
      ...clients.flatMap((client) => requestsOf.changes(workspace.root, client, requests.get(client) ?? {})),
    ]);
    return settled.map(({ asked: each, request }) => ({ ...written(each), on: request.on }));
  });
});

async function decide(workspace: Parameters<typeof resolvePicked>[0], input: Input): Promise<Asked[]> {
  const { all, picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
  return askedFor(all, picked, input);
}

/** What people who upload it know it by. */
const fileOf = ({ name }: Asked): string => posix.join(into, `${name}.certSigningRequest`);

const written = (asked: Asked): WrittenRequest => {
  const { client, role, name } = asked;
  return { client, role, name, file: fileOf(asked) };
};

interface Settled {
  asked: Asked;
  request: KeyRequest;
  /** The request as PEM. */
  text: string;
  secrets: (readonly [file: string, content: Uint8Array])[];
}

/** Makes the key of a request, or takes the one that is there: of a request that is open, or of a run that died. */
async function settle(vault: OpenVault, asked: Asked, ports: Ports): Promise<Settled> {
  const { client, role, name, subject, open, renews } = asked;
  if (open && open.vault !== vault.recipient)
    return refuse("vault-other", `The key of ${name}, asked for on ${open.on}, lies in another vault.`, { client });
  const file = waitingFile(client, name);
  const there = await vault.read(file);
  if (open && !there)
    return refuse("key-lost", `The key of ${name}, asked for on ${open.on}, is not in the vault.`, { client });
  const key = there ? secretOf(Buffer.from(there).toString()) : await newKey(keyRoleFacts[role].algorithm);
  const text = await certificateRequest(key, open ? (nameParts(open.subject) ?? subject) : subject);
  const request: KeyRequest = open ?? {
    name,
    on: ports.today(),
    ...noted(ports),
    vault: vault.recipient,
    algorithm: "RSA 2048",
    subject: nameText(subject),
    publicKey: publicHalfOf(key),
    ...(renews === undefined ? {} : { renews }),
  };
  return { asked, request, text, secrets: there ? [] : [[file, Buffer.from(reveal(key))]] };
}
