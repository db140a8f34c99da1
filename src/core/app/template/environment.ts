import type { Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { longPattern } from "../../ground/values/long-pattern.ts";
import { placesIn } from "./places.ts";

/** Where teams keep what their builds take by name: environment files, and settings in folders that are called so. */
const isEnvironment = longPattern("i")`
  (^|\/)\.env(\.[\w-]+)*$|\.env(\.json)?$|(^|\/)env\.json$
  |(^|\/)(env|envs|environments?|configs?)\/[^/]+\.(json|properties|xcconfig)$
`;

/** How such names are written. */
const isVariable = /^[A-Z][A-Z0-9_]+$/;

/** Every literal that files of a build's environment give to a name; none where nobody does. */
export function givenByEnvironment(template: Folder, name: string): Site[] {
  if (!isVariable.test(name)) return [];
  return template
    .list()
    .filter((file) => isEnvironment.test(file))
    .flatMap((file) => placesIn(template, file))
    .flatMap(({ at, site }) => (at.split(".").at(-1) === name && !site.value.includes("$") ? [site] : []));
}
