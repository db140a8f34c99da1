import { type ResourceScript, readResourceScript } from "../../formats/splice/formats/resource-script.ts";
import { withoutBuildEnding } from "../../formats/splice/known-ending.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { textOf } from "../../ground/files/reading/text-of.ts";

const productsOf = ({ values }: ResourceScript): string[] =>
  values.filter(({ key }) => key === "ProductName").map(({ site }) => site.value);

/**
 * The resource scripts of a template's Windows programs, read; without those of libraries that a program takes along,
 * which are called otherwise than all of them.
 */
export function programScripts(template: Folder): ReadonlyMap<string, ResourceScript> {
  const before = known.get(template) ?? scriptsOf(template);
  known.set(template, before);
  return before;
}

const known = new WeakMap<Folder, ReadonlyMap<string, ResourceScript>>();

/** Whether a file may be a resource script. */
export const isResourceScript = (file: string): boolean => /\.rc$/i.test(withoutBuildEnding(file));

function scriptsOf(template: Folder): ReadonlyMap<string, ResourceScript> {
  const all = template
    .list()
    .filter(isResourceScript)
    .flatMap((file): [string, ResourceScript][] => {
      const source = textOf(template, file);
      return source ? [[file, readResourceScript(file, source)]] : [];
    });
  const programs = all.filter(([, { isOfLibrary }]) => !isOfLibrary);
  const own = new Set(programs.flatMap(([, script]) => productsOf(script)));
  return new Map(
    all.filter(
      ([, script]) => !script.isOfLibrary || own.size === 0 || productsOf(script).some((product) => own.has(product)),
    ),
  );
}
