import { type BuildRecord, buildSlot, buildsOf } from "../../agency/history/builds.ts";
import { pruneAbove, removeTree } from "../../ground/files/writing/door.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import { refuse } from "../../ground/problems/result.ts";
import { beyondKept } from "../../making/building/kept.ts";
import { buildFolder } from "../../making/building/work.ts";
import { holding } from "./workspace.ts";

/** How many builds are to stay, as it was typed. Stops: value-invalid */
export function keptSaid(said: string): number {
  const count = /^\d{1,4}$/.test(said) ? Number(said) : 0;
  return count >= 1
    ? count
    : refuse("value-invalid", `"${said}" is no number of builds to keep.`, { expected: "from 1 to 9999" });
}

/** Removes what builds of a client have given beyond so many; the history keeps what they were. Returns which. */
export const removeBeyond = (root: string, client: string, keep: number, today: string): Promise<BuildRecord[]> =>
  holding(root, async () => {
    const all = buildsOf.read(root, client) ?? {};
    const gone = beyondKept(Object.values(all), keep);
    if (gone.length === 0) return [];
    for (const each of gone) {
      const folder = buildFolder({ ...each, client });
      removeTree(root, folder);
      pruneAbove(root, folder, "builds");
    }
    const without = gone.map((each) => [buildSlot(each), { ...each, removed: today }] as const);
    writeTogether(root, buildsOf.changes(root, client, { ...all, ...Object.fromEntries(without) }));
    return gone;
  });
