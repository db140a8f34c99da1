/** What a designer would call the platform's pictures, by their role. */
export const androidTitles = {
  launcher: "Launcher icon, older",
  "launcher-round": "Launcher icon, older, round",
  "adaptive-foreground": "Adaptive icon, foreground",
  "adaptive-background": "Adaptive icon, background",
  "adaptive-monochrome": "Adaptive icon, themed",
  notification: "Notification icon",
  "start-mark": "Start screen icon",
  "start-mark-plate": "Start screen icon on a disc",
  "start-branding": "Start screen branding",
  "start-texture": "Start screen texture",
  "start-full-port": "Start picture, upright",
  "start-full-land": "Start picture, turned",
  "tv-banner": "TV banner",
} as const;

export type AndroidRole = keyof typeof androidTitles;
