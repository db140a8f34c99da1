import { darkSlot, type Slot, scaleToPixels } from "../../../pictures/slots/slot.ts";
import type { WebRole } from "./titles.ts";

const icon = {
  platform: "web",
  path: "{file}",
  from: "icon",
  ground: { kind: "full", color: "colors.ground" },
  alpha: "none",
  tone: "color",
  safe: { shape: "box", share: 0.7 },
} as const;

/** Pictures that are square icons. */
type IconRole = Exclude<WebRole, "social" | "start-portrait" | "start-landscape">;

const roles: Readonly<Record<IconRole, Omit<Slot<WebRole>, "width" | "height" | "qualifier">>> = {
  any: {
    ...icon,
    role: "any",
    ground: { kind: "square", color: "colors.ground", side: 1, corner: 0.2 },
    alpha: "kept",
    rule: "Manifest icons of purpose any: shown as they are (W3C, Web Application Manifest)",
  },
  maskable: {
    ...icon,
    role: "maskable",
    from: "mark",
    safe: { shape: "circle", share: 0.8, drawn: 0.84 },
    rule: "Maskable icons: opaque; all within the middle circle of 80 % of the width (W3C, Web Application Manifest)",
  },
  monochrome: {
    ...icon,
    role: "monochrome",
    from: "mono",
    ground: { kind: "none" },
    alpha: "only",
    tone: "black",
    safe: { shape: "box", share: 0.8 },
    rule: "Monochrome icons: only the alpha is used (W3C, Web Application Manifest)",
  },
  touch: {
    ...icon,
    role: "touch",
    rule: "Touch icon: opaque; the system rounds it (Apple, Safari web content guide)",
  },
  favicon: {
    ...icon,
    role: "favicon",
    ground: { kind: "square", color: "colors.ground", side: 1, corner: 0.2 },
    alpha: "kept",
    safe: { shape: "box", share: 0.84 },
    rule: "Page icon, shown in a tab (WHATWG, HTML standard, link type icon)",
  },
};

/** A web picture of a role at a size in pixels. */
export const webSlot = (role: IconRole, side: number): Slot<WebRole> => ({
  ...roles[role],
  width: side,
  height: side,
  qualifier: `${side}`,
});

/** The picture that is shown where the page is shared (Open Graph protocol, og:image). */
export const socialSlot: Slot<WebRole> = {
  ...icon,
  role: "social",
  from: "wide",
  lettered: true,
  width: 1200,
  height: 630,
  qualifier: "1200x630",
  safe: { shape: "box", share: 0.64 },
  rule: "Social picture: 1200 × 630, opaque; some services cut it to a square (Open Graph protocol)",
};

/** Pictures within favicon.ico, in pixels. */
export const icoSizes = [16, 32, 48] as const;

/** What an installable page's manifest must list. */
export const manifestIcons: readonly Slot<WebRole>[] = [
  webSlot("any", 192),
  webSlot("any", 512),
  webSlot("maskable", 192),
  webSlot("maskable", 512),
  webSlot("monochrome", 512),
];

/** Side of the touch icon, in pixels. */
export const touchSide = 180;

/**
 * Screens of phones and tablets: CSS width, CSS height, pixels a CSS pixel (Apple, "Specifying a launch screen
 * image").
 */
const screens: readonly (readonly [width: number, height: number, ratio: number])[] = [
  [320, 568, 2],
  [375, 667, 2],
  [414, 736, 3],
  [375, 812, 3],
  [414, 896, 2],
  [414, 896, 3],
  [390, 844, 3],
  [393, 852, 3],
  [402, 874, 3],
  [420, 912, 3],
  [428, 926, 3],
  [430, 932, 3],
  [440, 956, 3],
  [744, 1133, 2],
  [768, 1024, 2],
  [810, 1080, 2],
  [820, 1180, 2],
  [834, 1112, 2],
  [834, 1194, 2],
  [834, 1210, 2],
  [1024, 1366, 2],
  [1032, 1376, 2],
];

/** A start picture, and the media query of the one screen and turn it is for. */
export interface WebStartSlot extends Slot<"start-portrait" | "start-landscape"> {
  media: string;
}

/** Start pictures of a page on an iOS home screen: one a screen and turn. */
export const webStartSlots: readonly WebStartSlot[] = screens.flatMap(([cssWidth, cssHeight, ratio]) =>
  (["portrait", "landscape"] as const).map((turn) => {
    const [short, long] = [scaleToPixels(cssWidth, ratio), scaleToPixels(cssHeight, ratio)];
    const [width, height] = turn === "portrait" ? [short, long] : [long, short];
    return {
      platform: "web",
      role: `start-${turn}`,
      path: "{folder}start-{size}.png",
      width,
      height,
      qualifier: `${cssWidth}x${cssHeight}@${ratio}`,
      media:
        `(device-width: ${cssWidth}px) and (device-height: ${cssHeight}px) and (-webkit-device-pixel-ratio: ` +
        `${ratio}) and (orientation: ${turn})`,
      from: "mark",
      covers: "splash",
      scene: true,
      ground: { kind: "full", color: "colors.start" },
      alpha: "none",
      tone: "color",
      safe: { shape: "circle", share: 0.5 },
      rule: "Start pictures of a page on the home screen: one a screen and turn, told apart by media query",
    };
  }),
);

/** The same for screens that are set to dark, of pages that have them. */
export const darkStartSlots: readonly WebStartSlot[] = webStartSlots.map((slot) => ({
  ...darkSlot(slot, "{folder}start-dark-{size}.png"),
  media: `${slot.media} and (prefers-color-scheme: dark)`,
}));

/** Every picture of a page that can be installed. */
export const webSlots: readonly Slot<WebRole>[] = [
  ...manifestIcons,
  webSlot("touch", touchSide),
  socialSlot,
  ...icoSizes.map((side) => webSlot("favicon", side)),
  ...webStartSlots,
];
