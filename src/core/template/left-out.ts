import picomatch from "picomatch";
import type { Folder } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { type Problem, problem, Refusal } from "../problems/problem.ts";
import { type FileIndex, indexFiles } from "../references/reference.ts";
import { referencesIn } from "../references/references.ts";
import type { Workspace } from "../workspace/read.ts";

/**
 * Refuses to leave out what a file that stays refers to: the app would not build. A picture that is drawn anew is there again.
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
  if (problems.length > 0) throw new Refusal(problems);
}

const isFound = ({ finds }: { finds(files: FileIndex): readonly string[] }, files: FileIndex): boolean =>
  finds(files).length > 0;

/** Key stores that a build script names and no variant gets: each is told, with the line. */
export function keysLeftOut(folder: Folder): Problem[] {
  const files = indexFiles(folder.list());
  return folder
    .list()
    .filter((file) => /\.gradle(\.kts)?$/.test(file))
    .flatMap((file) =>
      referencesIn(folder, file)
        .filter((reference) => !isFound(reference, files))
        .map(({ name }) => {
          const source = folder.source(file);
          const message = `Android: ${file} signs with ${name}, and no variant gets it: keys are never copied.`;
          return problem("template-gap", message, {
            severity: "warning",
            place: placeAt(source, source.text.indexOf(name)),
            expected: "signing.gradle, which signs with each client's own key",
          });
        }),
    );
}
