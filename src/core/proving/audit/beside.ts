import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Template } from "../../app/survey/template.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { lookAt, namesIn } from "../../ground/files/writing/door.ts";
import { problemOfFile } from "../../ground/problems/of-files.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { buildsFiles } from "../../making/make/builds.ts";
import { goneVariants, wantedVariants } from "../../making/make/gone.ts";

/** What lies beside the variants of an agency: what build servers read, and what belongs to no client. */
export async function besideVariants(
  workspace: Workspace,
  all: readonly Resolved[],
  template: Template,
): Promise<Problem[]> {
  const made = await buildsFiles(workspace, all, template);
  return [...ofNobody(workspace), ...changedBuilds(workspace.root, made)];
}

/** Folders of no client. Files lie there by right: pages that were asked for. */
function ofNobody(workspace: Workspace): Problem[] {
  const { root } = workspace;
  const wanted = wantedVariants(workspace);
  const gone = new Set(goneVariants(workspace));
  return namesIn(root, "variants")
    .filter((name) => !wanted.has(name) && lookAt(root, `variants/${name}`)?.isDirectory() === true)
    .map((name) => {
      const file = { file: name, shown: `variants/${name}` };
      const fix = "`oxalis clean --variants` removes it, unless somebody has worked in it.";
      return gone.has(name)
        ? problemOfFile("output-stray", file, "was made for a client or a stage that is no more.", { fix })
        : problemOfFile("output-stray", file, "is a folder of no client.");
    });
}

/** What build servers read, and does not say what the variants are now. */
const changedBuilds = (root: string, made: ReadonlyMap<string, string>): Problem[] =>
  [...made].flatMap(([path, text]) => {
    const file = { file: path, shown: path };
    if (!lookAt(root, path)?.isFile()) return [];
    if (Buffer.from(readInside(root, path, path)).toString() === text) return [];
    const fix = "Run `oxalis generate`: it is written anew.";
    return [problemOfFile("output-changed", file, "does not say what is built from the variants now.", { fix })];
  });
