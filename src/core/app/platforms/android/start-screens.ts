import { attributeOf, attributeSite, walk, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { darkOf, type Field } from "../../../ground/values/fields.ts";
import { draw, type Follows, filling, isDrawn, longestChain, mergeFollowed, type Ways } from "./following.ts";
import { colorSites, type ResourceRef, readReference, styleItems } from "./resources.ts";

/**
 * Which colour of a client a theme's attribute takes (Android documentation, Splash screens; the bootSplash ones are
 * those of a widespread library's themes).
 */
const themeColors: Readonly<Record<string, Field>> = {
  windowSplashScreenBackground: "colors.start",
  bootSplashBackground: "colors.start",
  windowSplashScreenIconBackgroundColor: "colors.ground",
  colorPrimary: "colors.brand",
  colorOnPrimary: "colors.brandText",
};

export function theme(ways: Ways, ref: ResourceRef): Follows {
  const items = styleItems(ways.resources, ref);
  const plate = items.some(({ name }) => name === "windowSplashScreenIconBackgroundColor");
  return mergeFollowed(items.flatMap(({ name, site }) => themeItem(ways, name, site, plate)));
}

function themeItem(ways: Ways, name: string, site: Site, plate: boolean): Follows[] {
  const color = themeColors[name];
  const picture = readReference(site.value);
  const colored: Follows[] =
    color === "colors.start"
      ? [start(ways, site)]
      : color
        ? [filling(color, colorSites(ways.resources, site), "color")]
        : [];
  if (color && darkOf(color) !== color && picture?.type === "color")
    colored.push({ theme: [[picture.name, { holds: color, site }]] });
  if (!picture) return colored;
  const isGround = name === "windowBackground" || (name === "background" && picture.type !== "color");
  return [
    ...colored,
    name === "windowSplashScreenAnimatedIcon" ? draw(ways, plate ? "start-mark-plate" : "start-mark", picture) : {},
    name === "bootSplashLogo" ? draw(ways, "start-mark", picture) : {},
    /^(windowSplashScreenBrandingImage|bootSplashBrand)$/.test(name) ? draw(ways, "start-branding", picture) : {},
    isGround ? (picture.type === "color" ? start(ways, site) : startScreen(ways, picture)) : {},
  ];
}

/** A colour of the start screen, and the resource that it is asked for by. */
function start(ways: Ways, site: Site | undefined): Follows {
  const ref = readReference(site?.value);
  return {
    ...filling("colors.start", colorSites(ways.resources, site), "color"),
    ...(site && ref?.type === "color" ? { start: [[ref.name, site]] } : {}),
  };
}

/** The start screen before API 31: a list of layers, or a plain colour. */
function startScreen(ways: Ways, ref: ResourceRef, depth = 0): Follows {
  if (depth > longestChain) return {};
  const files = ways.resources.files(ref);
  const isPicture = files.length > 0 && files.every((file) => !file.endsWith(".xml"));
  const layers = files
    .filter((each) => each.endsWith(".xml"))
    .flatMap((file) => [...walk(ways.resources.xml(file))].map((element) => startLayer(ways, file, element, depth)));
  return mergeFollowed([isPicture ? fullStart(ways, ref) : {}, ...layers]);
}

function startLayer(ways: Ways, file: string, element: XmlElement, depth: number): Follows {
  const shown = attributeSite(file, element, "android:drawable") ?? attributeSite(file, element, "android:src");
  const picture = readReference(shown?.value);
  if (!picture || picture.type === "color") return start(ways, attributeSite(file, element, "android:color") ?? shown);
  if (/repeat|mirror/.test(attributeOf(element, "android:tileMode") ?? "")) return draw(ways, "start-texture", picture);
  if (picture.type === "drawable" && isList(ways, picture)) return startScreen(ways, picture, depth + 1);
  const isFull = /fill|clip/.test(attributeOf(element, "android:gravity") ?? "");
  return isFull ? fullStart(ways, picture) : draw(ways, "start-mark", picture);
}

/** Whether a drawable is a list of others. */
const isList = (ways: Ways, ref: ResourceRef): boolean =>
  ways.resources.files(ref).some((file) => file.endsWith(".xml") && !isDrawn(ways, file));

/** One picture over the whole screen, upright and, where the template has it so, turned. */
function fullStart(ways: Ways, ref: ResourceRef): Follows {
  const isTurned = ways.resources.files(ref).some((file) => file.includes("/drawable-land"));
  return mergeFollowed([draw(ways, "start-full-port", ref), isTurned ? draw(ways, "start-full-land", ref) : {}]);
}
