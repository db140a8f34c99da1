/** What a designer would call the platform's pictures, by their role. */
export const webTitles = {
  any: "Installed icon",
  maskable: "Installed icon, maskable",
  monochrome: "Installed icon, themed",
  touch: "Home screen icon",
  social: "Social picture",
  favicon: "Tab icon",
  "start-portrait": "Start picture, upright",
  "start-landscape": "Start picture, turned",
} as const;

export type WebRole = keyof typeof webTitles;
