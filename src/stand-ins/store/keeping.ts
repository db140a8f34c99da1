import { open } from "lmdb";
import { makeRoot } from "../../core/ground/files/writing/door.ts";
import type { StoreKey } from "../../core/ground/values/store.ts";
import type { Account, KeptApp, KeptUpload } from "./engine/kept.ts";

/** What was answered to an act, so that it is answered alike when it is asked for again. */
export interface KeptAnswer {
  /** SHA-256 of what was asked. */
  asked: string;
  status: number;
  body: string;
  tag?: string | undefined;
}

/** A token that was given for credentials, by its sum. */
export interface KeptToken {
  account: string;
  /** Milliseconds since 1970, by this machine's clock. */
  until: number;
}

/** A message that an account's address has not taken yet. */
export interface KeptMessage {
  account: string;
  body: string;
  tried: number;
}

/** How the clock stood when it was last looked at: what it showed, and what the machine's own did. */
export interface KeptClock {
  shown: number;
  real: number;
}

/** All that a stand-in knows, in a database that is whole whenever its program is killed. @param folder absolute */
export function openKeeping(folder: string) {
  makeRoot(folder);
  const database = open({ path: folder, maxDbs: 12, compression: false });
  const table = <V>(name: string) => database.openDB<V, string>({ name, encoding: "json" });
  const parts = database.openDB<Buffer, [sum: string, from: number]>({ name: "parts", encoding: "binary" });
  const apps = table<KeptApp>("apps");
  const uploads = table<KeptUpload>("uploads");
  return {
    /** Does all of it or nothing of it. */
    within: <T>(work: () => T): T => database.transactionSync(work),
    accounts: table<Account>("accounts"),
    apps,
    /** Apps by what nobody else may have: "<store> identifier <identifier>", "<store> name <folded name>". */
    taken: table<string>("taken"),
    answers: table<KeptAnswer>("answers"),
    tokens: table<KeptToken>("tokens"),
    messages: table<KeptMessage>("messages"),
    uploads,
    clock: table<KeptClock>("clock"),
    /** A store's apps behind one, in the order of their numbers. */
    appsOf: (store: StoreKey, after: string, most: number): KeptApp[] => {
      const found: KeptApp[] = [];
      for (const { value } of apps.getRange({ start: `${store} ${after}`, end: `${store} \uffff` })) {
        if (value.app === after) continue;
        found.push(value);
        if (found.length === most) break;
      }
      return found;
    },
    putPart: (sum: string, from: number, bytes: Uint8Array) => parts.putSync([sum, from], Buffer.from(bytes)),
    dropParts: (sum: string) => {
      for (const key of parts.getKeys({ start: [sum, 0], end: [sum, Number.MAX_SAFE_INTEGER] })) parts.removeSync(key);
    },
    /** All bytes of a sum that have come so far. */
    bytesOf: (sum: string): Buffer =>
      Buffer.concat([
        ...[...parts.getRange({ start: [sum, 0], end: [sum, Number.MAX_SAFE_INTEGER] })].map(({ value }) => value),
      ]),
    close: () => database.close(),
  };
}

export type Keeping = ReturnType<typeof openKeeping>;

export const appKey = (store: StoreKey, app: string): string => `${store} ${app}`;
