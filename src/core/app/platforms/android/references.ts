import {
  attributeOf,
  attributeSite,
  find,
  textSite,
  walk,
  type XmlElement,
} from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { darkOf, type Field } from "../../../ground/values/fields.ts";
import { type Slot, slotPath } from "../../../pictures/slots/slot.ts";
import { type Fill, type Found, mergeFound } from "../../template/found.ts";
import { namedText } from "../../template/named-text.ts";
import { androidSlots } from "./catalog.ts";
import {
  type AndroidResources,
  colorSites,
  type ResourceRef,
  readReference,
  refuseDangling,
  styleItems,
} from "./resources.ts";
import type { AndroidRole } from "./titles.ts";

/** Which colour of a client a theme's attribute takes. */
const themeColors: Readonly<Record<string, Field>> = {
  windowSplashScreenBackground: "colors.start",
  windowSplashScreenIconBackgroundColor: "colors.ground",
  colorPrimary: "colors.brand",
  colorOnPrimary: "colors.brandText",
};

/** Longest chain of texts that refer to each other. */
const longestChain = 8;

/** Whether a resource is for the night (Android documentation, "Dark theme"). */
export const forNight = (file: string): boolean => /\/res\/[^/]*-night[-/]/.test(file);

/** A picture of a store's record that the app's own resource says is wanted. */
type StoreRole = "store-tv-banner";

/** What a reference leads to; and colours by the names that start screens and themes ask for them by. */
export interface Followed extends Found {
  start: readonly (readonly [name: string, site: Site])[];
  theme: readonly (readonly [name: string, asked: { holds: Field; site: Site }])[];
}

/** What several references lead to, in their order. */
export const mergeFollowed = (all: readonly Partial<Followed>[]): Followed => ({
  ...mergeFound(all),
  start: all.flatMap(({ start = [] }) => start),
  theme: all.flatMap(({ theme = [] }) => theme),
});

type Follows = Partial<Followed>;

/** Places of a field; in resources for the night, of its form for dark screens. */
export const filling = (holds: Field, sites: readonly Site[], shape: Fill["shape"] = "text"): Follows => ({
  fills: sites.map((site) => ({ holds: forNight(site.file) ? darkOf(holds) : holds, site, shape })),
});

