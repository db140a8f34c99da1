import { dirname, extname } from "node:path/posix";
import type { Folder } from "../files/folder.ts";
import { type Problem, problem, Refusal } from "../problems/problem.ts";
import { attributeOf, findAll, parseXml, textSite } from "../splice/xml.ts";
import { parseColor } from "../values/color.ts";
import { darkOf, type Field } from "../values/fields.ts";
import type { Wants } from "../values/missing.ts";
import type { Platform } from "../values/platform.ts";
import type { Workspace } from "../workspace/read.ts";
import { colorFile } from "./android-missing.ts";
import { forNight } from "./android-references.ts";
import { colorSet } from "./ios-assets.ts";
import { placesIn } from "./places.ts";
import { type AddedFile, type Fill, filesOf, type PartSurvey, placeOf } from "./survey.ts";

/** What a colour of that name stands for; undefined where template.yaml does not say. */
type Holds = (name: string) => Field | undefined;

/** A place of a colour, and what the template calls it. */
type NamedFill = Fill & { name: string };

interface Colored {
  fills: NamedFill[];
  /** All that the part adds. */
  added: readonly AddedFile[];
}

/** Where a part of a platform says a colour of its own. */
type Look = (template: Folder, part: PartSurvey, holdsOf: Holds, wants: Wants) => Colored;

/** One name in each platform's own writing: shop_line, ShopLine, --shop-line. */
const plain = (name: string): string => name.replace(/[^A-Za-z0-9]/g, "").toLowerCase();

/** Colour resources by day and by night; one that has no form for the night gets one (Android documentation, night qualifier). */
const inResources: Look = (template, part, holdsOf, wants) => {
  const fills: NamedFill[] = [];
  const light = new Map<string, { folder: string; holds: Field }>();
  const night = new Set<string>();
  for (const file of filesOf(template, part).filter((each) => /\/res\/values[^/]*\/[^/]+\.xml$/.test(each)))
    for (const element of findAll(parseXml(template.source(file)), "color")) {
      const name = attributeOf(element, "name") ?? "";
      const holds = holdsOf(name);
      const site = textSite(file, element);
      if (!holds || !site) continue;
      const isNight = forNight(file);
      fills.push({ name, holds: isNight ? darkOf(holds) : holds, site, shape: "color" });
      if (isNight) night.add(name);
      else light.set(name, { folder: dirname(dirname(file)), holds });
    }
  const before = part.added.map((file) => ({
    ...file,
    fills: file.fills.map((fill) => {
      const name = /<color name="([^"]+)">$/.exec(file.text.slice(0, fill.site.start))?.[1] ?? "";
      const holds = forNight(`/${file.path}`) ? holdsOf(name) : undefined;
      if (!holds) return fill;
      night.add(name);
      return { ...fill, holds: darkOf(holds) };
    }),
  }));
  const lacking = [...light].filter(([name]) => !night.has(name));
  const folders = wants("night-colors") ? [...new Set(lacking.map(([, { folder }]) => folder))] : [];
  const added = folders.map((folder) =>
    colorFile(
      `${folder}/values-night/night_roles.xml`,
      lacking
        .filter(([, each]) => each.folder === folder)
        .map(([name, { holds }]) => ({ name, holds: darkOf(holds) })),
    ),
  );
  return { fills, added: [...before, ...added] };
};

/** Colour sets, each with its dark form (Apple, asset catalog format reference). */
const inCatalogs: Look = (template, part, holdsOf, wants) => {
  const files = filesOf(template, part);
  const sets = new Set(files.flatMap((file) => /([^/]+)\.colorset\/Contents\.json$/.exec(file)?.[1] ?? []));
  const fills = [...sets].flatMap((set) => {
    const holds = holdsOf(set);
    const below = files.find((file) => file.endsWith(`/${set}.colorset/Contents.json`)) ?? "";
    const catalog = dirname(dirname(below));
    const found = holds
      ? colorSet({ template, below: catalog, wants, platform: part.platform }, set, holds)
      : undefined;
    return (found?.fills ?? []).map((fill) => ({ ...fill, name: set }));
  });
  return { fills, added: part.added };
};

/** Custom properties of style sheets, and their forms within the rules for dark screens. */
const inStyles: Look = (template, part, holdsOf) => ({
  fills: filesOf(template, part)
    .filter((file) => extname(file) === ".css")
    .flatMap((file) =>
      placesIn(template, file).flatMap(({ at, site }): NamedFill[] => {
        const name = at.replace(/^dark /, "");
        const holds = holdsOf(name);
        return holds ? [{ name, holds: name === at ? holds : darkOf(holds), site, shape: "color" }] : [];
      }),
    ),
  added: part.added,
});

const looks: Partial<Record<Platform, Look>> = {
  android: inResources,
  ios: inCatalogs,
  desktop: inCatalogs,
  web: inStyles,
};

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
    const look = looks[part.platform];
    if (!look || declared.length === 0) return part;
    const { fills, added } = look(template, part, holdsOf, wants);
    return { ...part, fills: [...fills, ...part.fills], added };
  });
  const problems = [...missed].map((name): Problem => {
    const place = notes.document.placeOf(["colors", name], "key");
    return problem("fill-not-found", `No colour of the template is called "${name}".`, {
      place,
      expected: "the name of a colour resource, a colour set or a custom property",
    });
  });
  if (problems.length > 0) throw new Refusal(problems);
  return colored;
}

/** A colour of the template's own that nothing is known of but its name. */
export interface OwnColor {
  name: string;
  /** A place that says it, by day where there is one; of a colour set, one of its channels. */
  fill: Fill;
}

/** The colours of the template that its build files give no part: each could be named under `colors` in template.yaml. */
export function ownColors(template: Folder, parts: readonly PartSurvey[]): OwnColor[] {
  const known = new Set(parts.flatMap(({ fills }) => fills.map(({ site }) => placeOf(site))));
  const said = new Map<string, NamedFill[]>();
  const anything: Holds = () => "colors.page";
  const nothing: Wants = () => false;
  for (const part of parts)
    for (const fill of looks[part.platform]?.(template, part, anything, nothing).fills ?? [])
      said.set(plain(fill.name), [...(said.get(plain(fill.name)) ?? []), fill]);
  return [...said.values()].flatMap((fills) => {
    const colors = fills.filter(isColor);
    const fill = colors.find(({ site }) => !forNight(site.file)) ?? colors[0];
    return fill && !colors.some(({ site }) => known.has(placeOf(site))) ? [{ name: fill.name, fill }] : [];
  });
}

/** A custom property may hold anything; and what looks like digits of a colour need not be one without a # in front. */
const isColor = ({ shape, site: { value } }: Fill): boolean =>
  shape !== "color" ||
  /^#[0-9a-f]{8}$/i.test(value) ||
  (!/^[0-9a-f.]+$/i.test(value) && typeof parseColor(value) === "string");
