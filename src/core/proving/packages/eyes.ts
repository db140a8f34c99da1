import { variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { PackageFacts } from "../../app/packages/facts.ts";
import { packageKinds } from "../../app/packages/facts.ts";
import { openTemplate } from "../../app/survey/template.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { openArchive } from "../../formats/packages/archive.ts";
import { isUnsaid, saidIn } from "../../formats/packages/said.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { drawnFor, readReceipt } from "../../making/jobs/receipt.ts";
import { isPicture } from "../../pictures/artwork/likeness.ts";
import { pixelSum, sizeSaid } from "../../pictures/artwork/pixels.ts";
import { gatherIdentity } from "../audit/identity/gather.ts";
import { searchForOthers } from "../audit/others.ts";
import { openPictureSearch } from "../audit/pictures.ts";
import { searchFor } from "../audit/search/search.ts";
import { fewOf } from "./judge.ts";

/** The audit's own eyes, for packages: what of the template, or of another client, is in one. */
export interface PackageEyes {
  /** @param shown the package as a producer would name it */
  look(bytes: Uint8Array, facts: PackageFacts, variant: Variant, shown: string): Promise<Problem[]>;
}

/** Opens them once for a workspace: what the template is known by, and what belongs to whom. */
export async function openPackageEyes(workspace: Workspace, all: readonly Resolved[]): Promise<PackageEyes> {
  const template = openTemplate(workspace);
  const identity = gatherIdentity(template.folder, template.files, workspace.notes.data.names);
  const pictures = await openPictureSearch(template.folder);
  const others = searchForOthers(all, (client) => drawnFor(workspace.root, variantPath(workspace, client)));
  return {
    async look(bytes, { kind }, variant, shown) {
      const archive = openArchive(bytes);
      if (!archive) return [];
      const { platform } = packageKinds[kind];
      const { key: client } = variant;
      // Its own colours brand nobody else; a file that is compiled says none as the template wrote it.
      const search = searchFor(identity, [], variant);
      const { files, left: unread } = archive.readAll((path) => !isUnsaid(path), mostLooked);
      const all = Object.entries(files);
      const isShown = (path: string) => isPicture(path) && !path.endsWith(".svg");
      const sizes = new Set(all.map(([path, content]) => (isShown(path) ? sizeSaid(content) : undefined)));
      const drawn = await drawnPixels(workspace, client, (own) => sizes.has(sizeSaid(own)));
      const left = new Map<string, string[]>();
      const found: Problem[] = [];
      let [shownIn, own] = [0, 0];
      const note = (what: string, file: string) => left.set(what, [...(left.get(what) ?? []), file]);
      for (const [path, content] of all) {
        const said = saidIn(path, content);
        const text = said === undefined ? undefined : Buffer.from(said);
        const searched = { client, path, hash: sha256(content), shown: path, isKept: false };
        if (text) {
          for (const { text: what } of search.inFile(path, text, path).residue) if (what) note(what, path);
          for (const { problem: each } of others.inFile({ ...searched, bytes: () => text })) found.push(each);
        }
        if (!isShown(path)) continue;
        shownIn++;
        if (drawn?.has((await pixelSum(content)) ?? "")) {
          own++;
          continue;
        }
        const looked = { ...searched, bytes: () => content };
        for (const each of await pictures.inFile({ ...looked, isDrawn: false })) found.push(each.problem);
        for (const each of await others.looks(looked)) found.push(each.problem);
      }
      const tell = (code: "package-left" | "package-foreign", message: string, severity?: "warning") =>
        problem(code, message, { client, platform, ...(severity ? { severity } : {}) });
      return [
        ...[...left].map(([what, places]) =>
          tell("package-left", `"${what}", which is the template's, is in ${shown}: ${fewOf(places)}.`, "warning"),
        ),
        ...found.map(({ message }) => tell("package-foreign", `In ${shown}: ${message}`)),
        ...(unread > 0
          ? [tell("package-left", `${shown} is too large: ${unread} of its files were not looked through.`, "warning")]
          : []),
        // What a build has packed anew with a loss, or an asset catalog has swallowed, nobody can tell from outside.
        ...(drawn && kind !== "ipa" && shownIn > 0 && own === 0
          ? [tell("package-foreign", `No picture in ${shown} is one that was drawn for ${client}.`, "warning")]
          : []),
      ];
    },
  };
}

/** Most bytes of a package that are looked through. */
const mostLooked = 256 * 1024 * 1024;

/** What the pictures show that were drawn for a client, of those that count; undefined where it has no variant. */
async function drawnPixels(
  workspace: Workspace,
  client: string,
  counts: (bytes: Uint8Array) => boolean,
): Promise<ReadonlySet<string> | undefined> {
  const folder = variantPath(workspace, client);
  const receipt = attempt(() => readReceipt(workspace.root, folder, client));
  if (!receipt.ok || Object.keys(receipt.value.files).length === 0) return undefined;
  const paths = Object.entries(receipt.value.files).flatMap(([path, { kind }]) =>
    kind === "draw" && /\.(png|webp|jpe?g)$/.test(path) ? [path] : [],
  );
  const sums = paths.map(async (path) => {
    const bytes = attempt(() => readInside(workspace.root, `${folder}/${path}`, path));
    return bytes.ok && counts(bytes.value) ? pixelSum(bytes.value) : undefined;
  });
  return new Set((await Promise.all(sums)).flatMap((sum) => sum ?? []));
}
