import type { Vector } from "./read.ts";

/** Its size where its longer side has so many pixels. */
export function sizeAt({ width, height }: Vector, longer: number): [width: number, height: number] {
  const scale = longer / Math.max(width, height);
  return [Math.max(1, width * scale), Math.max(1, height * scale)];
}

/** A vector as a document of its own, so large. */
export const standAlone = (vector: Vector, width: number, height: number): Buffer =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" ${withoutNamespace(vector.rootAttributes)} width="${width}" ` +
      `height="${height}" viewBox="${vector.viewBox}">${vector.inner}</svg>`,
  );

const withoutNamespace = (attributes: string): string => attributes.replace(/(^|\s)xmlns="[^"]*"/, "");
