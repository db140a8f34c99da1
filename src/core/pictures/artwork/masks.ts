/** Shapes that systems cut icons to; each as a norm of a point, of which 1 is the mask's edge. */
const masks = {
  circle: (x: number, y: number) => Math.hypot(x, y),
  squircle: (x: number, y: number) => (x ** 4 + y ** 4) ** (1 / 4),
  /** Corners of 22 % of the width (Apple, Human Interface Guidelines, app icons). */
  "rounded square": (x: number, y: number) => roundedReach(Math.abs(x), Math.abs(y), 0.44),
} as const;

export type Mask = keyof typeof masks;

/** How far something reaches beyond a mask, as a share of half the icon's width. */
export interface Overhang {
  mask: Mask;
  by: number;
}

/**
 * The masks that would cut something of a square icon, by how far it reaches beyond them. @param outline fractions of
 * the canvas.
 */
export function overhangs(outline: readonly { x: number; y: number }[]): Overhang[] {
  return (Object.keys(masks) as Mask[]).flatMap((mask) => {
    const most = outline.reduce((so, { x, y }) => Math.max(so, masks[mask](2 * x - 1, 2 * y - 1)), 0);
    return most > 1.005 ? [{ mask, by: Math.round((most - 1) * 1000) / 1000 }] : [];
  });
}

function roundedReach(x: number, y: number, corner: number): number {
  const [across, down] = [x - (1 - corner), y - (1 - corner)];
  if (across <= 0 || down <= 0) return Math.max(x, y);
  return 1 - corner + Math.hypot(across, down);
}
