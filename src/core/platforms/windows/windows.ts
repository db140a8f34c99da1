import { programIcons } from "../../slots/program.ts";
import { noBuildFiles } from "../../template/build-files.ts";
import { noColors } from "../../template/color-places.ts";
import type { PlatformDefinition } from "../definition.ts";
import { windowsSlots } from "./catalog.ts";
import { windowsDevices } from "./devices.ts";
import { windowsFeatures } from "./features.ts";
import { windowsIdentifiers } from "./identifiers.ts";
import { localizeWindows } from "./localization.ts";
import { windowsScenes } from "./scenes.tsx";
import { surveyWindows } from "./survey.ts";

export const windows: PlatformDefinition = {
  slots: [...windowsSlots, ...programIcons("windows")],
  titles: {
    "program-icon": "Icon of the program",
    Square44x44Logo: "App icon",
    Square71x71Logo: "Small tile",
    Square150x150Logo: "Medium tile",
    Square310x310Logo: "Large tile",
    Wide310x150Logo: "Wide tile",
    Logo: "Store logo",
    SplashScreen: "Start picture",
    BadgeLogo: "Lock screen badge",
  },
  masks: [],
  identifiers: windowsIdentifiers,
  // It is the third part of a package's version (Microsoft, package manifest schema, Identity).
  mostBuilds: 65_535,
  survey: surveyWindows,
  leavesOut: () => [],
  localize: localizeWindows,
  features: windowsFeatures,
  usageKeys: () => [],
  devices: windowsDevices,
  colors: noColors,
  buildFiles: noBuildFiles,
  scenes: windowsScenes,
};
