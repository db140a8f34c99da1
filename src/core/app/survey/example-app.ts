import type { Folder } from "../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { PartSurvey } from "../template/found.ts";

/** Folders in which a library keeps an app that shows what it can do. */
const ofExamples = /^(?:.*\/)?(?:examples?|demos?|samples?|playground|sandbox|[\w-]+[-_]example)(?=\/|$)/i;

/** What says that a folder holds a library, or a tool, for others to take. */
const libraries = /^(?:package\.json|pubspec\.yaml|Cargo\.toml|setup\.py|pyproject\.toml|[^/]+\.podspec)$/;

/** A question where all that was found of an app is an example of a library's: which app do clients get? */
export function exampleAlone(template: Folder, parts: readonly PartSurvey[]): Problem[] {
  const folders = parts.map(({ folder }) => folder);
  if (folders.length === 0 || !folders.every((folder) => ofExamples.test(folder))) return [];
  if (!template.list().some((file) => libraries.test(file))) return [];
  const shown = [...new Set(folders.map((folder) => `${ofExamples.exec(folder)?.[0] ?? folder}/`))].sort().join(", ");
  const message = `The only app here is in ${shown}: it looks like the example of a library.`;
  return [problem("app-in-example", message, { severity: "warning" })];
}
