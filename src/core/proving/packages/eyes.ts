import { variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { OpenedPackage, PackageKind } from "../../app/packages/facts.ts";
import { openTemplate } from "../../app/survey/template.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { readablePng } from "../../formats/packages/apple-png.ts";
import { readAssetCatalog } from "../../formats/packages/asset-catalog.ts";
import { isUnsaid, saidIn } from "../../formats/packages/said.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { sha256 } from "../../ground/values/hash.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { drawnFor } from "../../making/jobs/receipt.ts";
import { isPicture } from "../../pictures/artwork/likeness.ts";
import { gatherIdentity } from "../audit/identity/gather.ts";
import { searchForOthers } from "../audit/others.ts";
import { openPictureSearch } from "../audit/pictures.ts";
import { searchFor } from "../audit/search/search.ts";
import { drawnPictures, isAnyDrawn } from "./drawn.ts";
import { fewOf } from "./judge.ts";

/** The audit's own eyes, for packages: what of the template, or of another client, is in one. */
export interface PackageEyes {
  /** @param shown the package as a producer would name it */
  look(opened: OpenedPackage, of: { variant: Variant; platform: Platform }, shown: string): Promise<Problem[]>;
}

/** Opens them once for a workspace: what the template is known by, and what belongs to whom. */
export async function openPackageEyes(workspace: Workspace, all: readonly Resolved[]): Promise<PackageEyes> {
  const template = openTemplate(workspace);
  const identity = gatherIdentity(template.folder, template.files, workspace.notes.data.names);
  const pictures = await openPictureSearch(template.folder);
  const others = searchForOthers(all, (client) => drawnFor(workspace.root, variantPath(workspace, client)));
  return {
    async look({ facts, files: archive, icons }, { variant, platform }, shown) {
      const { key: client } = variant;
      // Its own colours brand nobody else; a file that is compiled says none as the template wrote it.
      const search = searchFor(identity, [], variant);
      const { files, left: unread } = archive.readAll((path) => !isUnsaid(path), mostLooked);
      const all = Object.entries(files).flatMap(([path, content]) => [
        [path, content] as const,
        ...within(path, content),
      ]);
      const isShown = (path: string) => isPicture(path) && !path.endsWith(".svg");
      const drawn = drawnPictures(workspace, client);
      const left = new Map<string, string[]>();
      const found: Problem[] = [];
      const note = (what: string, file: string) => left.set(what, [...(left.get(what) ?? []), file]);
      for (const [path, content] of all) {
        const said = saidIn(path, content);
        // A program is searched as one: in words of 8 and of 16 bits.
        const text = said === undefined ? (isShown(path) ? undefined : content) : Buffer.from(said);
        const searched = { client, path, hash: sha256(content), shown: path, isKept: false };
        if (text) {
          for (const { text: what } of search.inFile(path, text, path).residue) if (what) note(what, path);
          for (const { problem: each } of others.inFile({ ...searched, bytes: () => text })) found.push(each);
        }
        if (!isShown(path)) continue;
        const picture = readablePng(content) ?? content;
        if (await drawn?.has(picture)) continue;
        const looked = { ...searched, bytes: () => picture };
        for (const each of await pictures.inFile({ ...looked, isDrawn: false })) found.push(each.problem);
        for (const each of await others.looks(looked)) found.push(each.problem);
      }
      const tell = (code: "package-left" | "package-foreign", message: string, severity?: "warning") =>
        problem(code, message, { client, platform, ...(severity ? { severity } : {}) });
      const strange = drawn && icons.size > 0 && !(await isAnyDrawn([...icons.values()], drawn));
      return [
        ...[...left].map(([what, places]) =>
          tell("package-left", `"${what}", which is the template's, is in ${shown}: ${fewOf(places)}.`, "warning"),
        ),
        ...[...new Set(found.map(({ message }) => message))].map((message) =>
          tell("package-foreign", `In ${shown}: ${message}`),
        ),
        ...(unread > 0
          ? [tell("package-left", `${shown} is too large: ${unread} of its files were not looked through.`, "warning")]
          : []),
        ...(strange
          ? [
              tell(
                "package-foreign",
                `The icon of ${shown} is none that was drawn for ${client}: ${fewOf([...icons.keys()])}.`,
                // Whoever packs pictures with a loss, or draws them smaller, leaves nothing to hold them against.
                asDrawn.has(facts.kind) ? undefined : "warning",
              ),
            ]
          : []),
      ];
    },
  };
}

/** Files that lie in a compiled catalog of assets as they are. */
const within = (path: string, content: Uint8Array): [string, Uint8Array][] =>
  path.endsWith(".car")
    ? [...(readAssetCatalog(content)?.whole ?? [])].map(([file, bytes]) => [`${path}, in it ${file}`, bytes])
    : [];

/** Kinds whose tools take pictures as they are. */
const asDrawn: ReadonlySet<PackageKind> = new Set(["apk", "aab", "msix", "msixbundle", "web"]);

/** Most bytes of a package that are looked through. */
const mostLooked = 256 * 1024 * 1024;
