import { referencesIn } from "../../../formats/references/of-file.ts";
import { indexFiles } from "../../../formats/references/reference.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { placeAt } from "../../../ground/values/source.ts";

/** Key stores that a build script names and no variant gets: each is told, with the line. */
export function keysLeftOut(folder: Folder): Problem[] {
  const files = indexFiles(folder.list());
  return folder
    .list()
    .filter((file) => /\.gradle(\.kts)?$/.test(file))
    .flatMap((file) =>
      referencesIn(folder, file)
        .filter((reference) => reference.finds(files).length === 0)
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
