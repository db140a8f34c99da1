import type { Slot } from "./slot.ts";

const icon = {
  platform: "web",
  path: "{file}",
  from: "icon",
  ground: { kind: "full", color: "colors.ground" },
  alpha: "none",
  tone: "color",
  safe: { shape: "box", share: 0.7 },
} as const;

type WebRole = "any" | "maskable" | "monochrome" | "touch" | "favicon";

const roles: Readonly<Record<WebRole, Omit<Slot, "width" | "height" | "qualifier">>> = {
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
export const webSlot = (role: WebRole, side: number): Slot => ({
  ...roles[role],
  width: side,
  height: side,
  qualifier: `${side}`,
});

/** The picture that is shown where the page is shared (Open Graph protocol, og:image). */
export const socialSlot: Slot = {
  ...icon,
  role: "social",
  from: "mark",
  width: 1200,
  height: 630,
  qualifier: "1200x630",
  safe: { shape: "box", share: 0.6 },
  rule: "Social picture: 1200 × 630, opaque; some services cut it to a square (Open Graph protocol)",
};

/** Pictures within favicon.ico, in pixels. */
export const icoSizes = [16, 32, 48] as const;

/** What an installable page's manifest must list. */
export const manifestIcons: readonly Slot[] = [
  webSlot("any", 192),
  webSlot("any", 512),
  webSlot("maskable", 192),
  webSlot("maskable", 512),
  webSlot("monochrome", 512),
];

/** Side of the touch icon, in pixels. */
export const touchSide = 180;
