import { noBuildFiles } from "../../template/build-files.ts";
import { inNoLanguage } from "../../template/localized.ts";
import { windowsProject, xcodeProject } from "../../template/sign.ts";
import { appleColors } from "../apple/colors.ts";
import { appleFeatures } from "../apple/features.ts";
import type { PlatformDefinition } from "../definition.ts";
import { desktopSlots } from "./catalog.ts";
import { desktopIdentifiers } from "./identifiers.ts";
import { desktopScenes } from "./scenes.tsx";
import { surveyDesktop } from "./survey.ts";
import { type DesktopRole, desktopTitles } from "./titles.ts";

export const desktop: PlatformDefinition<DesktopRole> = {
  slots: desktopSlots,
  titles: desktopTitles,
  masks: [],
  opensBy: /icon$|^icns$/,
  identifiers: desktopIdentifiers,
  limits: [],
  mostBuilds: Number.POSITIVE_INFINITY,
  survey: surveyDesktop,
  leavesOut: () => [],
  missing: { "program-name": "a name of the program's beside its package's" },
  signs: [xcodeProject, windowsProject],
  runsOn: "ubuntu",
  localize: inNoLanguage,
  // A Mac app asks for what a telephone's does, in the same files, which template.yaml names for telephones.
  declares: [],
  features: appleFeatures,
  usageKeys: () => [],
  // A window is turned by nobody.
  devices: () => [],
  colors: appleColors,
  buildFiles: noBuildFiles,
  scenes: desktopScenes,
};
