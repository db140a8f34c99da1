import type { Place } from "../../core/ground/values/source.ts";
import type { Traced } from "../../core/ground/values/trail.ts";

/**
 * Anything that has a place, such as a problem, as `--json` prints it: without the line that stands there, and
 * without what groups it.
 */
export const placeData = <T extends { place?: Place; cause?: unknown }>({ place, cause: _, ...rest }: T): object => ({
  ...rest,
  ...(place ? { place: { file: place.file, line: place.line, column: place.column } } : {}),
});

/** A value and the way it came about. */
export const tracedData = ({ value, trail }: Traced): object => ({ value, trail: trail.map(placeData) });
