import { programIcons } from "../../../pictures/slots/program.ts";
import { noBuildFiles } from "../../template/build-files.ts";
import { noColors } from "../../template/color-places.ts";
import { windowsProject } from "../../template/sign.ts";
import type { PlatformDefinition } from "../definition.ts";
import { windowsSlots } from "./catalog.ts";
import { windowsDevices } from "./devices.ts";
import { windowsDeclares, windowsFeatures } from "./features.ts";
import { windowsIdentifiers } from "./identifiers.ts";
import { windowsLimits } from "./limits.ts";
import { localizeWindows } from "./localization.ts";
import { windowsScenes } from "./scenes.tsx";
import { surveyWindows } from "./survey.ts";
import { type WindowsRole, windowsTitles } from "./titles.ts";

export const windows: PlatformDefinition<WindowsRole> = {
  slots: [...windowsSlots, ...programIcons("windows")],
  titles: windowsTitles,
  masks: [],
  opensBy: /Logo$|^program-icon$/,
  identifiers: windowsIdentifiers,
  limits: windowsLimits,
  // It is the third part of a package's version (Microsoft, package manifest schema, Identity).
  mostBuilds: 65_535,
  survey: surveyWindows,
  leavesOut: () => [],
  missing: {},
  signs: [windowsProject],
  runsOn: "windows",
  localize: localizeWindows,
  declares: windowsDeclares,
  features: windowsFeatures,
  usageKeys: () => [],
  devices: windowsDevices,
  colors: noColors,
  buildFiles: noBuildFiles,
  scenes: windowsScenes,
};
