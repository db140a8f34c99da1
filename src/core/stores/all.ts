import type { Platform } from "../ground/values/platform.ts";
import { type StoreKey, storeKeys } from "../ground/values/store.ts";
import type { Slot } from "../pictures/slots/slot.ts";
import type { AccountCode } from "./account-code.ts";
import { appStore } from "./app-store/app-store.ts";
import type { StoreDefinition } from "./definition.ts";
import { googlePlay } from "./google-play/google-play.ts";
import { macAppStore } from "./mac-app-store/mac-app-store.ts";
import { microsoftStore } from "./microsoft-store/microsoft-store.ts";
import type { StoreQuestion } from "./question.ts";
import { sharedQuestions } from "./questions-in-common.ts";

/** Every store that is known. */
export const stores: Readonly<Record<StoreKey, StoreDefinition>> = {
  "google-play": googlePlay,
  "app-store": appStore,
  "mac-app-store": macAppStore,
  "microsoft-store": microsoftStore,
};

/** The same, in their order. */
export const allStores: readonly StoreDefinition[] = storeKeys.map((key) => stores[key]);

const keysOf = (having: (store: StoreDefinition) => boolean): StoreKey[] =>
  allStores.filter(having).map(({ key }) => key);

/** What stores have of one kind, each with those that have it. */
export type OfStores<T> = T & { stores: readonly StoreKey[] };

/** Every question about an app, in the order in which stores ask. */
export const questions: readonly OfStores<StoreQuestion>[] = [
  ...sharedQuestions.map((question) => ({ ...question, stores: keysOf(({ asks }) => asks.includes(question.name)) })),
  // Two stores of one house may share a table of their own.
  ...[...new Set(allStores.flatMap(({ questions: own }) => own))].map((question) => ({
    ...question,
    stores: keysOf(({ questions: own }) => own.includes(question)),
  })),
];

/** Every code that an account is known by. */
export const accountCodes: readonly OfStores<AccountCode>[] = [
  ...new Set(allStores.flatMap(({ accounts }) => accounts)),
].map((code) => ({ ...code, stores: keysOf(({ accounts }) => accounts.includes(code)) }));

/** Pictures that the stores of a platform want. */
export const picturesFor = (platform: Platform): Slot[] =>
  allStores.filter(({ takes }) => takes.includes(platform)).flatMap(({ pictures }) => pictures);
