import pLimit from "p-limit";
import { happeningsOf, inOrder, type KeptHappening } from "../../agency/history/happenings.ts";
import { emptyLedger, type Ledger, ledgers } from "../../agency/history/ledger.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { type Change, writeTogether } from "../../ground/files/writing/together.ts";
import { refuse } from "../../ground/problems/result.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { StoreHappening } from "../../making/submitting/wire.ts";
import { stores } from "../../stores/all.ts";
import { holding } from "./workspace.ts";

/** So long, in milliseconds, a note waits while others work here. */
const patience = 60_000;

/** Notes of one run wait for each other: the workspace is held for each. */
const oneAtATime = pLimit(1);

/** What is noted of a client: what came from a store, or what somebody says. */
export interface Noted {
  root: string;
  client: string;
  happenings: readonly KeptHappening[];
  /** The identifiers that the client's app has: a store that accepts one fixes it. */
  identifiers: Readonly<Partial<Record<Platform, string>>>;
  /** What is kept beside it, where something is new. */
  beside?: (fresh: readonly KeptHappening[]) => readonly Change[];
}

/** Keeps what has happened to a client's app in stores, each once. Returns what is new. Stops: history-damaged */
export const noteHappenings = ({
  root,
  client,
  happenings,
  identifiers,
  beside,
}: Noted): Promise<readonly KeptHappening[]> =>
  oneAtATime(() =>
    holding(
      root,
      async () => {
        const before = happeningsOf.read(root, client) ?? [];
        const known = new Map(before.map((each) => [keyOf(each), each]));
        const fresh = happenings.filter((each) => !known.has(keyOf(each)));
        const other = happenings.find((each) => isOther(each, known.get(keyOf(each))));
        if (other) refuse("history-damaged", `What ${other.store} says of ${other.id} is not what is kept of it.`);
        if (fresh.length === 0) return [];
        const ledger = ledgers.read(root, client) ?? emptyLedger;
        const fixed = withFixed(ledger, fresh, identifiers);
        writeTogether(root, [
          ...happeningsOf.changes(root, client, inOrder([...before, ...fresh])),
          ...(fixed === ledger ? [] : ledgers.changes(root, client, fixed)),
          ...(beside?.(fresh) ?? []),
        ]);
        return fresh;
      },
      patience,
    ),
  );

const keyOf = ({ store, id }: KeptHappening): string => `${store} ${id}`;

const isOther = ({ kind, at }: KeptHappening, known: KeptHappening | undefined): boolean =>
  known !== undefined && (known.kind !== kind || known.at !== at);

/** A ledger in which the identifiers are fixed that a store has accepted. */
function withFixed(ledger: Ledger, fresh: readonly KeptHappening[], identifiers: Noted["identifiers"]): Ledger {
  const created = fresh.filter(({ kind }) => kind === "created");
  const fixed = created.flatMap(({ store, at }) =>
    stores[store].takes.flatMap((platform) => {
      const value = identifiers[platform];
      const held = ledger.identifiers[platform];
      if (value === undefined || held?.fixed !== undefined) return [];
      return [[platform, { value, ...(held?.reserved ? { reserved: held.reserved } : {}), fixed: at.slice(0, 10) }]];
    }),
  );
  return fixed.length === 0
    ? ledger
    : { ...ledger, identifiers: { ...ledger.identifiers, ...Object.fromEntries(fixed) } };
}

/** A store's own happening, as it is kept. */
export function keptFrom(store: StoreKey, { identifier: _, ...happened }: StoreHappening): KeptHappening {
  const { app, kind, ...rest } = happened;
  return { store, kind, ...rest, ...(kind === "created" ? { app } : {}) };
}

/** The identifiers of a client's app, by platform. */
export const identifiersOf = ({ values }: Variant): Partial<Record<Platform, string>> =>
  Object.fromEntries(
    platforms.flatMap((platform) => {
      const value = values[`identifiers.${platform}`]?.value;
      return value === undefined ? [] : [[platform, value]];
    }),
  );
