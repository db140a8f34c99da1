import { join } from "node:path";
import { type BuildRecord, buildsOf } from "../agency/history/builds.ts";
import { pickClients } from "../agency/workspace/read.ts";
import { isHeld } from "../ground/files/holding/lock.ts";
import { lookAt } from "../ground/files/writing/door.ts";
import { ofClient, type Problem } from "../ground/problems/problem.ts";
import { attempt } from "../ground/problems/result.ts";
import { platforms } from "../ground/values/platform.ts";
import { buildFolder, workFolder } from "../making/building/work.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Every build, and not the last of each thing alone. */
  all: boolean;
}

/** A build as it is listed. */
export interface ListedBuild extends BuildRecord {
  client: string;
  /** Relative to the workspace. */
  folder: string;
  /** Whether what came out still lies there. */
  isThere: boolean;
  /** Another run makes it now. */
  isRunning: boolean;
}

export interface ListedBuilds {
  builds: readonly ListedBuild[];
  problems: readonly Problem[];
}

/** The builds that clients have: of each thing the last one, and the last good one where that is another. */
export const listBuilds = operation(async (input: Input, ports): Promise<ListedBuilds> => {
  const workspace = await openWorkspace(input, ports);
  const { root } = workspace;
  const clients = pickClients(workspace, await chooseClients(workspace, input));
  const read = clients.map(({ key }) => ({ key, records: attempt(() => buildsOf.read(root, key) ?? {}) }));
  return {
    problems: read.flatMap(({ key, records }) => (records.ok ? [] : ofClient(key, records.problems))),
    builds: read.flatMap(({ key, records }) => {
      if (!records.ok) return [];
      const sorted = Object.values(records.value).sort(inOrder);
      const shown = input.all ? sorted : sorted.filter((each) => isLast(each, sorted));
      return shown.map((each): ListedBuild => {
        const at = { ...each, client: key };
        const folder = buildFolder(at);
        return {
          ...at,
          folder,
          isThere: each.files.every(({ path }) => lookAt(root, `${folder}/${path}`)?.isFile() === true),
          isRunning: each.state === "begun" && isHeld(join(root, workFolder(at))),
        };
      });
    }),
  };
});

/** By stage, the store's first; then by platform; the latest first. */
const inOrder = (a: BuildRecord, b: BuildRecord): number =>
  Number(a.stage !== "store") - Number(b.stage !== "store") ||
  a.stage.localeCompare(b.stage) ||
  platforms.indexOf(a.platform) - platforms.indexOf(b.platform) ||
  b.build - a.build;

/** The last of its stage and platform, or the last good one. @param sorted the latest first */
function isLast(each: BuildRecord, sorted: readonly BuildRecord[]): boolean {
  const own = sorted.filter(({ stage, platform }) => stage === each.stage && platform === each.platform);
  return each === own[0] || each === own.find(({ state }) => state === "good");
}
