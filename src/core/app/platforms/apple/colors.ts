import { dirname } from "node:path/posix";
import type { ColorPlaces } from "../../template/color-places.ts";
import { filesOf } from "../../template/found.ts";
import { colorSet } from "./assets.ts";

/** Colour sets, each with its dark form (Apple, asset catalog format reference). */
export const appleColors: ColorPlaces = (template, part, holdsOf, wants) => {
  const files = filesOf(template, part);
  const sets = new Set(files.flatMap((file) => /([^/]+)\.colorset\/Contents\.json$/.exec(file)?.[1] ?? []));
  const fills = [...sets].flatMap((set) => {
    const holds = holdsOf(set);
    const below = files.find((file) => file.endsWith(`/${set}.colorset/Contents.json`)) ?? "";
    const catalog = dirname(dirname(below));
    const found = holds ? colorSet({ template, below: catalog, wants }, set, holds) : undefined;
    return (found?.fills ?? []).map((fill) => ({ ...fill, name: set }));
  });
  return { fills, added: part.added };
};
