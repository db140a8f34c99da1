import { type Installation, installsOf } from "../../agency/workspace/schema/agency.ts";
import { atStage, variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { definitions } from "../../app/platforms/all.ts";
import { templateFor } from "../../app/survey/narrow.ts";
import type { Template } from "../../app/survey/template.ts";
import { signingPrefix } from "../../app/variant/signing.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { resolveAll } from "../../clients/derive/resolve.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { lookAt } from "../../ground/files/writing/door.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import { platforms } from "../../ground/values/platform.ts";

/** One build: a client's app on one platform, at one stage. */
interface Build {
  client: string;
  /** "store", or the name of another stage. */
  stage: string;
  /** How it is installed: as the store's app, beside it, or from the store's own tracks in its place. */
  installs: Installation | "store";
  platform: string;
  /** Where it is built, relative to the workspace. */
  folder: string;
  name: string;
  identifier: string;
  version: string;
  build: string;
  /** Names of the environment's variables that sign it begin with this. */
  signing: string;
}

/**
 * Every build of the variants that are there, by stage, client and platform.
 * @param all the clients, resolved at the workspace's stage.
 */
async function buildsOf(workspace: Workspace, all: readonly Resolved[], template: Template): Promise<Build[]> {
  const { stage: _, ...store } = workspace;
  const stages = [undefined, ...Object.keys(workspace.agency.data.stages)].map((name) => atStage(store, name));
  const builds: Build[] = [];
  for (const at of stages) {
    const isThere = (key: string) => lookAt(at.root, variantPath(at, key)) !== undefined;
    if (!at.clients.some(({ key }) => isThere(key))) continue;
    const resolved = at.stage?.name === workspace.stage?.name ? all : await resolveAll(at);
    for (const each of resolved.filter(({ client }) => isThere(client.key))) {
      const { client, values } = each;
      const own = templateFor(template, each);
      if (!own.ok) continue;
      const parts = own.value.template.parts.filter(({ platform }) => own.value.variant.platforms.includes(platform));
      for (const { platform, folder } of parts)
        builds.push({
          client: client.key,
          stage: at.stage?.name ?? "store",
          installs: at.stage ? installsOf(at.stage.has) : "store",
          platform,
          folder: [variantPath(at, client.key), folder].filter(Boolean).join("/"),
          name: values["app.name"]?.value ?? "",
          identifier: values[`identifiers.${platform}`]?.value ?? "",
          version: values.version?.value ?? "",
          build: values.build?.value ?? "",
          signing: signingPrefix(client.key),
        });
    }
  }
  return builds;
}

/** What a platform is built on. */
const runner = `\${{ ${platforms
  .filter((each) => definitions[each].runsOn !== "ubuntu")
  .map((each) => `matrix.platform == '${each}' && '${definitions[each].runsOn}-latest' || `)
  .join("")}'ubuntu-latest' }}`;

const number = `\${{ matrix.version }} (\${{ matrix.build }})`;

/** An example of a workflow that builds all of them: one job a client and platform. To be copied and made one's own. */
const exampleWorkflow = `\
# An example: copy it to where your build server looks for workflows, and put your own build commands in.
name: Builds
on: workflow_dispatch
jobs:
  generate:
    runs-on: ubuntu-latest
    outputs:
      matrix: \${{ steps.read.outputs.matrix }}
    steps:
      - uses: actions/checkout@v4
      - run: oxalis generate --settled && oxalis audit --report audit.sarif
      - id: read
        # This server wants the list within a list of its own.
        run: printf 'matrix={"include":%s}\\n' "$(tr -d '\\n' < variants/builds.json)" >> "$GITHUB_OUTPUT"
      - uses: actions/upload-artifact@v4
        with: { name: variants, path: variants }
  build:
    needs: generate
    strategy:
      fail-fast: false
      matrix: \${{ fromJSON(needs.generate.outputs.matrix) }}
    name: \${{ matrix.client }}, \${{ matrix.platform }}, \${{ matrix.stage }}
    runs-on: ${runner}
    steps:
      - uses: actions/download-artifact@v4
        with: { name: variants, path: variants }
      - run: echo "Build \${{ matrix.identifier }} ${number} in \${{ matrix.folder }}"
`;

/** What a build server needs to know of all variants that are there, by file. */
export const buildsFiles = async (
  workspace: Workspace,
  all: readonly Resolved[],
  template: Template,
): Promise<Map<string, string>> =>
  new Map([
    ["variants/builds.json", `${JSON.stringify(await buildsOf(workspace, all, template), null, 1)}\n`],
    ["variants/builds.example.yml", exampleWorkflow],
  ]);

/** Writes it, only where it changed. */
export async function writeBuilds(workspace: Workspace, all: readonly Resolved[], template: Template): Promise<void> {
  const { root } = workspace;
  const files = await buildsFiles(workspace, all, template);
  for (const [file, text] of files)
    if (lookAt(root, file)?.isFile() && Buffer.from(readInside(root, file, file)).toString() === text)
      files.delete(file);
  if (files.size > 0 && lookAt(root, "variants")) writeTogether(root, files);
}
