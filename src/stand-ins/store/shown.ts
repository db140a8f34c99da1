import { writeTogether } from "../../core/ground/files/writing/together.ts";
import type { StoreKey } from "../../core/ground/values/store.ts";
import type { ShownOnce } from "./accounts.ts";

/** For its owner alone (POSIX). */
const forOwner = 0o600;

const variableOf = (store: StoreKey, what: string): string => `${store.toUpperCase().replaceAll("-", "_")}_${what}`;

/** What a store shows once, as files of the stand-in's own folder. Returns their names. */
export function keepShown(folder: string, shown: readonly ShownOnce[]): string[] {
  const files = shown.map((each): [string, string] =>
    "secret" in each
      ? [
          `${each.store}.env`,
          `${variableOf(each.store, "CLIENT")}=${each.client}\n${variableOf(each.store, "SECRET")}=${each.secret}\n`,
        ]
      : [`AuthKey_${each.keyId}.p8`, each.privateKey],
  );
  if (files.length > 0) writeTogether(folder, files, forOwner);
  return files.map(([name]) => name);
}

/** How programs get into a store: with credentials, or with an interface key. */
export interface Way {
  store: StoreKey;
  key?: { keyId: string; issuer: string };
}

/** What oxalis.yaml says to work in these stores. */
export const settingsFor = (address: string, ways: readonly Way[]): string =>
  ["interfaces:", ...ways.map((each) => `  ${each.store}: { ${entryFor(address, each)} }`)].join("\n");

const entryFor = (address: string, { store, key }: Way): string =>
  [
    `at: "${address}/${store}"`,
    ...(key
      ? [`keyId: ${key.keyId}`, `issuer: ${key.issuer}`, "key: env:STORE_KEY"]
      : [`client: env:${variableOf(store, "CLIENT")}`, `secret: env:${variableOf(store, "SECRET")}`]),
  ].join(", ");
