import { type Slot, scaleToPixels } from "../../../pictures/slots/slot.ts";
import type { WindowsRole } from "./titles.ts";

/** Scales in per cent, and target sizes in pixels (Microsoft, "App icons and logos"). */
const scales = [100, 125, 150, 200, 400] as const;
const targetSizes = [16, 20, 24, 30, 32, 36, 40, 48, 60, 64, 72, 80, 96, 256] as const;
const alternateForms = ["", "_altform-unplated", "_altform-lightunplated"] as const;

/**
 * A picture that the package manifest names, with its base size at 100 %. The share is the mark's, of the shorter
 * side.
 */
interface Tile {
  role: WindowsRole;
  width: number;
  height: number;
  share: number;
  rule: string;
  start?: true;
  badge?: true;
}

const tileRule = "Tiles: every scale, or the system enlarges another; the ground is the manifest's BackgroundColor";

const tiles: readonly Tile[] = [
  { role: "Square44x44Logo", width: 44, height: 44, share: 0.75, rule: tileRule },
  { role: "Square71x71Logo", width: 71, height: 71, share: 0.66, rule: tileRule },
  { role: "Square150x150Logo", width: 150, height: 150, share: 0.5, rule: tileRule },
  { role: "Square310x310Logo", width: 310, height: 310, share: 0.5, rule: tileRule },
  { role: "Wide310x150Logo", width: 310, height: 150, share: 0.6, rule: tileRule },
  { role: "Logo", width: 50, height: 50, share: 0.75, rule: "Store logo of the package, 50 px" },
  {
    role: "SplashScreen",
    width: 620,
    height: 300,
    share: 0.6,
    start: true,
    rule: "Splash screen: 620 × 300 in the middle of the window, on its own BackgroundColor",
  },
  {
    role: "BadgeLogo",
    width: 24,
    height: 24,
    share: 0.9,
    badge: true,
    rule: "Lock screen badge: 24 px, white and alpha only",
  },
];

/**
 * What manifests of the earlier generation of namespaces name besides (Microsoft, package manifest schema reference,
 * Windows 8).
 */
const earlierTiles: readonly Tile[] = [
  { role: "Square30x30Logo", width: 30, height: 30, share: 0.75, rule: tileRule },
  { role: "Square70x70Logo", width: 70, height: 70, share: 0.66, rule: tileRule },
];

const scaledSlots = ({ role, width, height, share, rule, start, badge }: Tile): Slot<WindowsRole>[] =>
  scales.map((scale) => ({
    platform: "windows" as const,
    role,
    path: `{stem}.scale-${scale}{ext}`,
    width: scaleToPixels(width, scale / 100),
    height: scaleToPixels(height, scale / 100),
    qualifier: `scale-${scale}`,
    from: badge ? ("mono" as const) : width > height && !start ? ("wide" as const) : ("mark" as const),
    ground: badge
      ? { kind: "none" as const }
      : { kind: "full" as const, color: start ? ("colors.start" as const) : ("colors.ground" as const) },
    alpha: badge ? ("only" as const) : ("none" as const),
    tone: badge ? ("white" as const) : ("color" as const),
    safe: { shape: "box" as const, share },
    rule,
  }));

const targetSlots: readonly Slot<WindowsRole>[] = targetSizes.flatMap((size) =>
  alternateForms.map((form) => ({
    platform: "windows" as const,
    role: "Square44x44Logo",
    path: `{stem}.targetsize-${size}${form}{ext}`,
    width: size,
    height: size,
    qualifier: `targetsize-${size}${form}`,
    from: "icon" as const,
    ground: form
      ? ({ kind: "square", color: "colors.ground", side: 1, corner: 0.16 } as const)
      : ({ kind: "full", color: "colors.ground" } as const),
    alpha: form ? ("kept" as const) : ("none" as const),
    tone: "color" as const,
    safe: { shape: "box" as const, share: size < 32 ? 0.86 : 0.76 },
    rule: form
      ? "Unplated target sizes: stand on the taskbar without a plate, dark or light, so they bring their own"
      : "Target sizes: shown at exactly this size, on a plate of the BackgroundColor",
  })),
);

/** Every picture of a package, at every scale and target size. */
export const windowsSlots: readonly Slot<WindowsRole>[] = [...tiles.flatMap(scaledSlots), ...targetSlots];

export const windowsEarlierSlots: readonly Slot<WindowsRole>[] = earlierTiles.flatMap(scaledSlots);
