import { dirname, join, relative, resolve, sep } from "node:path";
import { type BuildRecord, buildsOf } from "../agency/history/builds.ts";
import { pickClients } from "../agency/workspace/read.ts";
import type { Client } from "../agency/workspace/workspace.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { isHeld } from "../ground/files/holding/lock.ts";
import { lookAt } from "../ground/files/writing/door.ts";
import { ofClient, type Problem } from "../ground/problems/problem.ts";
import { attempt } from "../ground/problems/result.ts";
import { platforms } from "../ground/values/platform.ts";
import { buildFolder, workFolder } from "../making/building/work.ts";
import { accentOf } from "../pages/parts/accent.ts";
import type { ShownBuild } from "../showing/builds/build.ts";
import { buildsPage } from "../showing/builds/page.tsx";
import { installPageName } from "../showing/installing/files.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Every build, and not the last of each thing alone. */
  all: boolean;
  /** Also write them as a page into this file. */
  page?: string | undefined;
}

export interface ListedBuilds {
  builds: readonly ShownBuild[];
  problems: readonly Problem[];
  /** The page's absolute path. */
  page?: string;
}

/** The builds that clients have: of each thing the last one, and the last good one where that is another. */
export const listBuilds = operation(async (input: Input, ports): Promise<ListedBuilds> => {
  const workspace = await openWorkspace(input, ports);
  const { root } = workspace;
  const clients = pickClients(workspace, await chooseClients(workspace, input));
  const read = clients.map((client) => ({ client, records: attempt(() => buildsOf.read(root, client.key) ?? {}) }));
  const builds = read.flatMap(({ client, records }) => {
    if (!records.ok) return [];
    const sorted = Object.values(records.value).sort(inOrder);
    const shown = input.all ? sorted : sorted.filter((each) => isLast(each, sorted));
    return shown.map((each) => listed(root, client, each));
  });
  const problems = read.flatMap(({ client, records }) => (records.ok ? [] : ofClient(client.key, records.problems)));
  if (input.page === undefined) return { builds, problems };
  const { agency, builds: served } = workspace.agency.data;
  const file = resolve(ports.folder, input.page);
  const all = await resolveAll(workspace);
  const html = buildsPage({
    ...{ agency: agency.name, ...accentOf(workspace), builds, isServed: served.address !== undefined },
    names: new Map(all.map(({ client, values }) => [client.key, values["app.name"]?.value ?? client.key])),
    linkTo: (path) => relative(dirname(file), join(root, path)).split(sep).map(encodeURIComponent).join("/"),
  });
  return { builds, problems, page: writeOutput(root, ports, { named: input.page }, html) };
});

function listed(root: string, { key, ledger }: Client, each: BuildRecord): ShownBuild {
  const at = { ...each, client: key };
  const folder = buildFolder(at);
  const isFile = (name: string) => lookAt(root, `${folder}/${name}`)?.isFile() === true;
  return {
    ...at,
    folder,
    isThere: each.removed === undefined && each.files.every(({ path }) => isFile(path)),
    isRunning: each.state === "begun" && isHeld(join(root, workFolder(at))),
    hasLog: isFile("build.log"),
    ...(isFile(installPageName) ? { install: `${folder}/${installPageName}` } : {}),
    notes: ledger?.releases.findLast(({ version }) => version === each.version)?.notes ?? {},
  };
}

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
