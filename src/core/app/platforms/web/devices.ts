import { findNodeAtLocation } from "jsonc-parser";
import { jsonSite, memberSite, parseJson } from "../../../formats/splice/formats/json.ts";
import type { DevicePlaces } from "../../template/device-places.ts";
import type { Fill } from "../../template/found.ts";
import { isWebManifest } from "./manifest.ts";

/** How an installed page may be turned. */
export const webDevices: DevicePlaces = (template, files) =>
  files
    .filter((file) => isWebManifest(file))
    .flatMap((file): Fill[] => {
      const root = parseJson(template.source(file));
      const site = jsonSite(file, root, ["orientation"]);
      if (site) return [{ holds: "orientation", site, shape: "text" }];
      if (!findNodeAtLocation(root, ["icons"])) return [];
      const { site: place, indent } = memberSite(file, root);
      return [
        {
          holds: "orientation",
          site: { ...place, form: "json" },
          shape: "text",
          opens: `${indent}"orientation": `,
        },
      ];
    });
