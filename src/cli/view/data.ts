import type { Place } from "../../core/files/source.ts";
import type { Problem } from "../../core/problems/problem.ts";
import type { Traced } from "../../core/values/trail.ts";

/** What `--json` says of things that several commands print. Shapes are in docs/commands.md. */

/** A place, without the line that stands there. */
export const placeData = ({ file, line, column }: Place): object => ({ file, line, column });

export const problemData = ({ place, ...rest }: Problem): object => ({
  ...rest,
  ...(place ? { place: placeData(place) } : {}),
});

export const tracedData = ({ value, trail }: Traced): object => ({
  value,
  trail: trail.map(({ place, ...step }) => ({ ...step, ...(place ? { place: placeData(place) } : {}) })),
});
