import { unpackBeside } from "../../src/core/ground/files/reading/beside.ts";

/** The bytes of a font that comes with Oxalis, by its script. */
export const fontFile = (script: string): Uint8Array =>
  unpackBeside(import.meta.url, `../../src/core/pictures/lettering/fonts/${script.toLowerCase()}.ttf.br`);
