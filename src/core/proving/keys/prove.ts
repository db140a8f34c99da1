import { createPublicKey } from "node:crypto";
import type { KeyRecord } from "../../agency/history/keys.ts";
import { type OpenedKey, openKey } from "../../clients/keys/material.ts";
import { type KeyRole, keyRoleFacts } from "../../clients/keys/roles.ts";
import { markOf } from "../../clients/keys/standing.ts";
import { isPair, provesPair } from "../../ground/certificates/certificate.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { OpenVault } from "../../ground/vault/vault.ts";

/**
 * Opens a client's key, holds it against what was recorded of it, and has it sign something that its public half
 * verifies. Nothing is found of one that is whole.
 */
export async function proveKey(vault: OpenVault, client: string, role: KeyRole, record: KeyRecord): Promise<Problem[]> {
  const { title, platform, loss } = keyRoleFacts[role];
  const tell = (code: "key-lost" | "key-changed" | "vault-other", message: string, fix?: string) => [
    problem(code, message, { client, platform, ...(fix ? { fix } : {}) }),
  ];
  if (record.vault !== vault.recipient)
    return tell("vault-other", `Its ${title} lies in another vault, ${record.vault.slice(0, 12)}….`);
  const opened = await openKey(vault, client, role, record);
  if (opened === "lost") return tell("key-lost", `Its ${title}, ${record.name}, is not in the vault. ${loss}`);
  if (opened === "changed") return tell("key-changed", `Its ${title}, ${record.name}, does not open as it was kept.`);
  if (markOf(opened.facts) !== markOf(record))
    return tell("key-changed", `Its ${title} is another one than was recorded: ${markOf(opened.facts)}.`);
  if (!signs(opened, record))
    return tell("key-changed", `What its ${title} signs is not verified by what was recorded of it.`);
  return [];
}

const signs = ({ key, facts }: OpenedKey, { certificate, point }: KeyRecord): boolean =>
  certificate === undefined
    ? point === facts.point && provesPair(key, fromPoint(point ?? ""))
    : isPair(key, certificate);

/** A public key from its uncompressed point (SEC 1). */
function fromPoint(point: string) {
  const bytes = Buffer.from(point, "base64url");
  const [x, y] = [bytes.subarray(1, 33).toString("base64url"), bytes.subarray(33).toString("base64url")];
  return createPublicKey({ key: { kty: "EC", crv: "P-256", x, y }, format: "jwk" });
}
