import { createHash, createPublicKey } from "node:crypto";
import type { KeyRecord } from "../../agency/history/keys.ts";
import type { ProfileRecord } from "../../agency/history/profiles.ts";
import { type OpenedKey, openKey } from "../../clients/keys/material.ts";
import { type KeyRole, keyRoleFacts, profileFile } from "../../clients/keys/roles.ts";
import { markOf } from "../../clients/keys/standing.ts";
import { isPair, provesPair } from "../../ground/certificates/certificate.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { OpenVault } from "../../ground/vault/open.ts";

/**
 * Opens a client's key, holds it against what was recorded of it, and has it sign something that its public half
 * verifies. Nothing is found of one that is whole.
 * @param keeper the client that it is kept with @param client whom it is told of
 */
export async function proveKey(
  vault: OpenVault,
  keeper: string,
  role: KeyRole,
  record: KeyRecord,
  client: string,
): Promise<Problem[]> {
  const { title, platform, loss } = keyRoleFacts[role];
  const tell = (code: "key-lost" | "key-changed" | "vault-other", message: string, fix?: string) => [
    problem(code, message, { client, platform, ...(fix ? { fix } : {}) }),
  ];
  if (record.vault !== vault.recipient)
    return tell("vault-other", `Its ${title} lies in another vault, ${record.vault.slice(0, 12)}….`);
  const opened = await openKey(vault, keeper, role, record);
  if (opened === "lost") return tell("key-lost", `Its ${title}, ${record.name}, is not in the vault. ${loss}`);
  if (opened === "changed") return tell("key-changed", `Its ${title}, ${record.name}, does not open as it was kept.`);
  if (markOf(opened.facts) !== markOf(record))
    return tell("key-changed", `Its ${title} is another one than was recorded: ${markOf(opened.facts)}.`);
  if (!(await signs(opened, record)))
    return tell("key-changed", `What its ${title} signs is not verified by what was recorded of it.`);
  return [];
}

/** Opens a client's profile, and holds it against what was recorded of it. */
export async function proveProfile(vault: OpenVault, client: string, record: ProfileRecord): Promise<Problem[]> {
  const { platform, title, name } = record;
  const tell = (code: "key-lost" | "key-changed" | "vault-other", message: string) => [
    problem(code, message, { client, platform }),
  ];
  if (record.vault !== vault.recipient)
    return tell("vault-other", `The profile "${title}" lies in another vault, ${record.vault.slice(0, 12)}….`);
  const content = await vault.read(profileFile(client, name));
  if (!content && !vault.has(profileFile(client, name)))
    return tell("key-lost", `The profile "${title}", ${name}, is not in the vault.`);
  if (!content || createHash("sha256").update(content).digest("hex") !== record.sha256)
    return tell("key-changed", `The profile "${title}", ${name}, is not as it was kept.`);
  return [];
}

const signs = async ({ key, facts }: OpenedKey, { certificate, point }: KeyRecord): Promise<boolean> =>
  certificate === undefined
    ? point === facts.point && (await provesPair(key, fromPoint(point ?? "")))
    : isPair(key, certificate);

/** A public key from its uncompressed point (SEC 1). */
function fromPoint(point: string) {
  const bytes = Buffer.from(point, "base64url");
  const [x, y] = [bytes.subarray(1, 33).toString("base64url"), bytes.subarray(33).toString("base64url")];
  return createPublicKey({ key: { kty: "EC", crv: "P-256", x, y }, format: "jwk" });
}
