import picomatch from "picomatch";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { referencesIn } from "../../formats/references/of-file.ts";
import { type FileIndex, indexFiles } from "../../formats/references/reference.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { stop } from "../../ground/problems/result.ts";

/**
 * Refuses to leave out what a file that stays refers to: the app would not build. A picture that is drawn anew is
 * there again.
 * @param kept files that variants get; @param drawn pictures that each variant has of its own
 */
export function refuseNamed(
  { notes }: Workspace,
  folder: Folder,
  kept: readonly string[],
  drawn: ReadonlySet<string>,
): void {
  const { leave } = notes.data;
  if (!leave.some((glob) => folder.list().some((file) => picomatch(glob, { dot: true })(file)))) return;
  const everything = indexFiles(folder.list());
  const there = indexFiles([...kept, ...drawn]);
  const problems = kept.flatMap((file) =>
    referencesIn(folder, file).flatMap((reference): Problem[] => {
      const [lost] = reference.finds(everything);
      if (lost === undefined || isFound(reference, there)) return [];
      const index = leave.findIndex((glob) => picomatch(glob, { dot: true })(lost));
      if (index < 0) return [];
      const message = `${lost} cannot be left out: ${file} refers to it as ${reference.name}.`;
      return [problem("left-out-named", message, { place: notes.document.placeOf(["leave", index]) })];
    }),
  );
  if (problems.length > 0) stop(problems);
}

const isFound = ({ finds }: { finds(files: FileIndex): readonly string[] }, files: FileIndex): boolean =>
  finds(files).length > 0;

/** A template without the folders that go to nobody: an app that is made in them is not the one that is surveyed. */
export function withoutLeft(folder: Folder, leave: readonly string[]): Folder {
  if (leave.length === 0) return folder;
  const isLeft = picomatch([...leave], { dot: true });
  const lost = folder.lost().filter((file) => !isLeft(file));
  const whole = leave.filter((pattern) => pattern.endsWith("/**"));
  if (whole.length === 0) return { ...folder, lost: () => lost };
  const isInWhole = picomatch(whole, { dot: true });
  const kept = folder.list().filter((file) => !isInWhole(file));
  return { ...folder, list: () => kept, lost: () => lost };
}
