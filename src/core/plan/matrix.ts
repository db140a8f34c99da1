import { existsSync } from "node:fs";
import { join } from "node:path";
import type { Resolved } from "../derive/variant.ts";
import type { Template } from "../template/read.ts";
import { signingPrefix } from "./builds.ts";

/** One build: a client's app on one platform. */
interface Build {
  client: string;
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

/** Every build of the variants that are there, by client and platform; the form that build servers take a matrix in. */
export function buildMatrix(
  root: string,
  all: readonly Resolved[],
  { parts }: Template,
): { include: Build[] } {
  const made = all.filter(({ client, variant }) => variant && existsSync(join(root, "variants", client.key)));
  return {
    include: made.flatMap(({ client: { key }, values }) =>
      parts.map(({ platform, folder }) => ({
        client: key,
        platform,
        folder: ["variants", key, folder].filter(Boolean).join("/"),
        name: values["app.name"]?.value ?? "",
        identifier: values[`identifiers.${platform}`]?.value ?? "",
        version: values.version?.value ?? "",
        build: values.build?.value ?? "",
        signing: signingPrefix(key),
      })),
    ),
  };
}

/** An example of a workflow that builds the matrix: one job a client and platform. To be copied and made one's own. */
export const exampleWorkflow = `# An example: copy it to where your build server looks for workflows, and put your own build commands in.
name: Builds
on: workflow_dispatch
jobs:
  generate:
    runs-on: ubuntu-latest
    outputs:
      matrix: \${{ steps.read.outputs.matrix }}
    steps:
      - uses: actions/checkout@v4
      - run: oxalis generate --locked && oxalis audit --report audit.sarif
      - id: read
        run: echo "matrix=$(cat variants/builds.json | tr -d '\\n')" >> "$GITHUB_OUTPUT"
      - uses: actions/upload-artifact@v4
        with: { name: variants, path: variants }
  build:
    needs: generate
    strategy:
      fail-fast: false
      matrix: \${{ fromJSON(needs.generate.outputs.matrix) }}
    name: \${{ matrix.client }}, \${{ matrix.platform }}
    runs-on: \${{ matrix.platform == 'ios' && 'macos-latest' || matrix.platform == 'windows' && 'windows-latest' || 'ubuntu-latest' }}
    steps:
      - uses: actions/download-artifact@v4
        with: { name: variants, path: variants }
      - run: echo "Build \${{ matrix.identifier }} \${{ matrix.version }} (\${{ matrix.build }}) in \${{ matrix.folder }}"
`;
