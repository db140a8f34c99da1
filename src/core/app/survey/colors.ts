import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { stop } from "../../ground/problems/result.ts";
import { parseColor } from "../../ground/values/color.ts";
import type { Field } from "../../ground/values/fields.ts";
import { definitions } from "../platforms/all.ts";
import type { Holds, NamedFill } from "../template/color-places.ts";
import { type Fill, type PartSurvey, placeOf } from "../template/found.ts";
import type { Wants } from "../template/missing.ts";

/** One name in each platform's own writing: shop_line, ShopLine, --shop-line. */
const plain = (name: string): string => name.replace(/[^A-Za-z0-9]/g, "").toLowerCase();

/** The parts of a template with the places of the colours that template.yaml names. Refuses a name that no part has. */
export function withColors(
  { notes }: Workspace,
  template: Folder,
  parts: readonly PartSurvey[],
  wants: Wants,
): PartSurvey[] {
  const declared = Object.entries(notes.data.colors);
  const missed = new Set(Object.keys(notes.data.colors));
  const holdsOf: Holds = (name) => {
    const [key, role] = declared.find(([each]) => plain(each) === plain(name)) ?? [];
    if (key !== undefined) missed.delete(key);
    return role ? (`colors.${role}` as Field) : undefined;
  };
  const colored = parts.map((part) => {
    if (declared.length === 0) return part;
    const { fills, added } = definitions[part.platform].colors(template, part, holdsOf, wants);
    return { ...part, fills: [...fills, ...part.fills], added };
  });
  const problems = [...missed].map((name): Problem => {
    const place = notes.document.placeOf(["colors", name], "key");
    return problem("fill-not-found", `No colour of the template is called "${name}".`, {
      place,
      expected: "the name of a colour resource, a colour set or a custom property",
    });
  });
  if (problems.length > 0) stop(problems);
  return colored;
}

/** A colour of the template's own that nothing is known of but its name. */
export interface OwnColor {
  name: string;
  /** A place that says it, by day where there is one; of a colour set, one of its channels. */
  fill: Fill;
}

/**
 * The colours of the template that its build files give no part: each could be named under `colors` in template.yaml.
 */
export function ownColors(template: Folder, parts: readonly PartSurvey[]): OwnColor[] {
  const known = new Set(parts.flatMap(({ fills }) => fills.map(({ site }) => placeOf(site))));
  const said = new Map<string, NamedFill[]>();
  const anything: Holds = () => "colors.page";
  const nothing: Wants = () => false;
  for (const part of parts)
    for (const fill of definitions[part.platform].colors(template, part, anything, nothing).fills)
      said.set(plain(fill.name), [...(said.get(plain(fill.name)) ?? []), fill]);
  return [...said.values()].flatMap((fills) => {
    const colors = fills.filter(isColor);
    const fill = colors.find(({ isNight }) => !isNight) ?? colors[0];
    return fill && !colors.some(({ site }) => known.has(placeOf(site))) ? [{ name: fill.name, fill }] : [];
  });
}

/** A custom property may hold anything; and what looks like digits of a colour need not be one without a # in front. */
const isColor = ({ shape, site: { value } }: Fill): boolean =>
  shape !== "color" || /^#[0-9a-f]{8}$/i.test(value) || (!/^[0-9a-f.]+$/i.test(value) && parseColor(value).ok);
