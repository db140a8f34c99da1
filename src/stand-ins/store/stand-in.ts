import { Hono } from "hono";
import { readPackage } from "../../core/app/packages/read.ts";
import { type StoreKey, storeKeys } from "../../core/ground/values/store.ts";
import { stores } from "../../core/stores/all.ts";
import { openAccounts, type ShownOnce } from "./accounts.ts";
import { openClock } from "./clock.ts";
import { openHooks } from "./hooks.ts";
import { addPeople } from "./http/people.ts";
import { storeService } from "./http/service.ts";
import { openKeeping } from "./keeping.ts";
import type { Way } from "./shown.ts";
import { type Look, type Manner, type OpenStore, openStore } from "./store.ts";
import { fairWeather, newThrottle, type Weather, weatherWire } from "./weather.ts";

interface Asked extends Manner {
  /** Where it keeps what it knows, absolute. */
  folder: string;
  /** So many times as fast as time its clock goes. */
  rate: number;
  /** Whose accounts there are from the beginning. */
  owner: string;
  /** The machine's own clock, in milliseconds since 1970. */
  real?: () => number;
  /** How packages are looked into. */
  look?: Look;
}

/** Stores that stand in for those which cannot be had here: one engine, the rules of each from its own folder. */
export interface StandInStores {
  fetch(request: Request): Promise<Response> | Response;
  /** What lets programs in, shown once: when an account is opened. */
  shown: readonly ShownOnce[];
  /** How programs get into each store. */
  ways: readonly Way[];
  setWeather(weather: Weather): void;
  /** Puts its clock forward. */
  forward(milliseconds: number): void;
  now(): number;
  /** Sends what accounts' addresses have not taken yet. */
  deliver(): Promise<void>;
  close(): Promise<void>;
}

const lookInto: Look = async (bytes) => (await readPackage(bytes))?.facts;

export function standInStores({
  folder,
  rate,
  owner,
  real = Date.now,
  look = lookInto,
  ...manner
}: Asked): StandInStores {
  const keeping = openKeeping(folder);
  const clock = openClock(keeping, rate, real);
  const hooks = openHooks(keeping, real);
  const throttle = newThrottle(real);
  const shown = openAccounts(keeping, owner, clock.now());
  let weather = fairWeather;
  const open = Object.fromEntries(
    storeKeys.map((key) => [key, openStore({ store: stores[key], keeping, clock, manner, hooks, look })]),
  ) as Record<StoreKey, OpenStore>;
  const service = new Hono();
  for (const key of storeKeys)
    service.route(`/${key}`, storeService({ open: open[key], weather: () => weather, throttle, real }));
  service.put("/weather", async (context) => {
    const read = weatherWire.safeParse(await context.req.json().catch(() => undefined));
    if (!read.success) return context.json({ wrong: "There is no such weather." }, 400);
    weather = read.data;
    return context.json(weather, 200);
  });
  addPeople(service, { stores: open, keeping, clock });
  return {
    fetch: (request) => service.fetch(request),
    shown,
    ways: storeKeys.flatMap((store) => {
      const account = [...keeping.accounts.getRange()].map(({ value }) => value).find((each) => each.store === store);
      if (!account) return [];
      const { key } = account;
      return [{ store, ...(key ? { key: { keyId: key.keyId, issuer: key.issuer } } : {}) }];
    }),
    setWeather: (now) => {
      weather = now;
    },
    forward: clock.forward,
    now: clock.now,
    deliver: hooks.deliver,
    close: async () => {
      await keeping.close();
    },
  };
}
