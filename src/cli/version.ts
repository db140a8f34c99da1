/** Oxalis's version; the same as in package.json. */
export const version = "0.1.0";
