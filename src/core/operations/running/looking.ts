import pLimit from "p-limit";
import { happeningsOf, type KeptHappening } from "../../agency/history/happenings.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { passageOf } from "../../clients/passage/passage.ts";
import { ofClient, type Problem } from "../../ground/problems/problem.ts";
import { attemptAsync } from "../../ground/problems/result.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { allStores } from "../../stores/all.ts";
import { type Doors, openDoors } from "./doors.ts";
import { noteOf } from "./one-submission.ts";
import type { Ports } from "./ports.ts";

/** What is new in stores, of each client that was looked for. */
interface Looked {
  fresh: readonly (KeptHappening & { client: string })[];
  problems: readonly Problem[];
}

/** So many clients are asked for at a time. */
const atOnce = 8;

/** Asks stores what has happened to clients' apps there, and keeps it; stores whose interface is not named are left. */
export async function lookIntoStores(
  workspace: Workspace,
  { all, picked }: { all: readonly Resolved[]; picked: readonly Resolved[] },
  wanted: readonly StoreKey[],
  ports: Ports,
): Promise<Looked> {
  const doors = openDoors(workspace, all, ports);
  const limit = pLimit(atOnce);
  const each = picked.flatMap((view) => {
    const { variant } = view;
    return variant === undefined
      ? []
      : appsOf(workspace, view, wanted, doors).map((known) =>
          limit(async () => {
            const { key: client } = view.client;
            const done = await attemptAsync(() => lookAtOne(workspace.root, view, variant, known, doors));
            return done.ok
              ? { fresh: done.value.map((happened) => ({ ...happened, client })), problems: [] }
              : { fresh: [], problems: ofClient(client, done.problems) };
          }),
        );
  });
  const looked = await Promise.all(each);
  return {
    fresh: looked.flatMap(({ fresh }) => fresh),
    problems: looked.flatMap(({ problems }) => problems),
  };
}

/** What a store calls a client's app. */
interface KnownApp {
  store: (typeof allStores)[number];
  app: string;
}

/** Apps of a client that stores have given a number to. */
export function appsOf(
  { root }: Workspace,
  { client }: Resolved,
  wanted: readonly StoreKey[],
  doors: Doors,
): KnownApp[] {
  const happened = happeningsOf.read(root, client.key) ?? [];
  return allStores
    .filter(({ key }) => (wanted.length === 0 || wanted.includes(key)) && doors.has(key))
    .flatMap((store) => {
      const { app } = passageOf(store.key, happened);
      return app === undefined ? [] : [{ store, app }];
    });
}

const lookAtOne = async (
  root: string,
  view: Resolved,
  variant: Variant,
  { store, app }: KnownApp,
  doors: Doors,
): Promise<readonly KeptHappening[]> =>
  noteOf(root, { client: view.client.key, variant, store }, await doors.of(view, store.key), app);
