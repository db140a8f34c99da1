import { find, parseXml } from "../../../formats/splice/formats/xml.ts";
import { emptySite, type Site } from "../../../formats/splice/site.ts";
import type { DevicePlaces } from "../../template/device-places.ts";
import type { Fill } from "../../template/found.ts";
import { isPackageManifest } from "./survey.ts";

/** How a package prefers to be turned. */
export const windowsDevices: DevicePlaces = (template, files) =>
  files
    .filter((file) => isPackageManifest(file))
    .flatMap((file): Fill[] => {
      const root = parseXml(template.source(file));
      const there = find(root, "InitialRotationPreference");
      const visual = find(root, "VisualElements");
      if (there && !there.selfClosing) {
        const site: Site = { file, start: there.innerStart, end: there.innerEnd, value: "", form: "raw" };
        return [{ holds: "orientation", site, shape: "rotation" }];
      }
      if (visual?.name !== "uap:VisualElements" || visual.selfClosing) return [];
      const at = find(visual, "SplashScreen")?.end ?? visual.innerEnd;
      const opens = "\n        <uap:InitialRotationPreference>";
      const closes = "</uap:InitialRotationPreference>";
      return [{ holds: "orientation", site: emptySite(file, at, "raw"), shape: "rotation", opens, closes }];
    });
