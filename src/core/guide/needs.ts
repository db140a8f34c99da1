import type { Slot } from "../slots/slot.ts";

/** What a designer may be asked for: pictures, colours, and pictures drawn by hand. */
export interface Need {
  name: string;
  /** How much it is needed. */
  need: string;
  says: string;
  form: string;
  keep: string;
}

/** A picture in no single place: how many pixels its longer side has to have, over all places that show it. */
type Sides = Partial<Record<"mark" | "icon" | "wide" | "splash" | "pattern", number>>;

const mostOf = (sides: readonly number[]): number | undefined =>
  sides.length > 0 ? Math.ceil(Math.max(...sides)) : undefined;

/** The longest side that a mark can have in a slot's safe zone, in pixels: as a disc, it has all of a circle. */
const markSide = ({ width, height, safe }: Slot): number => Math.min(width, height) * safe.share * (safe.drawn ?? 1);

/** How many tiles of a pattern lie over the shorter side of a screen. */
const tilesAcross = 5;

/** What pictures have to measure, so that none of these slots enlarges one. */
function sidesOf(slots: readonly Slot[]): Sides {
  const from = (source: Slot["from"]) => slots.filter((slot) => slot.from === source);
  const covered = slots.filter(({ covers }) => covers === "splash");
  const scenes = slots.filter(({ scene }) => scene);
  const sides = {
    icon: mostOf(from("icon").map(({ width }) => width)),
    mark: mostOf(slots.filter((slot) => slot.from !== "ground").map(markSide)),
    wide: mostOf(from("wide").map(({ width, safe }) => width * safe.share)),
    splash: mostOf(covered.map(({ width, height }) => Math.max(width, height))),
    pattern: mostOf(scenes.map(({ width, height }) => Math.min(width, height) / tilesAcross)),
  };
  return Object.fromEntries(Object.entries(sides).filter(([, side]) => side !== undefined));
}

/**
 * What to ask a designer for, of all that these slots can use: pictures that none of them shows are not asked for, and
 * sizes are those below which `check` calls a picture too small.
 */
export function needsOf(slots: readonly Slot[]): Need[] {
  const { mark, icon, wide, splash, pattern } = sidesOf(slots);
  const isDark = slots.some(({ theme }) => theme === "dark");
  const dark = darkRoles(slots);
  return [
    {
      name: "Mark",
      need: "Needed, unless you send an icon",
      says: "The logo alone, on nothing: no ground, no frame, no shadow. Cropped tight; margins are ignored.",
      form: `SVG, text turned into paths. Or PNG with transparency, the logo itself ${mark ?? 0} pixels or more.`,
      keep:
        "It is laid on one flat colour, light or dark: it must stand out from it by 3 : 1. Lettering alone is too " +
        "small to be read in an icon: send a sign.",
    },
    ...(icon === undefined
      ? []
      : [
          {
            name: "Icon",
            need: "If the icon is more than the mark on a colour",
            says: "A full square picture, ground included. No rounded corners: each system cuts its own.",
            form: `SVG, or PNG or JPEG of ${icon} × ${icon} pixels or more. Opaque.`,
            keep: "Everything that matters within the middle circle of two thirds of the width.",
          },
        ]),
    ...(slots.some(({ from }) => from === "mono")
      ? [
          {
            name: "Mono",
            need: "Needed for a sign within a filled shape, helpful otherwise",
            says: "The mark in one colour, for badges and icons that the system tints.",
            form: "SVG or PNG with transparency; only the shape counts.",
            keep: "Without it, the mark's outline is used; what has the ground's colour becomes a hole.",
          },
        ]
      : []),
    {
      name: "Colours",
      need: "Needed",
      says: "Brand colour, and the ground of the icon where it is another one.",
      form: "As #rrggbb, opaque.",
      keep: "The start screen shows the mark on the ground too, upright and turned.",
    },
    ...(wide === undefined
      ? []
      : [
          {
            name: "Wide logo",
            need: "Helpful",
            says: "The logo with its lettering, wider than high, for banners and wide tiles.",
            form: `SVG, text turned into paths. Or PNG with transparency, ${wide} pixels wide or more.`,
            keep:
              "Without it, the mark is used, and on banners the app's name is set beside it: in your own font, if " +
              "you send it (.ttf or .otf).",
          },
        ]),
    ...(splash === undefined
      ? []
      : [
          {
            name: "Start screen",
            need: "If it is more than the mark on a colour",
            says:
              "One picture over the whole screen; or a tile that is repeated; or a second colour, for the foot of " +
              "the ground.",
            form: `Picture: SVG, or ${splash} × ${splash} pixels. Tile: SVG, or ${pattern ?? splash} pixels wide.`,
            keep: "Screens of every shape are cut from the picture: name the point that must stay in sight.",
          },
        ]),
    ...(isDark
      ? [
          {
            name: "For dark screens",
            need: "Helpful",
            says: `Forms of the ${dark} for phones that are set to dark.`,
            form: "The same as their light ones.",
            keep: "Without them, the light ones stand on a darkened ground, where they stand out from it.",
          },
        ]
      : []),
    {
      name: "Drawn by hand",
      need: "Seldom",
      says: "Any single picture below, drawn for its one place. Small notification icons gain most.",
      form: "SVG, or PNG at the size that is named there.",
      keep: "Name the file after the picture.",
    },
  ];
}

const darkNames: readonly { says: string; isUsed: (slot: Slot) => boolean }[] = [
  { says: "mark", isUsed: () => true },
  { says: "icon", isUsed: ({ from }) => from === "icon" },
  { says: "wide logo", isUsed: ({ from }) => from === "wide" },
  { says: "start picture", isUsed: ({ covers }) => covers === "splash" },
];

/** The pictures that dark screens have a form of. */
function darkRoles(slots: readonly Slot[]): string {
  const dark = slots.filter(({ theme }) => theme === "dark");
  const said = darkNames.filter(({ isUsed }) => dark.some(isUsed)).map(({ says }) => says);
  return said.length > 1 ? `${said.slice(0, -1).join(", ")} and ${said.at(-1)}` : (said[0] ?? "");
}