/** The ways to follow the references of a manifest and of resources. */
export function followReferences(template: Folder, resources: AndroidResources, inStore: readonly Slot[]) {
  const slots = [...androidSlots, ...inStore];

  function label(site: Site, manifestFile: string): Follows {
    const ref = readReference(site.value);
    if (!ref) return filling("app.label", [site]);
    const found = textsBehind(ref, 0);
    if (found.length === 0) refuseDangling(template, manifestFile, site, "label");
    return filling("app.label", found);
  }

  /**
   * What a part of an app is called by itself: there the app's name is put, where it is in it, and all else stays.
   * @param names what the app is called
   */
  function ownLabel(site: Site, manifestFile: string, names: readonly string[]): Follows {
    const ref = readReference(site.value);
    const texts = ref ? textsBehind(ref, 0) : [site];
    if (ref && texts.length === 0) refuseDangling(template, manifestFile, site, "label");
    const whole = texts.filter(({ value }) => names.includes(value));
    const within = texts.filter((text) => !whole.includes(text)).flatMap((text) => namedText(text, names));
    return mergeFollowed([filling("app.label", whole), { fills: within }]);
  }

  /** Where a text resource is written down, through those that are nothing but a reference to another. */
  function textsBehind(ref: ResourceRef, depth: number): Site[] {
    if (depth > longestChain) return [];
    const written = resources.values(ref).flatMap(({ file, element }) => {
      const site = textSite(file, element, "android-string");
      const next = readReference(site?.value);
      return next ? textsBehind(next, depth + 1) : site ? [site] : [];
    });
    return [...written, ...resources.built(ref)];
  }

  /** A launcher icon: its bitmaps, and where it is adaptive, the layers. */
  function launcher(site: Site, role: AndroidRole, manifestFile: string): Follows {
    const ref = readReference(site.value);
    if (!ref) return {};
    const files = resources.files(ref);
    if (files.length === 0) refuseDangling(template, manifestFile, site, "icon");
    const layers = files
      .filter((file) => file.endsWith(".xml") && resources.xml(file).name === "adaptive-icon")
      .flatMap((file) =>
        (["background", "foreground", "monochrome"] as const).map((name) =>
          layer(file, find(resources.xml(file), name), `adaptive-${name}`),
        ),
      );
    return mergeFollowed([draw(role, ref), ...layers]);
  }

  /** The banner of an app that runs on a TV, and the one of its store. */
  function banner(site: Site | undefined): Follows {
    const ref = readReference(site?.value);
    return ref ? mergeFollowed([draw("tv-banner", ref), draw("store-tv-banner", ref)]) : {};
  }

  function layer(file: string, element: XmlElement | undefined, role: AndroidRole): Follows {
    const site = attributeSite(file, element, "android:drawable");
    const ref = readReference(site?.value);
    if (ref && ref.type !== "color") return draw(role, ref);
    return role === "adaptive-background" ? filling("colors.ground", colorSites(resources, site), "color") : {};
  }

  function theme(ref: ResourceRef): Follows {
    const items = styleItems(resources, ref);
    const plate = items.some(({ name }) => name === "windowSplashScreenIconBackgroundColor");
    return mergeFollowed(items.flatMap(({ name, site }) => themeItem(name, site, plate)));
  }

  function themeItem(name: string, site: Site, plate: boolean): Follows[] {
    const color = themeColors[name];
    const picture = readReference(site.value);
    const colored: Follows[] =
      color === "colors.start" ? [start(site)] : color ? [filling(color, colorSites(resources, site), "color")] : [];
    if (color && darkOf(color) !== color && picture?.type === "color")
      colored.push({ theme: [[picture.name, { holds: color, site }]] });
    if (!picture) return colored;
    const isGround = name === "windowBackground" || (name === "background" && picture.type !== "color");
    return [
      ...colored,
      name === "windowSplashScreenAnimatedIcon" ? draw(plate ? "start-mark-plate" : "start-mark", picture) : {},
      name === "windowSplashScreenBrandingImage" ? draw("start-branding", picture) : {},
      isGround ? (picture.type === "color" ? start(site) : startScreen(picture)) : {},
    ];
  }

  /** The icon and colour of notifications, where the manifest names them for a push service. */
  function notification(manifestFile: string, data: XmlElement): Follows {
    const site = attributeSite(manifestFile, data, "android:resource");
    const ref = readReference(site?.value);
    const name = attributeOf(data, "android:name") ?? "";
    if (ref && /notification_icon$/.test(name)) return draw("notification", ref);
    return ref && /notification_color$/.test(name) ? filling("colors.brand", colorSites(resources, site), "color") : {};
  }

  /** A colour of the start screen, and the resource that it is asked for by. */
  function start(site: Site | undefined): Follows {
    const ref = readReference(site?.value);
    return {
      ...filling("colors.start", colorSites(resources, site), "color"),
      ...(site && ref?.type === "color" ? { start: [[ref.name, site]] } : {}),
    };
  }

  /** The start screen before API 31: a list of layers, or a plain colour. */
  function startScreen(ref: ResourceRef, depth = 0): Follows {
    if (depth > longestChain) return {};
    const files = resources.files(ref);
    const isPicture = files.length > 0 && files.every((file) => !file.endsWith(".xml"));
    const layers = files
      .filter((each) => each.endsWith(".xml"))
      .flatMap((file) => [...walk(resources.xml(file))].map((element) => startLayer(file, element, depth)));
    return mergeFollowed([isPicture ? fullStart(ref) : {}, ...layers]);
  }

  function startLayer(file: string, element: XmlElement, depth: number): Follows {
    const shown = attributeSite(file, element, "android:drawable") ?? attributeSite(file, element, "android:src");
    const picture = readReference(shown?.value);
    if (!picture || picture.type === "color") return start(attributeSite(file, element, "android:color") ?? shown);
    if (/repeat|mirror/.test(attributeOf(element, "android:tileMode") ?? "")) return draw("start-texture", picture);
    if (picture.type === "drawable" && isList(picture)) return startScreen(picture, depth + 1);
    const isFull = /fill|clip/.test(attributeOf(element, "android:gravity") ?? "");
    return isFull ? fullStart(picture) : draw("start-mark", picture);
  }

  /** Whether a drawable is a list of others. */
  const isList = (ref: ResourceRef): boolean =>
    resources.files(ref).some((file) => file.endsWith(".xml") && !isDrawn(file));

  /** One picture over the whole screen, upright and, where the template has it so, turned. */
  function fullStart(ref: ResourceRef): Follows {
    const isTurned = resources.files(ref).some((file) => file.includes("/drawable-land"));
    return mergeFollowed([draw("start-full-port", ref), isTurned ? draw("start-full-land", ref) : {}]);
  }

  /** A resource at every density, in place of whatever files it has now. Adaptive icons' XML stays. */
  function draw(role: AndroidRole | StoreRole, ref: ResourceRef): Follows {
    const names = { res: resources.main, type: ref.type, name: ref.name };
    const night = resources.files(ref).some(forNight);
    const rows = slots.filter((each) => each.role === role && (night || each.theme !== "dark"));
    const ownNight = rows.some((each) => each.theme === "dark");
    return {
      pictures: rows.flatMap((slot) => {
        const path = slotPath(slot, names);
        const paths = night && !ownNight ? [path, path.replace(`/${ref.type}-`, `/${ref.type}-night-`)] : [path];
        return paths.map((each) => ({ slot, path: each }));
      }),
      brandFiles: resources.files(ref).filter((file) => !file.endsWith(".xml") || isDrawn(file)),
    };
  }

  /** A drawable that is itself a drawing (a vector, a shape), not a reference to others. */
  function isDrawn(file: string): boolean {
    return !["adaptive-icon", "layer-list", "selector", "bitmap", "inset", ""].includes(resources.xml(file).name);
  }

  return { label, ownLabel, launcher, banner, theme, notification, draw };
}
