import { expect, test } from "vitest";
import type { KeyRecord } from "../../../../src/core/agency/history/keys.ts";
import { newMaterial, secretFiles } from "../../../../src/core/clients/keys/material.ts";
import { type KeyRole, keyFile } from "../../../../src/core/clients/keys/roles.ts";
import type { OpenVault } from "../../../../src/core/ground/vault/open.ts";
import { proveKey } from "../../../../src/core/proving/keys/prove.ts";

/** What keeps secrets in another way than the folder of sealed files: here, in memory. */
function memoryVault(recipient: string): OpenVault & { kept: Map<string, Uint8Array> } {
  const kept = new Map<string, Uint8Array>();
  return {
    recipient,
    kept,
    has: (file) => kept.has(file),
    read: async (file) => kept.get(file),
    async keep(files) {
      for (const [file, content] of files) content ? kept.set(file, content) : kept.delete(file);
    },
    noteProven: () => {},
  };
}

const [client, today] = ["saltmarsh", "2026-11-02"];

test.each(["android-upload", "web-push"] satisfies KeyRole[])(
  "what keeps keys is nobody's business but its own: %s",
  async (role) => {
    const vault = memoryVault("keychain:studio");
    const name = `${client}-${role}`;
    const material = await newMaterial(role, { name, subject: [{ shortName: "CN", value: "Saltmarsh" }], today });
    await vault.keep(secretFiles(client, role, name, material));
    const record: KeyRecord = { name, came: "made", on: today, vault: vault.recipient, ...material.facts };
    const found = async (of = vault) => (await proveKey(of, client, role, record, client)).map(({ code }) => code);
    expect(await found()).toEqual([]);
    expect(await found(memoryVault("keychain:other"))).toEqual(["vault-other"]);
    const file = keyFile(client, role, name);
    await vault.keep([[file, Buffer.from("noise")]]);
    expect(await found()).toEqual(["key-changed"]);
    await vault.keep([[file, undefined]]);
    expect(await found()).toEqual(["key-lost"]);
  },
);
