import { happeningsOf, type KeptHappening } from "../../agency/history/happenings.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { dueIn } from "../../clients/passage/due.ts";
import { type Passage, passageOf } from "../../clients/passage/passage.ts";
import { type UsualWait, usualWait, type Waited } from "../../clients/passage/waits.ts";
import { ofClient, type Problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { allStores, stores } from "../../stores/all.ts";

/** Where clients' apps are in stores, and what is due there. */
export interface Passages {
  of(client: string): { passages: readonly Passage[]; due: readonly Problem[] };
}

const waited: readonly Waited[] = ["processing", "review", "testing"];

/** Reads what has happened in stores, of all clients: how long things take there follows from it. */
export function readPassages({ root, clients }: Workspace, today: string): Passages {
  const read = new Map(clients.map(({ key }) => [key, attempt(() => happeningsOf.read(root, key) ?? [])]));
  const all = [...read.values()].flatMap((each) => (each.ok ? [each.value] : []));
  const usual = new Map<StoreKey, Readonly<Record<Waited, UsualWait>>>();
  const usualIn = (store: StoreKey) => {
    const known = usual.get(store) ?? usualOf(store, all);
    usual.set(store, known);
    return known;
  };
  // What is due on a day is due at its end.
  const now = Date.parse(`${today}T23:59:59Z`);
  return {
    of(client) {
      const own = read.get(client);
      if (!own) return { passages: [], due: [] };
      if (!own.ok) return { passages: [], due: ofClient(client, own.problems) };
      const passages = allStores
        .map(({ key }) => passageOf(key, own.value))
        .filter(({ happened }) => happened.length > 0);
      const due = passages.flatMap((passage) =>
        dueIn(passage, { store: stores[passage.store], client, today, now, usual: usualIn(passage.store) }),
      );
      return { passages, due };
    },
  };
}

function usualOf(store: StoreKey, all: readonly (readonly KeptHappening[])[]): Record<Waited, UsualWait> {
  const histories = all.map((each) => each.filter((happened) => happened.store === store));
  const { conduct } = stores[store];
  return Object.fromEntries(waited.map((each) => [each, usualWait(each, conduct, histories)])) as Record<
    Waited,
    UsualWait
  >;
}
