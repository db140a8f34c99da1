import type { BuildRecord } from "../../agency/history/builds.ts";
import { signingPrefix } from "../../app/variant/signing.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { type KeyRole, keyRoleFacts, keyRoles } from "../../clients/keys/roles.ts";
import { heldKeys, ownKeys } from "../../clients/keys/standing.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { refuse, unwrap } from "../../ground/problems/result.ts";
import { type Secret, secretOf } from "../../ground/values/secret.ts";
import type { OpenVault } from "../../ground/vault/open.ts";
import { nothingToSign, type OpenedSigning } from "../../making/building/perform.ts";
import type { PlannedBuild } from "../../making/building/prepare.ts";
import { type SigningPlan, signingPlan } from "../../making/building/signing.ts";
import type { Ports } from "./ports.ts";

/** What a build is signed with, named; and the certificate that a store knows its packages by. */
interface Named {
  plan: SigningPlan;
  signer?: string;
}

/** What builds are signed with, decided without opening anything. */
export interface SigningDecided {
  of(build: BuildKey): Named | undefined;
  /** Whether a build cannot be signed as it has to be. */
  isRefused(build: BuildKey): boolean;
  problems: readonly Problem[];
}

type BuildKey = Pick<PlannedBuild, "client" | "platform">;

const keyOf = ({ client, platform }: BuildKey): string => `${client} ${platform}`;

export const nothingSigned: SigningDecided = { of: () => undefined, isRefused: () => false, problems: [] };

/** The key whose certificate a store knows an app's packages by, on each platform. */
const signers: readonly KeyRole[] = ["android-upload", "apple-distribution", "windows-package"];

/**
 * Decides what builds are signed with. A build that another key would sign than signed its last good one is refused,
 * where the store would refuse it.
 */
export function decideSigning(all: readonly Resolved[], builds: readonly PlannedBuild[]): SigningDecided {
  const heldBy = heldKeys(all);
  const named = new Map<string, Named>();
  const problems: Problem[] = [];
  const refused = new Set<string>();
  for (const build of builds) {
    const { client, platform } = build;
    const resolved = all.find((each) => each.client.key === client);
    if (!resolved) continue;
    const held = keyRoles.flatMap((each) => {
      const key = heldBy(resolved, each);
      return key ? [{ role: each, ...key }] : [];
    });
    const role = signers.find((each) => keyRoleFacts[each].platform === platform);
    const signer = held.find((each) => each.role === role)?.record.sha256;
    const found = role && signer ? judgeSigner(build, role, signer, build.good) : undefined;
    if (found) {
      problems.push(found);
      refused.add(keyOf(build));
      continue;
    }
    const plan = signingPlan(client, platform, held, unwrap(ownKeys(resolved)).profiles);
    named.set(keyOf(build), { plan, ...(signer ? { signer } : {}) });
  }
  return { of: (build) => named.get(keyOf(build)), isRefused: (build) => refused.has(keyOf(build)), problems };
}

/**
 * Opens what a build is signed with. On a machine whose environment says it (SIGNING_…_STORE), nothing is opened: a
 * build server needs no vault. Stops: key-lost, and as the vault does
 */
export async function openSigning(
  client: string,
  plan: SigningPlan | undefined,
  vault: () => Promise<OpenVault>,
  ports: Pick<Ports, "variables" | "variable" | "secret">,
): Promise<OpenedSigning> {
  if (!plan) return nothingToSign;
  const given = ofMachine(client, ports);
  if (given || plan.files.length === 0) return given ?? nothingToSign;
  return open(await vault(), plan, client);
}

/** Variables of the machine that begin as this client's do, where they name a key store. */
function ofMachine(client: string, ports: Pick<Ports, "variables" | "variable" | "secret">): OpenedSigning | undefined {
  const prefix = `${signingPrefix(client)}_`;
  const names = ports.variables().filter((name) => name.startsWith(prefix));
  if (!names.some((name) => name.endsWith("STORE"))) return undefined;
  const secrets: Record<string, Secret> = {};
  const plain: Record<string, string> = {};
  for (const name of names) {
    const secret = /PASSWORD|SECRET|TOKEN/.test(name) ? ports.secret(name) : undefined;
    if (secret) secrets[name] = secret;
    else plain[name] = ports.variable(name) ?? "";
  }
  return { files: [], secrets, plain };
}

async function open(vault: OpenVault, { files, secrets, plain }: SigningPlan, client: string): Promise<OpenedSigning> {
  // Several variables say where one file lies, or hold one password.
  const opened = new Map<string, Uint8Array>();
  for (const { sealed } of [...files, ...secrets])
    if (!opened.has(sealed))
      opened.set(
        sealed,
        (await vault.read(sealed)) ??
          refuse("key-lost", `${sealed} is not in the vault, or does not open.`, { client }),
      );
  const contentOf = (sealed: string) => opened.get(sealed) ?? new Uint8Array();
  return {
    plain,
    files: files.map(({ variable, sealed, name }) => ({ variable, name, content: contentOf(sealed) })),
    secrets: Object.fromEntries(
      secrets.map(({ variable, sealed }) => [variable, secretOf(Buffer.from(contentOf(sealed)).toString())]),
    ),
  };
}

/** That another key would sign a build than signed the last good one, where a store would refuse it. */
function judgeSigner(
  { client, platform }: PlannedBuild,
  role: KeyRole,
  signer: string,
  good: BuildRecord | undefined,
): Problem | undefined {
  const { title, loss, isOfTeam } = keyRoleFacts[role];
  if (isOfTeam || good?.signer === undefined || good.signer === signer) return undefined;
  const was = good.signer.slice(0, 11);
  const message = `Its ${title} is ${signer.slice(0, 11)}…; the last build was signed by ${was}…. ${loss}`;
  return problem("key-in-use", message, {
    client,
    platform,
    fix: "Build with the former one: `oxalis keys` shows which there is.",
  });
}
