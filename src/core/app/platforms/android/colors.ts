import { dirname } from "node:path/posix";
import { attributeOf, findAll, parseXml, textSite } from "../../../formats/splice/formats/xml.ts";
import { androidValues } from "../../../formats/splice/known-ending.ts";
import { darkOf, type Field } from "../../../ground/values/fields.ts";
import type { ColorPlaces, NamedFill } from "../../template/color-places.ts";
import { filesOf } from "../../template/found.ts";
import { forNight } from "./following.ts";
import { colorFile } from "./missing.ts";

/**
 * Colour resources by day and by night; one that has no form for the night gets one (Android documentation, night
 * qualifier).
 */
export const androidColors: ColorPlaces = (template, part, holdsOf, wants) => {
  const fills: NamedFill[] = [];
  const light = new Map<string, { folder: string; holds: Field }>();
  const night = new Set<string>();
  for (const file of filesOf(template, part).filter((each) => androidValues.test(each)))
    for (const element of findAll(parseXml(template.source(file)), "color")) {
      const name = attributeOf(element, "name") ?? "";
      const holds = holdsOf(name);
      const site = textSite(file, element);
      if (!holds || !site) continue;
      const isNight = forNight(file);
      fills.push({ name, isNight, holds: isNight ? darkOf(holds) : holds, site, shape: "color" });
      if (isNight) night.add(name);
      else light.set(name, { folder: dirname(dirname(file)), holds });
    }
  const before = part.added.map((file) => ({
    ...file,
    fills: file.fills.map((fill) => {
      const name = /<color name="([^"]+)">$/.exec(file.text.slice(0, fill.site.start))?.[1] ?? "";
      const holds = forNight(file.path) ? holdsOf(name) : undefined;
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
      lacking.filter(([, each]) => each.folder === folder).map(([name, { holds }]) => ({ name, holds: darkOf(holds) })),
    ),
  );
  return { fills, added: [...before, ...added] };
};
