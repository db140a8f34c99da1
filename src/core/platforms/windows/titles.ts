/** What a designer would call the platform's pictures, by their role. */
export const windowsTitles = {
  "program-icon": "Icon of the program",
  Square44x44Logo: "App icon",
  Square71x71Logo: "Small tile",
  Square150x150Logo: "Medium tile",
  Square310x310Logo: "Large tile",
  Wide310x150Logo: "Wide tile",
  Logo: "Store logo",
  SplashScreen: "Start picture",
  BadgeLogo: "Lock screen badge",
  Square30x30Logo: "App icon, earlier",
  Square70x70Logo: "Small tile, earlier",
} as const;

export type WindowsRole = keyof typeof windowsTitles;
