import type { Interface } from "../../agency/workspace/schema/interfaces.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { openKey } from "../../clients/keys/material.ts";
import { heldKeys } from "../../clients/keys/standing.ts";
import type { Entry } from "../../ground/interfaces/asked.ts";
import { openInterface } from "../../ground/interfaces/call.ts";
import { credentialsEntry, signedEntry } from "../../ground/interfaces/token.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { Secret } from "../../ground/values/secret.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { OpenVault } from "../../ground/vault/open.ts";
import { openDoor, type StoreDoor } from "../../making/submitting/door.ts";
import { accountsOf } from "../../proving/standing/accounts.ts";
import { stores } from "../../stores/all.ts";
import type { Ports } from "./ports.ts";
import { openedVault } from "./vault.ts";

/** The ways into stores: one for each account, whichever clients it has. */
export interface Doors {
  /** Stops: interface-missing, interface-refused, variable-unset, and as the vault does */
  of(client: Resolved, store: StoreKey): Promise<StoreDoor>;
  has(store: StoreKey): boolean;
}

export function openDoors(workspace: Workspace, all: readonly Resolved[], ports: Ports): Doors {
  const { interfaces } = workspace.agency.data;
  const heldBy = heldKeys(all);
  const open = new Map<string, Promise<StoreDoor>>();
  const keys = new Map<string, ReturnType<typeof openKey>>();
  let vault: Promise<OpenVault> | undefined;
  const opened = () => {
    vault ??= openedVault(workspace, ports);
    return vault;
  };

  /** An interface key: of the variable that is named, or the client's own of the vault. */
  async function keyOf(client: Resolved, store: StoreKey, given: Interface): Promise<SigningKey> {
    const { codes } = accountsOf(workspace, client.client);
    if (given.key !== undefined) {
      const keyId = given.keyId ?? codes.key?.value ?? unsaid(store, "keyId");
      const issuer = given.issuer ?? codes.issuer?.value ?? unsaid(store, "issuer");
      return { key: secretIn(ports, given.key), keyId, issuer };
    }
    const held = heldBy(client, "apple-interface");
    if (!held)
      return refuse("interface-missing", `There is no interface key for ${stores[store].title}.`, {
        fix: "Take one in by `oxalis keys adopt`, or name a variable as `key` under `interfaces` in oxalis.yaml.",
      });
    const known = keys.get(held.client) ?? openKey(await opened(), held.client, "apple-interface", held.record);
    keys.set(held.client, known);
    const key = await known;
    if (typeof key === "string") return refuse("interface-missing", `The interface key of ${held.client} is ${key}.`);
    const keyId = held.record.keyId ?? codes.key?.value ?? unsaid(store, "keyId");
    return { key: key.key, keyId, issuer: held.record.issuer ?? codes.issuer?.value ?? unsaid(store, "issuer") };
  }

  async function entryOf(
    client: Resolved,
    store: StoreKey,
    given: Interface,
  ): Promise<{ entry: Entry; account: string }> {
    const { title, conduct } = stores[store];
    if (conduct.enters === "signed") {
      const key = await keyOf(client, store, given);
      return { entry: signedEntry({ ...key, audience: store }, ports), account: `${key.issuer} ${key.keyId}` };
    }
    const who = secretIn(ports, given.client ?? unsaid(store, "client"));
    const secret = secretIn(ports, given.secret ?? unsaid(store, "secret"));
    const address = `${given.at}/token`;
    return { entry: credentialsEntry({ title, address, client: who, secret }, ports), account: "" };
  }

  return {
    has: (store) => interfaces[store] !== undefined,
    async of(client, store) {
      const given = interfaces[store];
      const { title } = stores[store];
      if (!given) return refuse("interface-missing", `oxalis.yaml does not say where ${title}'s interface is.`);
      const { entry, account } = await entryOf(client, store, given);
      const known = open.get(`${store} ${account}`);
      if (known) return known;
      const door = Promise.resolve(openDoor(title, openInterface({ title, address: given.at, entry }, ports)));
      open.set(`${store} ${account}`, door);
      return door;
    },
  };
}

interface SigningKey {
  key: Secret;
  keyId: string;
  issuer: string;
}

const unsaid = (store: StoreKey, what: string): never =>
  refuse("interface-missing", `\`interfaces: { ${store}: … }\` in oxalis.yaml does not say ${what}.`);

/** What a variable holds that is named as env:NAME. Stops: variable-unset */
export function secretIn(ports: Pick<Ports, "secret">, variable: string): Secret {
  const name = variable.slice("env:".length);
  return ports.secret(name) ?? refuse("variable-unset", `${name} is not set.`);
}
