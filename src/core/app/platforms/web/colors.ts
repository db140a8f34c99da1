import { extname } from "node:path/posix";
import { darkOf } from "../../../ground/values/fields.ts";
import type { ColorPlaces, NamedFill } from "../../template/color-places.ts";
import { filesOf } from "../../template/found.ts";
import { placesIn } from "../../template/places.ts";

/** Custom properties of style sheets, and their forms within the rules for dark screens. */
export const webColors: ColorPlaces = (template, part, holdsOf) => ({
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
