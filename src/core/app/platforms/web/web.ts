import { noBuildFiles } from "../../template/build-files.ts";
import type { PlatformDefinition } from "../definition.ts";
import { webSlots } from "./catalog.ts";
import { webColors } from "./colors.ts";
import { webDevices } from "./devices.ts";
import { webDeclares, webFeatures } from "./features.ts";
import { webIdentifiers } from "./identifiers.ts";
import { localizeWeb } from "./localization.ts";
import { webMissing } from "./missing.ts";
import { webScenes } from "./scenes.tsx";
import { surveyWeb } from "./survey.ts";
import { type WebRole, webTitles } from "./titles.ts";

export const web: PlatformDefinition<WebRole> = {
  slots: webSlots,
  titles: webTitles,
  masks: [
    { role: /^maskable$/, shape: "circle", share: 1 },
    { role: /^touch$/, shape: "rounded", share: 1 },
  ],
  opensBy: /^(any|maskable|touch|favicon)$/,
  identifiers: webIdentifiers,
  limits: [],
  mostBuilds: Number.POSITIVE_INFINITY,
  survey: surveyWeb,
  leavesOut: () => [],
  missing: webMissing,
  signs: [
    {
      file: /(^|\/)package\.json$/,
      lacks: "a JavaScript project whose settings name no app, no page and no shell",
    },
  ],
  runsOn: "ubuntu",
  localize: localizeWeb,
  declares: webDeclares,
  features: webFeatures,
  usageKeys: () => [],
  devices: webDevices,
  colors: webColors,
  buildFiles: noBuildFiles,
  scenes: webScenes,
};
