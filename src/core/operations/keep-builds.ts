import { buildsOf } from "../agency/history/builds.ts";
import { pickClients } from "../agency/workspace/read.ts";
import { ofClient, type Problem } from "../ground/problems/problem.ts";
import { attemptAsync } from "../ground/problems/result.ts";
import type { Platform } from "../ground/values/platform.ts";
import { beyondKept } from "../making/building/kept.ts";
import { buildFolder } from "../making/building/work.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { keptSaid, removeBeyond } from "./running/kept-builds.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** So many good builds of each thing stay. */
  keep: string;
  dryRun: boolean;
}

/** A build whose files went, or would go. */
export interface RemovedBuild {
  client: string;
  stage: string;
  platform: Platform;
  version: string;
  build: number;
  /** Relative to the workspace. */
  folder: string;
  /** In bytes, of what came out. */
  size: number;
}

/** Removes the files of builds beyond so many; never those that somebody has. */
export const keepBuilds = operation(
  async (input: Input, ports): Promise<{ removed: RemovedBuild[]; problems: Problem[] }> => {
    const workspace = await openWorkspace(input, ports);
    const { root } = workspace;
    const keep = keptSaid(input.keep);
    const removed: RemovedBuild[] = [];
    const problems: Problem[] = [];
    for (const { key } of pickClients(workspace, await chooseClients(workspace, input))) {
      const gone = await attemptAsync(async () =>
        input.dryRun
          ? beyondKept(Object.values(buildsOf.read(root, key) ?? {}), keep)
          : removeBeyond(root, key, keep, ports.today()),
      );
      if (!gone.ok) problems.push(...ofClient(key, gone.problems));
      else
        for (const each of gone.value) {
          const { stage, platform, version, build, files } = each;
          const size = files.reduce((sum, { size }) => sum + size, 0);
          removed.push({
            ...{ client: key, stage, platform, version, build, size },
            folder: buildFolder({ ...each, client: key }),
          });
        }
    }
    return { removed, problems };
  },
);
