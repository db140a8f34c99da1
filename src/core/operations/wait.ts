import { happeningsOf } from "../agency/history/happenings.ts";
import { wantedStores } from "../agency/workspace/wanted.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { type Awaited, type AwaitedState, awaitedState } from "../clients/passage/awaited.ts";
import { refuse, stopAt } from "../ground/problems/result.ts";
import type { StoreKey } from "../ground/values/store.ts";
import { lookIntoStores } from "./running/looking.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  client: string;
  event: Awaited;
  store?: StoreKey | undefined;
  /** Minutes. */
  within: string;
}

export interface WaitEnded extends AwaitedState {
  client: string;
  store: StoreKey;
  event: Awaited;
}

/** How long is waited before it is looked again, in milliseconds: longer each time. */
const looks = { first: 1000, longest: 60_000 };

/** Waits until something has happened to a client's app in a store, or will not happen. Open where the time is over. */
export const waitFor = operation(async (input: Input, ports): Promise<WaitEnded> => {
  if (!/^\d{1,6}$/.test(input.within))
    refuse("value-invalid", `"${input.within}" is no number of minutes.`, { expected: "such as 60" });
  const until = ports.now() + Number(input.within) * 60_000;
  const workspace = await openWorkspace(input, ports);
  const { all, picked } = await resolvePicked(workspace, [input.client]);
  const [view, ...more] = picked;
  if (!view || more.length > 0)
    return refuse("submission-unclear", "It is not said for which client is waited.", { expected: "the key of one" });
  const { key: client } = view.client;
  const store = storeIn(
    input,
    wantedStores(workspace, view.client).map(({ key }) => key),
  );
  for (let pause = looks.first; ; pause = Math.min(pause * 2, looks.longest)) {
    const { problems } = await lookIntoStores(workspace, { all, picked }, [store], ports);
    stopAt(problems);
    const state = awaitedState(input.event, happenedIn(workspace, client, store));
    const left = until - ports.now();
    if (state.state !== "open" || left <= 0) return { client, store, event: input.event, ...state };
    ports.on({ what: "awaiting", client, store, says: input.event });
    await ports.pause(Math.min(pause, left));
  }
});

const happenedIn = ({ root }: Workspace, client: string, store: StoreKey) =>
  (happeningsOf.read(root, client) ?? []).filter((each) => each.store === store);

function storeIn({ store }: Input, wanted: readonly StoreKey[]): StoreKey {
  if (store) return store;
  const [first, ...more] = wanted;
  return first && more.length === 0
    ? first
    : refuse("submission-unclear", "It is not said in which store is waited.", {
        expected: `--store ${wanted.join("|")}`,
      });
}
