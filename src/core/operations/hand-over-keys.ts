import { resolve } from "node:path";
import { strToU8, zipSync } from "fflate";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { type HandOver, handOverList, handOverOf } from "../clients/keys/handing-over.ts";
import { keyFile, keyRoleFacts, passwordFile, profileFile } from "../clients/keys/roles.ts";
import { keyStandings, ownKeys } from "../clients/keys/standing.ts";
import { writeWhole } from "../ground/files/writing/whole.ts";
import { refuse, unwrap } from "../ground/problems/result.ts";
import { reveal } from "../ground/values/secret.ts";
import { lockWith } from "../ground/vault/age.ts";
import type { OpenVault } from "../ground/vault/open.ts";
import { openVault, refuseWeak } from "../ground/vault/vault.ts";
import { chooseClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { vaultOf } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  client: string;
  /** Otherwise keys of <client>.zip.age, where the user stands. */
  output?: string | undefined;
}

/** What was handed over. */
export interface HandedOver extends HandOver {
  client: string;
  /** Absolute path of the locked archive. */
  file: string;
}

/**
 * Writes everything that signs one client's app into an archive under a pass phrase of its own, with a list for people.
 * Stops: passphrase-wrong, passphrase-weak, key-lost, key-absent, write-failed
 */
export const handOverKeys = operation(async (input: Input, ports): Promise<HandedOver> => {
  const workspace = await openWorkspace(input, ports);
  const { all, picked } = await resolvePicked(workspace, await chooseClients(workspace, { clients: [input.client] }));
  const [own, ...more] = picked;
  if (!own || more.length > 0) return refuse("client-unknown", `"${input.client}" is not one client.`);
  const client = own.client.key;
  const standing = keyStandings(all, { today: ports.today() }).find((each) => each.client === client);
  const profiles = Object.values(unwrap(ownKeys(own)).profiles);
  const decided = handOverOf(standing ?? { client, keys: [], problems: [] }, profiles, all);
  if (decided.keys.length + decided.profiles.length === 0)
    refuse("key-absent", `Nothing that is kept here is ${client}'s own.`, { client });
  const passPhrase = await ports.passPhrase("of the vault");
  const vault = await openVault(vaultOf(workspace, ports), passPhrase);
  const theirs = await ports.handOverPhrase();
  refuseWeak(theirs);
  if (reveal(theirs) === reveal(passPhrase))
    refuse("passphrase-weak", "The pass phrase of what is handed over is the vault's.", {
      fix: "Take another one: whoever gets the archive is told it.",
    });
  const { files, names } = await filesOf(vault, client, decided);
  files["keys.txt"] = strToU8(
    handOverList(decided, {
      name: own.values["app.name"]?.value ?? client,
      agency: workspace.agency.data.agency.name,
      today: ports.today(),
      files: names,
    }),
  );
  const file = resolve(ports.folder, input.output ?? `${client}-keys.zip.age`);
  writeWhole(file, await lockWith(theirs, zipSync(files, { level: 6 })));
  return { ...decided, client, file };
});

/** The files of an archive, and which of them are each key's. */
async function filesOf(
  vault: OpenVault,
  client: string,
  { keys, profiles }: HandOver,
): Promise<{ files: Record<string, Uint8Array>; names: Map<string, string[]> }> {
  const files: Record<string, Uint8Array> = {};
  const names = new Map<string, string[]>();
  const put = async (name: string, from: string, to: string) => {
    const content = await vault.read(from);
    if (!content) return refuse("key-lost", `${name} is not in the vault, or does not open.`, { client });
    files[to] = content;
    names.set(name, [...(names.get(name) ?? []), to]);
  };
  for (const { role, record } of keys) {
    const { form, comes } = keyRoleFacts[role];
    const ending = form === "store" ? "p12" : comes === "fetched" ? "p8" : "pem";
    await put(record.name, keyFile(client, role, record.name), `${record.name}.${ending}`);
    if (form === "store") await put(record.name, passwordFile(client, record.name), `${record.name}.password.txt`);
  }
  for (const { name, platform } of profiles) {
    const ending = platform === "desktop" ? "provisionprofile" : "mobileprovision";
    await put(name, profileFile(client, name), `${name}.${ending}`);
  }
  return { files, names };
}
