import { attributeOf, attributeSite, find, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { draw, type Follows, filling, mergeFollowed, type Ways } from "./following.ts";
import { colorSites, dangling, readReference } from "./resources.ts";
import type { AndroidRole } from "./titles.ts";

/** A launcher icon: its bitmaps, and where it is adaptive, the layers. */
export function launcher(ways: Ways, site: Site, role: AndroidRole, manifestFile: string): Follows {
  const ref = readReference(site.value);
  if (!ref) return {};
  const files = ways.resources.files(ref);
  if (files.length === 0) return dangling(ways.template, manifestFile, site, "icon");
  const layers = files
    .filter((file) => file.endsWith(".xml") && ways.resources.xml(file).name === "adaptive-icon")
    .flatMap((file) =>
      (["background", "foreground", "monochrome"] as const).map((name) =>
        layer(ways, file, find(ways.resources.xml(file), name), `adaptive-${name}`),
      ),
    );
  return mergeFollowed([draw(ways, role, ref), ...layers]);
}

/** The banner of an app that runs on a TV, and the one of its store. */
export function banner(ways: Ways, site: Site | undefined): Follows {
  const ref = readReference(site?.value);
  return ref ? mergeFollowed([draw(ways, "tv-banner", ref), draw(ways, "store-tv-banner", ref)]) : {};
}

function layer(ways: Ways, file: string, element: XmlElement | undefined, role: AndroidRole): Follows {
  const site = attributeSite(file, element, "android:drawable");
  const ref = readReference(site?.value);
  if (ref && ref.type !== "color") return draw(ways, role, ref);
  return role === "adaptive-background" ? filling("colors.ground", colorSites(ways.resources, site), "color") : {};
}

/** The icon and colour of notifications, where the manifest names them for a push service. */
export function notification(ways: Ways, manifestFile: string, data: XmlElement): Follows {
  const site = attributeSite(manifestFile, data, "android:resource");
  const ref = readReference(site?.value);
  const name = attributeOf(data, "android:name") ?? "";
  if (ref && /notification_icon$/.test(name)) return draw(ways, "notification", ref);
  return ref && /notification_color$/.test(name)
    ? filling("colors.brand", colorSites(ways.resources, site), "color")
    : {};
}
