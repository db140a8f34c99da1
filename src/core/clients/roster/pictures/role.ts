import type { Art } from "../../../pictures/artwork/art.ts";
import { isWideLogo, ratioOf } from "../../../pictures/artwork/seen/lettering.ts";
import type { ArtRole } from "../../../pictures/slots/art-roles.ts";

/** What a picture was taken for, and what was seen of it that says so. */
export interface Seen {
  role: ArtRole;
  why: string;
}

const isSquare = ({ width, height }: Art): boolean => Math.max(width, height) / Math.min(width, height) <= 1.05;

/** Up to this share of what is drawn may differ from its mean colour, for soft edges. */
const oneColored = 0.02;

/** A screen's picture has at least so many pixels on its longer side. */
const screen = 1500;

/** What a picture may be, in the order in which it is tried. */
const forms: readonly { role: ArtRole; is(art: Art): boolean; why(art: Art): string }[] = [
  { role: "icon", is: (art) => art.rounded && isSquare(art), why: () => "its corners are cut round" },
  {
    role: "wide",
    is: (art) => !art.opaque && isWideLogo(art),
    why: (art) => `on nothing, and ${ratioOf(art).toFixed(1)} times as wide as high`,
  },
  {
    role: "mono",
    is: ({ opaque, varied }) => !opaque && varied <= oneColored,
    why: ({ mean }) => `on nothing, and all of it ${mean}`,
  },
  { role: "mark", is: ({ opaque }) => !opaque, why: () => "on nothing, in several colours" },
  {
    role: "splash",
    is: (art) => art.opaque && !isSquare(art) && !art.edge && Math.max(art.width, art.height) >= screen,
    why: ({ width, height }) => `no plain ground, ${width} × ${height} pixels`,
  },
  {
    role: "icon",
    is: (art) => art.opaque && isSquare(art),
    why: ({ edge }) => (edge ? `square, on a ground of ${edge}` : "square, and drawn to its edges"),
  },
];

/** Words in a file's name that say it is for dark screens. */
const dark = /(^|[^a-z])(dark|night|dunkel|nacht|sombre|oscuro)([^a-z]|$)/i;

const darkRoles: Partial<Record<ArtRole, ArtRole>> = {
  icon: "dark.icon",
  mark: "dark.mark",
  wide: "dark.wide",
  splash: "dark.splash",
};

/** What a picture is, by what it looks like; undefined for what is nothing that a brief takes. */
export function roleOf(file: string, art: Art): Seen | undefined {
  const form = forms.find(({ is }) => is(art));
  if (!form) return undefined;
  const forDark = dark.test(file) ? darkRoles[form.role] : undefined;
  return forDark
    ? { role: forDark, why: `${form.why(art)}; its name says it is for dark screens` }
    : { role: form.role, why: form.why(art) };
}
