import { resolve } from "node:path";
import { agencyFile } from "../../agency/workspace/locate.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { isCommitted } from "../../ground/files/reading/ignored.ts";
import { makeRoot } from "../../ground/files/writing/door.ts";
import { refuse } from "../../ground/problems/result.ts";
import { reveal, type Secret } from "../../ground/values/secret.ts";
import type { OpenVault } from "../../ground/vault/open.ts";
import { makeVault, openVault, refuseWeak, type Vault, vaultAt } from "../../ground/vault/vault.ts";
import type { Ports } from "./ports.ts";
import { type At, holding, inWorkspace } from "./workspace.ts";

/** The variable that names the vault's folder, over what oxalis.yaml says. */
const variable = "OXALIS_VAULT";

/** Where the vault is to be. Stops: vault-missing, vault-committed */
export function vaultFolder({ root, agency }: Workspace, ports: Ports): string {
  const own = ports.secret(variable);
  const named = own ? resolve(ports.folder, reveal(own)) : agency.data.vault && resolve(root, agency.data.vault);
  if (!named) return refuse("vault-missing", `Neither ${agencyFile} nor ${variable} says where keys lie.`);
  if (isCommitted(named))
    return refuse("vault-committed", `${named} lies in a checkout, and nothing keeps it out of a commit.`);
  return named;
}

/** The vault that there is. Stops: vault-missing, vault-committed, vault-damaged */
export function vaultOf(workspace: Workspace, ports: Ports): Vault {
  const root = vaultFolder(workspace, ports);
  return (
    vaultAt(root) ??
    refuse("vault-missing", `There is no vault in ${root} yet.`, {
      fix: "`oxalis keys make` makes one, `oxalis keys restore` brings one back.",
    })
  );
}

/** Opens the vault that there is. Stops: passphrase-missing, passphrase-wrong, and as above. */
export async function openedVault(workspace: Workspace, ports: Ports): Promise<OpenVault> {
  const vault = vaultOf(workspace, ports);
  return openVault(vault, await ports.passPhrase("of the vault"));
}

/** The pass phrase of the vault that is there, or is to be made. Stops: passphrase-missing, passphrase-weak */
async function passPhraseFor(root: string, ports: Ports): Promise<Secret> {
  if (vaultAt(root)) return ports.passPhrase("of the vault");
  const given = await ports.passPhrase("for the new vault");
  refuseWeak(given);
  return given;
}

/** The vault that there is, opened; where there is none, one is made. Its folder has to be held. */
async function vaultWith(root: string, passPhrase: Secret): Promise<OpenVault> {
  const vault = vaultAt(root);
  return vault ? openVault(vault, passPhrase) : makeVault(root, passPhrase);
}

/**
 * Works with the vault and the workspace, both held, the vault first; where there is no vault, one is made. The pass
 * phrase is asked for before anything is held. @param before the workspace, which says where the vault is
 */
export async function withVault<T>(
  at: At,
  ports: Ports,
  before: Workspace,
  work: (vault: OpenVault, workspace: Workspace) => Promise<T>,
): Promise<T> {
  const folder = vaultFolder(before, ports);
  const passPhrase = await passPhraseFor(folder, ports);
  makeRoot(folder);
  return holding(folder, async () => {
    const vault = await vaultWith(folder, passPhrase);
    return inWorkspace(at, ports, { writes: true }, (workspace) => work(vault, workspace));
  });
}
