import type { FieldFact } from "./known-of-field.ts";

/** The colours of a client's app, in the order in which they are worked out. */
export const colorFacts = {
  "colors.brand": { says: "Brand colour", brief: ["colors", "brand"], color: true, required: true },
  "colors.ground": {
    says: "Ground of the icon",
    brief: ["colors", "ground"],
    pattern: "{colors.brand}",
    color: true,
  },
  "colors.start": {
    says: "Ground of the start screen",
    brief: ["colors", "start"],
    pattern: "{colors.ground}",
    color: true,
  },
  "colors.startEnd": {
    says: "Foot of the start screen's ground, where it runs from one colour to another",
    brief: ["colors", "startEnd"],
    color: true,
  },
  "colors.startDark": {
    says: "Ground of the start screen on dark screens",
    brief: ["colors", "startDark"],
    pattern: "{colors.start darkened}",
    color: true,
  },
  "colors.brandText": { says: "Text on the brand colour: black or white, the more readable", color: true },
  "colors.brandDark": {
    says: "Brand colour on dark screens",
    brief: ["colors", "brandDark"],
    pattern: "{colors.brand lifted}",
    color: true,
  },
  "colors.brandTextDark": {
    says: "Text on the brand colour of dark screens: black or white, the more readable",
    color: true,
  },
  "colors.page": {
    says: "Ground of the app's pages",
    brief: ["colors", "page"],
    pattern: "{colors.brand for page}",
    color: true,
  },
  "colors.pageDark": {
    says: "Ground of the app's pages, on dark screens",
    brief: ["colors", "pageDark"],
    pattern: "{colors.brand for pageDark}",
    color: true,
  },
  "colors.text": {
    says: "Text on a page",
    brief: ["colors", "text"],
    pattern: "{colors.brand for text}",
    color: true,
  },
  "colors.textDark": {
    says: "Text on a page, on dark screens",
    brief: ["colors", "textDark"],
    pattern: "{colors.brand for textDark}",
    color: true,
  },
  "colors.soft": {
    says: "Soft form of the brand colour, behind what is picked out",
    brief: ["colors", "soft"],
    pattern: "{colors.brand for soft}",
    color: true,
  },
  "colors.softDark": {
    says: "Soft form of the brand colour, behind what is picked out, on dark screens",
    brief: ["colors", "softDark"],
    pattern: "{colors.brand for softDark}",
    color: true,
  },
  "colors.softText": {
    says: "Text on the soft colour",
    brief: ["colors", "softText"],
    pattern: "{colors.brand for softText}",
    color: true,
  },
  "colors.softTextDark": {
    says: "Text on the soft colour, on dark screens",
    brief: ["colors", "softTextDark"],
    pattern: "{colors.brand for softTextDark}",
    color: true,
  },
  "colors.line": {
    says: "Lines and frames on a page",
    brief: ["colors", "line"],
    pattern: "{colors.brand for line}",
    color: true,
  },
  "colors.lineDark": {
    says: "Lines and frames on a page, on dark screens",
    brief: ["colors", "lineDark"],
    pattern: "{colors.brand for lineDark}",
    color: true,
  },
} satisfies Readonly<Record<string, FieldFact>>;
