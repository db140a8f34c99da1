import { type Trying, tryingOf } from "../../agency/history/trying.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { markOf } from "../../clients/testers/who.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import { ofClient, type Problem } from "../../ground/problems/problem.ts";
import { attemptAsync } from "../../ground/problems/result.ts";
import type { allStores } from "../../stores/all.ts";
import type { Doors } from "./doors.ts";
import { appsOf } from "./looking.ts";
import { holding } from "./workspace.ts";

/** Where somebody agrees to take part in a store, as it says. */
interface Linked {
  /** Absolute; absent where the store writes to them itself. */
  link?: string;
  storeTitle: string;
  /** How they get it there. */
  joins: (typeof allStores)[number]["conduct"]["tracks"][number]["joins"];
}

/** What stores know of those who try a client's app, by their marks. */
interface LookedAt {
  links: ReadonlyMap<string, readonly Linked[]>;
  problems: readonly Problem[];
}

/** Asks stores who takes part in trying a client's app, and keeps it. */
export async function lookAtTesters(workspace: Workspace, view: Resolved, doors: Doors): Promise<LookedAt> {
  const { key: client } = view.client;
  const links = new Map<string, Linked[]>();
  const came = new Map<string, (before: Trying) => Trying>();
  const done = await attemptAsync(async () => {
    for (const { store, app } of appsOf(workspace, view, [], doors)) {
      const { app: has } = await (await doors.of(view, store.key)).read(app);
      const base = workspace.agency.data.interfaces[store.key]?.at;
      for (const { kind, joins } of store.conduct.tracks)
        for (const { address, link, came: at, build } of has.testers[kind] ?? []) {
          const mark = markOf(client, address);
          const own: Linked = { storeTitle: store.title, joins, ...linkAt(link, base) };
          links.set(mark, [...(links.get(mark) ?? []), own]);
          if (at !== undefined)
            came.set(mark, (before) => ({
              ...before,
              came: at.slice(0, 10),
              ...(build === undefined ? {} : { build }),
            }));
        }
    }
    if (came.size > 0) await keepTrying(workspace.root, client, came);
  });
  return { links, problems: done.ok ? [] : ofClient(client, done.problems) };
}

function linkAt(link: string | undefined, base: string | undefined): { link?: string } {
  return link !== undefined && URL.canParse(link, base) ? { link: new URL(link, base).href } : {};
}

/** Keeps how those stand who try a client's app, by their marks: what it is after a change. */
export const keepTrying = (
  root: string,
  client: string,
  changes: ReadonlyMap<string, (before: Trying) => Trying>,
): Promise<void> =>
  holding(
    root,
    async () => {
      const before = tryingOf.read(root, client) ?? {};
      const now = Object.fromEntries([...changes].map(([mark, change]) => [mark, change(before[mark] ?? {})]));
      writeTogether(root, tryingOf.changes(root, client, { ...before, ...now }));
    },
    60_000,
  );
