import type { ResourceScript } from "../../../formats/splice/formats/resource-script.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { type MacroBody, macroBodies, withIncluded } from "../../template/c-macros.ts";
import { isSetByScripts } from "../../template/cmake-variables.ts";
import type { Fill } from "../../template/found.ts";
import type { Shape } from "../../template/shapes.ts";

/** What a program's version block says to whoever looks at its properties (Microsoft, VERSIONINFO resource). */
const shown: Readonly<Record<string, Field>> = {
  CompanyName: "owner",
  FileDescription: "app.name",
  ProductName: "app.name",
  LegalCopyright: "copyright",
  FileVersion: "version",
  ProductVersion: "version",
};

/** A version as such a block writes it: `1.4.2`, or `1, 4, 2, 0`. */
const versionForm = /^\d+(?:\s*[.,]\s*\d+){1,3}$/;

/** Numbers of a version as one macro each. */
const numberShapes: readonly Shape[] = ["versionMajor", "versionMinor", "versionPatch"];

/** Most macros that are followed from one to the next. */
const longestChain = 6;

/** What a program's version block says, where it says it itself or by macros of what it includes. */
export function versionBlock(
  template: Folder,
  file: string,
  { values, numbers, macros }: ResourceScript,
): { fills: Fill[]; gaps: Problem[] } {
  let files: readonly string[] | undefined;
  const bodiesOf = (name: string) => {
    files ??= withIncluded(template, file);
    return macroBodies(template, files, name);
  };
  const fills = values.flatMap(({ key, site }) => fillOf(shown[key], site, site.value, template));
  const byMacro = macros.flatMap(({ key, name, at }) => {
    const holds = shown[key];
    return holds ? [{ holds, at, fills: followed(bodiesOf, name, holds, template) }] : [];
  });
  const byNumbers = numbers.map(({ site }) => {
    return { holds: "version" as const, at: site.start, fills: numberFills(bodiesOf, site) };
  });
  const pointed = [...byMacro, ...byNumbers];
  const all = [...fills, ...pointed.flatMap((each) => each.fills)];
  const unknown = pointed.find((each) => each.holds === "version" && each.fills.length === 0);
  const isSaid = all.some(({ holds }) => holds === "version");
  return { fills: all, gaps: isSaid || !unknown ? [] : [unsaid(template, file, unknown.at)] };
}

const unsaid = (template: Folder, file: string, at: number): Problem =>
  problem("template-gap", "Windows: the program's version is worked out where it cannot be followed.", {
    severity: "warning",
    place: placeAt(template.source(file), at),
    fix: "Name the place that says it under `fill` in template.yaml; until then the program says the template's.",
  });

function fillOf(holds: Field | undefined, site: Site, value: string, template: Folder): Fill[] {
  if (!holds || value.trim() === "" || isSetByScripts(template, value)) return [];
  if (holds !== "version") return [{ holds, site, shape: "text" }];
  return versionForm.test(value) ? [{ holds, site, shape: shapeOf(value) }] : [];
}

const shapeOf = (value: string): Shape => (value.includes(",") ? "versionCommas" : "versionParts");

type Bodies = (name: string) => readonly MacroBody[];

/** Wherever a macro's text is written down, from one macro to the next. */
function followed(bodiesOf: Bodies, name: string, holds: Field, template: Folder, left = longestChain): Fill[] {
  if (left === 0) return [];
  return bodiesOf(name).flatMap(({ site, isText }) =>
    isText || versionForm.test(site.value)
      ? fillOf(holds, site, site.value, template)
      : /^[A-Za-z_]\w*$/.test(site.value)
        ? followed(bodiesOf, site.value, holds, template, left - 1)
        : [],
  );
}

/** A version as numbers: written there, by one macro, or by one for each. */
function numberFills(bodiesOf: Bodies, site: Site, left = longestChain): Fill[] {
  const said = site.value.trim();
  if (versionForm.test(said)) return [{ holds: "version", site, shape: shapeOf(said) }];
  const parts = said.split(/\s*,\s*/);
  const [only] = parts;
  if (only === undefined || left === 0 || !parts.every((part) => /^\w+$/.test(part))) return [];
  if (parts.length === 1) return bodiesOf(only).flatMap((body) => numberFills(bodiesOf, body.site, left - 1));
  return numberShapes.flatMap((shape, at) =>
    bodiesOf(parts[at] ?? "").flatMap((body) =>
      /^\d+$/.test(body.site.value) ? [{ holds: "version" as const, site: body.site, shape }] : [],
    ),
  );
}
