import type { PlatformDefinition } from "../definition.ts";
import { androidSlots } from "./catalog.ts";
import { androidColors } from "./colors.ts";
import { androidDevices } from "./devices.ts";
import { androidDeclares, androidFeatures } from "./features.ts";
import { androidIdentifiers } from "./identifiers.ts";
import { keysLeftOut } from "./left-out.ts";
import { localizeAndroid } from "./localization.ts";
import { androidMissing } from "./missing.ts";
import { androidScenes } from "./scenes.tsx";
import { androidBuildFiles } from "./signing.ts";
import { surveyAndroid } from "./survey.ts";
import { type AndroidRole, androidTitles } from "./titles.ts";

export const android: PlatformDefinition<AndroidRole> = {
  slots: androidSlots,
  titles: androidTitles,
  masks: [{ role: /^adaptive/, shape: "circle", share: 72 / 108 }],
  opensBy: /^(launcher|launcher-round|adaptive-foreground|tv-banner)$/,
  identifiers: androidIdentifiers,
  limits: [],
  // Android documentation, android:versionCode.
  mostBuilds: 2_100_000_000,
  survey: surveyAndroid,
  leavesOut: keysLeftOut,
  missing: androidMissing,
  signs: [
    {
      file: /(^|\/)AndroidManifest\.xml$/,
      lacks: "an Android manifest, with no Gradle build script above it that makes an app",
      isApp: true,
    },
    {
      file: /(^|\/)(build|app)\.gradle(\.kts)?$/,
      lacks: "a Gradle script that makes no app: it applies no application plugin, and says no application ID",
    },
  ],
  runsOn: "ubuntu",
  localize: localizeAndroid,
  declares: androidDeclares,
  features: androidFeatures,
  usageKeys: () => [],
  devices: androidDevices,
  colors: androidColors,
  buildFiles: androidBuildFiles,
  scenes: androidScenes,
};
