import type { PackageFacts } from "../../core/app/packages/facts.ts";
import { sha256 } from "../../core/ground/values/hash.ts";
import type { StoreKey } from "../../core/ground/values/store.ts";
import type { StoreDefinition } from "../../core/stores/definition.ts";
import type { Clock } from "./clock.ts";
import { foldedName } from "./engine/apps.ts";
import { type Account, type KeptApp, type KeptUpload, type Outcome, wrong } from "./engine/kept.ts";
import { atTime } from "./engine/time.ts";
import type { Hooks } from "./hooks.ts";
import { appKey, type Keeping, type KeptAnswer } from "./keeping.ts";
import { happenedWire, idOf, tagOf, wireOf } from "./over-the-wire.ts";

/** How a stand-in goes about things. */
export interface Manner {
  /** What chance follows from. */
  seed: string;
  /** A person decides on the page for those who review; otherwise everything is accepted when its time has come. */
  isByHand: boolean;
}

/** What a store has to do with. */
export interface StoreWith {
  store: StoreDefinition;
  keeping: Keeping;
  clock: Clock;
  manner: Manner;
  hooks: Hooks;
  look: Look;
}

/** Looks into a package: what it says of itself; undefined where it is none that is known. */
export type Look = (bytes: Uint8Array) => Promise<PackageFacts | undefined>;

/** How an act is asked for: under which key, setting out from which state, saying what. */
export interface AskedAct {
  account: Account;
  key: string | undefined;
  match: string | undefined;
  /** What was asked, for whoever asks for something else under the same key. */
  what: string;
}

/** An answer as it goes over the wire. */
export interface Answer {
  status: number;
  body: string;
  tag?: string | undefined;
}

/** Where a client's app lies among what nobody else may have. */
const takenKey = (store: StoreKey, what: "identifier" | "name", value: string): string =>
  `${store} ${what} ${what === "name" ? foldedName(value) : value}`;

