import { xcodeProject } from "../../template/sign.ts";
import { iosIconSlots, iosStartForms, iosStartPoints } from "../apple/catalog.ts";
import { appleColors } from "../apple/colors.ts";
import { iosDevices } from "../apple/devices.ts";
import { appleDeclares, appleFeatures, usageKeys } from "../apple/features.ts";
import { localizeIos } from "../apple/localization.ts";
import { iosMissing } from "../apple/missing.ts";
import { surveyXcode } from "../apple/survey.ts";
import type { PlatformDefinition } from "../definition.ts";
import { iosBuildFiles } from "./export-options.ts";
import { iosIdentifiers } from "./identifiers.ts";
import { surveyMadeByBuild } from "./made.ts";
import { iosScenes } from "./scenes.tsx";
import { type IosRole, iosTitles } from "./titles.ts";

export const ios: PlatformDefinition<IosRole> = {
  // The start screen's in the size it has where a template says nothing.
  slots: [...iosIconSlots, ...[1, 2, 3].flatMap((scale) => iosStartForms(iosStartPoints, scale))],
  titles: iosTitles,
  masks: [{ role: /^icon$/, shape: "rounded", share: 1 }],
  opensBy: /^icon$/,
  identifiers: iosIdentifiers,
  limits: [],
  mostBuilds: Number.POSITIVE_INFINITY,
  survey: (...of) => surveyXcode("ios")(...of) ?? surveyMadeByBuild(...of),
  leavesOut: () => [],
  missing: iosMissing,
  signs: [
    xcodeProject,
    { file: /(^|\/)Info\.plist$/, lacks: "a property list, with no Xcode project that names it" },
    { file: /\.xcconfig$/, lacks: "a configuration file of Xcode, with no project beside it" },
  ],
  runsOn: "macos",
  localize: localizeIos,
  declares: appleDeclares,
  features: appleFeatures,
  usageKeys,
  devices: iosDevices,
  colors: appleColors,
  buildFiles: iosBuildFiles,
  scenes: iosScenes,
};
