import type { SlotFamily } from "../catalog/all.ts";

/** What a designer would call a picture, by platform and role. */
const titles: Readonly<Record<string, string>> = {
  "android launcher": "Launcher icon, older",
  "android launcher-round": "Launcher icon, older, round",
  "android adaptive-foreground": "Adaptive icon, foreground",
  "android adaptive-background": "Adaptive icon, background",
  "android adaptive-monochrome": "Adaptive icon, themed",
  "android notification": "Notification icon",
  "android start-mark": "Start screen icon",
  "android start-mark-plate": "Start screen icon on a disc",
  "android start-branding": "Start screen branding",
  "android start-texture": "Start screen texture",
  "android start-full-port": "Start picture, upright",
  "android start-full-land": "Start picture, turned",
  "android store-icon": "Store icon",
  "android feature-graphic": "Store feature graphic",
  "android tv-banner": "TV banner",
  "android store-tv-banner": "Store TV banner",
  "ios icon": "App icon",
  "ios start-full": "Start picture, as large as the template's",
  "ios start-mark": "Start screen mark",
  "desktop mac-icon": "Mac icon",
  "desktop icns": "Mac icon file",
  "desktop program-icon": "Icon of a Windows program",
  "desktop shell-icon": "Desktop shell's icon",
  "windows program-icon": "Icon of the program",
  "windows Square44x44Logo": "App icon",
  "windows Square71x71Logo": "Small tile",
  "windows Square150x150Logo": "Medium tile",
  "windows Square310x310Logo": "Large tile",
  "windows Wide310x150Logo": "Wide tile",
  "windows Logo": "Store logo",
  "windows SplashScreen": "Start picture",
  "windows BadgeLogo": "Lock screen badge",
  "web any": "Installed icon",
  "web maskable": "Installed icon, maskable",
  "web monochrome": "Installed icon, themed",
  "web touch": "Home screen icon",
  "web social": "Social picture",
  "web favicon": "Tab icon",
  "web start-portrait": "Start picture, upright",
  "web start-landscape": "Start picture, turned",
};

/** The title of some pictures, with what sets them apart from others of the same role: "Start screen icon, dark". */
export function titleOf({ name, first }: SlotFamily): string {
  const title = titles[`${first.platform} ${first.role}`] ?? first.role;
  return `${title}${name.slice(first.role.length)}`;
}