/** A store: acts on what it keeps, each whole or not at all, and once under one key. */
export function openStore({ store, keeping, clock, manner, hooks, look }: StoreWith) {
  const { apps, taken, answers } = keeping;

  /** An app as it is now, of this account. */
  function appNow(app: string, account: Account): KeptApp | undefined {
    const kept = apps.get(appKey(store.key, app));
    return kept?.account === account.account ? put(kept, atTime(store, kept, clock.now(), manner.isByHand)) : undefined;
  }

  /** Keeps what an app has become, and who has its name. */
  function put(before: KeptApp | undefined, after: KeptApp): KeptApp {
    if (before === after) return after;
    apps.putSync(appKey(store.key, after.app), after);
    for (const [what, value] of [
      ["identifier", after.identifier],
      ["name", after.name],
    ] as const) {
      const key = takenKey(store.key, what, value);
      if (after.hasLapsed && what === "name") {
        if (taken.get(key) === after.app) taken.removeSync(key);
      } else if (taken.get(key) === undefined) taken.putSync(key, after.app);
    }
    if (before && foldedName(before.name) !== foldedName(after.name)) {
      const key = takenKey(store.key, "name", before.name);
      if (taken.get(key) === after.app) taken.removeSync(key);
    }
    hooks.tell(store.key, after, before?.happened.length ?? 0);
    return after;
  }

  const isTaken = (what: "identifier" | "name", value: string, by?: string): boolean => {
    const holder = taken.get(takenKey(store.key, what, value));
    if (holder === undefined || holder === by) return false;
    // Whoever held it may have let go of it meanwhile.
    const kept = apps.get(appKey(store.key, holder));
    const now = kept && put(kept, atTime(store, kept, clock.now(), manner.isByHand));
    return what === "identifier" || now?.hasLapsed !== true;
  };

  /** What was answered under a key; where it was asked something else, that is wrong. */
  function answered({ account, key, what }: AskedAct): Answer | undefined {
    const before = key === undefined ? undefined : answers.get(`${account.account} ${key}`);
    if (!before) return undefined;
    return before.asked === sha256(what)
      ? before
      : answerOf(wrong(422, "Something else was asked under this key.", { rule: "one act a key" }), account);
  }

  function answerOf(outcome: Outcome, account: Account): Answer {
    if ("app" in outcome)
      return { status: 200, body: JSON.stringify(wireOf(outcome.app, account)), tag: tagOf(outcome.app) };
    const { status, ...told } = outcome;
    return { status, body: JSON.stringify(told) };
  }

  /** Does an act once under its key, and answers alike whenever it is asked for again. */
  function act(asked: AskedAct, work: () => Outcome): Answer {
    return keeping.within(() => {
      const before = answered(asked);
      if (before) return before;
      const outcome = work();
      const answer = answerOf(outcome, asked.account);
      // What was refused can be asked for again when something else has changed.
      if (asked.key !== undefined && "app" in outcome) {
        const kept: KeptAnswer = { asked: sha256(asked.what), ...answer };
        answers.putSync(`${asked.account.account} ${asked.key}`, kept);
      }
      return answer;
    });
  }

  return {
    store,
    now: clock.now,
    manner,
    keeping,
    isTaken,

    /** Makes an app, or says why not. */
    create: (asked: AskedAct, work: () => Outcome): Answer =>
      act(asked, () => {
        const outcome = work();
        if ("app" in outcome) put(undefined, outcome.app);
        return outcome;
      }),

    /** Changes an app that is as its caller saw it. */
    change: (asked: AskedAct, app: string, work: (app: KeptApp, now: number) => Outcome): Answer =>
      act(asked, () => {
        const before = appNow(app, asked.account);
        if (!before) return wrong(404, `There is no app ${app}.`);
        if (asked.match !== undefined && asked.match !== tagOf(before))
          return wrong(412, "It has changed since it was read.", { rule: "unchanged" });
        const outcome = work(before, clock.now());
        if ("app" in outcome) put(before, outcome.app);
        return outcome;
      }),

    read: (app: string, account: Account): Answer =>
      keeping.within(() => {
        const kept = appNow(app, account);
        return answerOf(kept ? { app: kept } : wrong(404, `There is no app ${app}.`), account);
      }),

    /** The apps of an account, a page at a time. */
    list: (
      account: Account,
      { identifier, after, most }: { identifier?: string | undefined; after: string; most: number },
    ) =>
      keeping.within(() => {
        if (identifier !== undefined) {
          const app = taken.get(takenKey(store.key, "identifier", identifier));
          const kept = app === undefined ? undefined : appNow(app, account);
          return { items: kept ? [wireOf(kept, account)] : [] };
        }
        const page = keeping.appsOf(store.key, after, most);
        const last = page.at(-1);
        return {
          items: page.flatMap(({ app }) => {
            const kept = appNow(app, account);
            return kept ? [wireOf(kept, account)] : [];
          }),
          ...(page.length === most && last ? { next: last.app } : {}),
        };
      }),

    /** What has happened to an app behind a number, a page at a time. */
    happenings: (account: Account, app: string, after: number, most: number) =>
      keeping.within(() => {
        const kept = appNow(app, account);
        if (!kept) return undefined;
        const behind = kept.happened.filter(({ number }) => number > after);
        const items = behind.slice(0, most).map((each) => happenedWire(kept, each));
        const last = behind[most - 1];
        return { items, ...(behind.length > most && last ? { next: idOf(kept, last.number) } : {}) };
      }),

    /** Every app of everybody, for the pages of the people who review. */
    everything: (): KeptApp[] =>
      keeping.within(() =>
        keeping
          .appsOf(store.key, "", Number.POSITIVE_INFINITY)
          .map((kept) => put(kept, atTime(store, kept, clock.now(), manner.isByHand))),
      ),

    /** Does something to an app on behalf of the store's own people. */
    asStaff: (app: string, work: (app: KeptApp, now: number) => Outcome): Outcome =>
      keeping.within(() => {
        const kept = apps.get(appKey(store.key, app));
        if (!kept) return wrong(404, `There is no app ${app}.`);
        const before = put(kept, atTime(store, kept, clock.now(), manner.isByHand));
        const outcome = work(before, clock.now());
        if ("app" in outcome) put(before, outcome.app);
        return outcome;
      }),

    /** What the package of an upload says of itself; undefined where it is none. */
    packageOf: (sum: string) => look(keeping.bytesOf(sum)),
    upload: (sum: string): KeptUpload | undefined => keeping.uploads.get(sum),
  };
}

export type OpenStore = ReturnType<typeof openStore>;
