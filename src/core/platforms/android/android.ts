import type { PlatformDefinition } from "../definition.ts";
import { androidSlots } from "./catalog.ts";
import { androidColors } from "./colors.ts";
import { androidDevices } from "./devices.ts";
import { androidFeatures } from "./features.ts";
import { androidIdentifiers } from "./identifiers.ts";
import { keysLeftOut } from "./left-out.ts";
import { localizeAndroid } from "./localization.ts";
import { androidScenes } from "./scenes.tsx";
import { androidBuildFiles } from "./signing.ts";
import { surveyAndroid } from "./survey.ts";

export const android: PlatformDefinition = {
  slots: androidSlots,
  titles: {
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
  },
  masks: [{ role: /^adaptive/, shape: "circle", share: 72 / 108 }],
  identifiers: androidIdentifiers,
  // Android documentation, android:versionCode.
  mostBuilds: 2_100_000_000,
  survey: surveyAndroid,
  leavesOut: keysLeftOut,
  localize: localizeAndroid,
  features: androidFeatures,
  usageKeys: () => [],
  devices: androidDevices,
  colors: androidColors,
  buildFiles: androidBuildFiles,
  scenes: androidScenes,
};
