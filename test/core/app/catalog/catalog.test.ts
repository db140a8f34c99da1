import { describe, expect, test } from "vitest";
import { androidSlots } from "../../../../src/core/app/platforms/android/catalog.ts";
import { iosIconSlots, iosStartForms } from "../../../../src/core/app/platforms/apple/catalog.ts";
import { manifestIcons, webStartSlots } from "../../../../src/core/app/platforms/web/catalog.ts";
import { windowsSlots } from "../../../../src/core/app/platforms/windows/catalog.ts";
import { type Slot, scaleToPixels } from "../../../../src/core/pictures/slots/slot.ts";
import { googlePlayPictures } from "../../../../src/core/stores/google-play/pictures.ts";

const sizes = (slots: readonly Slot[], role: string, theme?: "dark") =>
  slots
    .filter((slot) => slot.role === role && (slot.platform === "ios" || slot.theme === theme))
    .map(({ qualifier, width, height }) => `${qualifier} ${width}x${height}`);

test("a scaled size is rounded half up", () => {
  expect([scaleToPixels(71, 1.25), scaleToPixels(310, 1.25), scaleToPixels(150, 1.25), scaleToPixels(83.5, 2)]).toEqual(
    [89, 388, 188, 167],
  );
});

/** Written down by hand from each platform's documentation, not computed. */
describe.each([
  [
    "android notification",
    sizes(androidSlots, "notification"),
    "mdpi 24x24, hdpi 36x36, xhdpi 48x48, xxhdpi 72x72, xxxhdpi 96x96",
  ],
  [
    "android start on a plate",
    sizes(androidSlots, "start-mark-plate"),
    "mdpi 240x240, hdpi 360x360, xhdpi 480x480, xxhdpi 720x720, xxxhdpi 960x960",
  ],
  [
    "android branding",
    sizes(androidSlots, "start-branding"),
    "mdpi 200x80, hdpi 300x120, xhdpi 400x160, xxhdpi 600x240, xxxhdpi 800x320",
  ],
  [
    "android full start, upright",
    sizes(androidSlots, "start-full-port"),
    "mdpi 320x480, hdpi 480x800, xhdpi 720x1280, xxhdpi 960x1600, xxxhdpi 1280x1920",
  ],
  [
    "android full start, turned",
    sizes(androidSlots, "start-full-land"),
    "mdpi 480x320, hdpi 800x480, xhdpi 1280x720, xxhdpi 1600x960, xxxhdpi 1920x1280",
  ],
  ...(["start-mark", "start-mark-plate", "start-branding", "start-full-port", "start-full-land"] as const).map(
    (role) =>
      [
        `android ${role} by night`,
        sizes(androidSlots, role, "dark"),
        sizes(androidSlots, role)
          .map((each) => each.replace(" ", "-night "))
          .join(", "),
      ] as const,
  ),
  ["android TV", sizes(androidSlots, "tv-banner"), "xhdpi 320x180"],
  ["android TV in the store", sizes(googlePlayPictures, "store-tv-banner"), "1280x720 1280x720"],
  [
    "ios start at 120 × 90 points",
    sizes(
      [1, 2, 3].flatMap((scale) => iosStartForms({ width: 120, height: 90 }, scale)),
      "start-mark",
    ),
    "1x 120x90, 2x 240x180, 3x 360x270, 1x-night 120x90, 2x-night 240x180, 3x-night 360x270",
  ],
  [
    "web start, upright",
    sizes(webStartSlots, "start-portrait"),
    `320x568@2 640x1136, 375x667@2 750x1334, 414x736@3 1242x2208, 375x812@3 1125x2436, 414x896@2 828x1792,
     414x896@3 1242x2688, 390x844@3 1170x2532, 393x852@3 1179x2556, 402x874@3 1206x2622, 420x912@3 1260x2736,
     428x926@3 1284x2778, 430x932@3 1290x2796, 440x956@3 1320x2868, 744x1133@2 1488x2266, 768x1024@2 1536x2048,
     810x1080@2 1620x2160, 820x1180@2 1640x2360, 834x1112@2 1668x2224, 834x1194@2 1668x2388, 834x1210@2 1668x2420,
     1024x1366@2 2048x2732, 1032x1376@2 2064x2752`,
  ],
  [
    "android store",
    [...sizes(googlePlayPictures, "store-icon"), ...sizes(googlePlayPictures, "feature-graphic")],
    "512 512x512, 1024x500 1024x500",
  ],
  [
    "android launcher",
    sizes(androidSlots, "launcher"),
    "mdpi 48x48, hdpi 72x72, xhdpi 96x96, xxhdpi 144x144, xxxhdpi 192x192",
  ],
  [
    "android round",
    sizes(androidSlots, "launcher-round"),
    "mdpi 48x48, hdpi 72x72, xhdpi 96x96, xxhdpi 144x144, xxxhdpi 192x192",
  ],
  [
    "android layers",
    sizes(androidSlots, "adaptive-foreground"),
    "mdpi 108x108, hdpi 162x162, xhdpi 216x216, xxhdpi 324x324, xxxhdpi 432x432",
  ],
  [
    "android start",
    sizes(androidSlots, "start-mark"),
    "mdpi 288x288, hdpi 432x432, xhdpi 576x576, xxhdpi 864x864, xxxhdpi 1152x1152",
  ],
  [
    "ios icons",
    sizes(iosIconSlots, "icon"),
    `universal 1024x1024, universal-dark 1024x1024, universal-tinted 1024x1024,
     iphone-20@2x 40x40, iphone-20@3x 60x60, iphone-29@2x 58x58, iphone-29@3x 87x87, iphone-40@2x 80x80,
     iphone-40@3x 120x120,
     iphone-60@2x 120x120, iphone-60@3x 180x180, ipad-20@1x 20x20, ipad-20@2x 40x40, ipad-29@1x 29x29, ipad-29@2x 58x58,
     ipad-40@1x 40x40, ipad-40@2x 80x80, ipad-76@1x 76x76, ipad-76@2x 152x152, ipad-83.5@2x 167x167,
     ios-marketing-1024@1x 1024x1024`,
  ],
  [
    "windows small tile",
    sizes(windowsSlots, "Square71x71Logo"),
    "scale-100 71x71, scale-125 89x89, scale-150 107x107, scale-200 142x142, scale-400 284x284",
  ],
  [
    "windows medium tile",
    sizes(windowsSlots, "Square150x150Logo"),
    "scale-100 150x150, scale-125 188x188, scale-150 225x225, scale-200 300x300, scale-400 600x600",
  ],
  [
    "windows large tile",
    sizes(windowsSlots, "Square310x310Logo"),
    "scale-100 310x310, scale-125 388x388, scale-150 465x465, scale-200 620x620, scale-400 1240x1240",
  ],
  [
    "windows wide tile",
    sizes(windowsSlots, "Wide310x150Logo"),
    "scale-100 310x150, scale-125 388x188, scale-150 465x225, scale-200 620x300, scale-400 1240x600",
  ],
  [
    "windows store logo",
    sizes(windowsSlots, "Logo"),
    "scale-100 50x50, scale-125 63x63, scale-150 75x75, scale-200 100x100, scale-400 200x200",
  ],
  [
    "windows start",
    sizes(windowsSlots, "SplashScreen"),
    "scale-100 620x300, scale-125 775x375, scale-150 930x450, scale-200 1240x600, scale-400 2480x1200",
  ],
  [
    "windows badge",
    sizes(windowsSlots, "BadgeLogo"),
    "scale-100 24x24, scale-125 30x30, scale-150 36x36, scale-200 48x48, scale-400 96x96",
  ],
] as const)("%s", (_, found, wanted) => {
  test("has exactly these sizes", () => {
    expect([...found].sort()).toEqual(
      wanted
        .split(",")
        .map((each) => each.trim())
        .sort(),
    );
  });
});

