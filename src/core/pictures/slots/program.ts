import { type Slot, scaleToPixels } from "./slot.ts";

/** What every icon of a program for desktops has in common. */
export const program = {
  platform: "desktop",
  from: "icon",
  tone: "color",
} as const satisfies Partial<Slot>;

/** Points and scales of a Mac icon set (Apple, asset catalog format reference, idiom mac). */
const macPoints = [16, 32, 128, 256, 512] as const;
const macScales = [1, 2] as const;

const mac = {
  ...program,
  role: "mac-icon",
  path: "{set}/{file}",
  ground: { kind: "square", color: "colors.ground", side: 824 / 1024, corner: 185 / 1024 },
  alpha: "kept",
  safe: { shape: "box", share: 0.54 },
  rule:
    "Mac icons: a rounded shape of 824 within 1024, with the system's margin around it (Apple, Human " +
    "Interface Guidelines)",
} as const satisfies Partial<Slot>;

/** Every picture of a Mac icon set. */
export const macIconSlots: readonly Slot<"mac-icon">[] = macPoints.flatMap((points) =>
  macScales.map((scale) => ({
    ...mac,
    width: scaleToPixels(points, scale),
    height: scaleToPixels(points, scale),
    qualifier: `mac-${points}@${scale}x`,
  })),
);

/** Sides of the pictures within an .icns file, in pixels (Apple, icon file format). */
const icnsSides = [16, 32, 64, 128, 256, 512, 1024] as const;

/** What an .icns file holds. */
export const icnsSlots: readonly Slot<"icns">[] = icnsSides.map((side) => ({
  ...mac,
  role: "icns",
  width: side,
  height: side,
  qualifier: `${side}`,
}));

/**
 * Sides of the pictures within the icon of a Windows program, in pixels (Microsoft, "Construct your Windows app's
 * icon").
 */
const programSides = [16, 20, 24, 32, 40, 48, 64, 256] as const;

/** What the icon file of a Windows program holds, a package's or a desktop shell's. */
export const programIcons = (platform: "windows" | "desktop"): readonly Slot<"program-icon">[] =>
  programSides.map((side) => ({
    ...program,
    platform,
    role: "program-icon",
    path: "{file}",
    width: side,
    height: side,
    qualifier: `${side}`,
    ground: { kind: "square", color: "colors.ground", side: 1, corner: 0.16 },
    alpha: "kept",
    safe: { shape: "box", share: side < 32 ? 0.86 : 0.76 },
    rule: "Icon of a program: 16, 20, 24, 32, 40, 48, 64 and 256 px in one file, 32 bits a pixel",
  }));