test("windows target sizes: each plain, unplated, and unplated for light", () => {
  const found = sizes(windowsSlots, "Square44x44Logo").filter((each) => each.startsWith("targetsize"));
  const wanted = [16, 20, 24, 30, 32, 36, 40, 48, 60, 64, 72, 80, 96, 256].flatMap((size) =>
    ["", "_altform-unplated", "_altform-lightunplated"].map((form) => `targetsize-${size}${form} ${size}x${size}`),
  );
  expect(found.sort()).toEqual(wanted.sort());
});

test("each start picture of a page is for one screen in one turn", () => {
  expect(new Set(webStartSlots.map((slot) => slot.media)).size).toBe(44);
  const turned = webStartSlots.filter(({ role }) => role === "start-landscape");
  expect(turned.map(({ qualifier, width, height }) => `${qualifier} ${height}x${width}`)).toEqual(
    sizes(webStartSlots, "start-portrait"),
  );
  expect(turned[0]?.media).toBe(
    "(device-width: 320px) and (device-height: 568px) and (-webkit-device-pixel-ratio: 2) and (orientation: landscape)",
  );
});

test("by night: the resource of the same name in a folder for the night, on the dark ground", () => {
  const night = androidSlots.filter((slot) => slot.theme === "dark");
  expect(night).toHaveLength(30);
  for (const slot of night) expect(slot.path).toMatch(/^\{res\}\/(\{type\}|drawable(-land)?)-night-x{0,3}[mh]dpi\//);
  const grounds = night.flatMap(({ ground }) => (ground.kind === "full" ? [ground.color] : []));
  expect(new Set(grounds)).toEqual(new Set(["colors.startDark"]));
});

test("web manifest icons", () => {
  expect(manifestIcons.map(({ role, width }) => `${role} ${width}`)).toEqual([
    "any 192",
    "any 512",
    "maskable 192",
    "maskable 512",
    "monochrome 512",
  ]);
});

test("no picture that a platform wants opaque may come out transparent", () => {
  const opaque = [...iosIconSlots, ...androidSlots, ...manifestIcons].filter(
    (slot) =>
      (slot.platform === "ios" && !/dark|tinted/.test(slot.qualifier)) ||
      slot.role === "adaptive-background" ||
      slot.role === "maskable",
  );
  expect(opaque.length).toBeGreaterThan(20);
  for (const slot of opaque)
    expect([slot.role, slot.qualifier, slot.alpha, slot.ground.kind]).toEqual([
      slot.role,
      slot.qualifier,
      "none",
      "full",
    ]);
  for (const slot of [...androidSlots, ...iosIconSlots, ...windowsSlots, ...manifestIcons])
    expect(slot.rule.length).toBeGreaterThan(20);
});
