import type { Folder } from "../../files/reading/folder.ts";
import { type Problem, problem } from "../../problems/problem.ts";
import type { Slot } from "../../slots/slot.ts";
import { slotPath } from "../../slots/slot.ts";
import { attributeOf, attributeSite, find, textSite, walk, type XmlElement } from "../../splice/formats/xml.ts";
import type { Site } from "../../splice/site.ts";
import type { Fill, PictureUse } from "../../template/found.ts";
import { namedText } from "../../template/named-text.ts";
import { darkOf, type Field } from "../../values/fields.ts";
import { placeAt } from "../../values/source.ts";
import { androidSlots } from "./catalog.ts";
import {
  type AndroidResources,
  colorSites,
  type ResourceRef,
  readReference,
  refuseDangling,
  styleItems,
} from "./resources.ts";

/** Which colour of a client a theme's attribute takes. */
const themeColors: Readonly<Record<string, Field>> = {
  windowSplashScreenBackground: "colors.start",
  windowSplashScreenIconBackgroundColor: "colors.ground",
  colorPrimary: "colors.brand",
  colorOnPrimary: "colors.onBrand",
};

/** Longest chain of texts that refer to each other. */
const longestChain = 8;

/** Whether a resource is for the night (Android documentation, "Dark theme"). */
export const forNight = (file: string): boolean => /\/res\/[^/]*-night[-/]/.test(file);

/** What is found while one reference leads to the next, and the ways to follow them. */
export function followReferences(template: Folder, resources: AndroidResources, inStore: readonly Slot[]) {
  const fills: Fill[] = [];
  const pictures: PictureUse[] = [];
  const brandFiles: string[] = [];
  const gaps: Problem[] = [];
  /** Colours by the names that themes ask for them by. */
  const named: { start: Map<string, Site>; theme: Map<string, { holds: Field; site: Site }> } = {
    start: new Map(),
    theme: new Map(),
  };

  function fill(holds: Field, sites: readonly Site[], shape: Fill["shape"] = "text"): void {
    for (const site of sites) fills.push({ holds: forNight(site.file) ? darkOf(holds) : holds, site, shape });
  }

  function gap(what: string, file: string, element: XmlElement | undefined): void {
    const place = placeAt(template.source(file), element?.start ?? 0);
    gaps.push(problem("template-gap", `Android: ${what}.`, { severity: "warning", place }));
  }

  function label(site: Site | undefined, manifestFile: string): void {
    if (!site) return;
    const ref = readReference(site.value);
    if (!ref) {
      fill("app.label", [site]);
      return;
    }
    const found = textsBehind(ref, 0);
    if (found.length === 0) refuseDangling(template, manifestFile, site, "label");
    fill("app.label", found);
  }

  /** What a part of an app is called by itself: there the app's name is put, where it is in it, and all else stays. */
  function ownLabel(site: Site | undefined, manifestFile: string): void {
    const names = fills.filter(({ holds }) => holds === "app.label").map((each) => each.site.value);
    const ref = readReference(site?.value);
    const texts = ref ? textsBehind(ref, 0) : site ? [site] : [];
    if (ref && site && texts.length === 0) refuseDangling(template, manifestFile, site, "label");
    const whole = texts.filter(({ value }) => names.includes(value));
    fill("app.label", whole);
    fills.push(...texts.filter((text) => !whole.includes(text)).flatMap((text) => namedText(text, names)));
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
  function launcher(site: Site | undefined, role: string, manifestFile: string): void {
    const ref = readReference(site?.value);
    if (!ref || !site) return;
    const files = resources.files(ref);
    if (files.length === 0) refuseDangling(template, manifestFile, site, "icon");
    draw(role, ref);
    for (const file of files.filter((each) => each.endsWith(".xml"))) {
      const root = resources.xml(file);
      if (root.name !== "adaptive-icon") continue;
      layer(file, find(root, "background"), "adaptive-background");
      layer(file, find(root, "foreground"), "adaptive-foreground");
      layer(file, find(root, "monochrome"), "adaptive-monochrome");
    }
  }

  /** The banner of an app that runs on a TV, and the one of its store. */
  function banner(site: Site | undefined): void {
    const ref = readReference(site?.value);
    if (!ref) return;
    draw("tv-banner", ref);
    draw("store-tv-banner", ref);
  }

  function layer(file: string, element: XmlElement | undefined, role: string): void {
    const site = attributeSite(file, element, "android:drawable");
    const ref = readReference(site?.value);
    if (ref && ref.type !== "color") draw(role, ref);
    else if (role === "adaptive-background") fill("colors.ground", colorSites(resources, site), "color");
  }

  function theme(ref: ResourceRef): void {
    const items = styleItems(resources, ref);
    const plate = items.some(({ name }) => name === "windowSplashScreenIconBackgroundColor");
    for (const { name, site } of items) {
      const color = themeColors[name];
      if (color === "colors.start") start(site);
      else if (color) fill(color, colorSites(resources, site), "color");
      const picture = readReference(site.value);
      if (color && darkOf(color) !== color && picture?.type === "color")
        named.theme.set(picture.name, { holds: color, site });
      if (!picture) continue;
      if (name === "windowSplashScreenAnimatedIcon") draw(plate ? "start-mark-plate" : "start-mark", picture);
      if (name === "windowSplashScreenBrandingImage") draw("start-branding", picture);
      const isGround = name === "windowBackground" || (name === "background" && picture.type !== "color");
      if (isGround && picture.type === "color") start(site);
      else if (isGround) startScreen(picture);
    }
  }

  /** The icon and colour of notifications, where the manifest names them for a push service. */
  function notification(manifestFile: string, data: XmlElement): void {
    const site = attributeSite(manifestFile, data, "android:resource");
    const ref = readReference(site?.value);
    const name = attributeOf(data, "android:name") ?? "";
    if (ref && /notification_icon$/.test(name)) draw("notification", ref);
    if (ref && /notification_color$/.test(name)) fill("colors.brand", colorSites(resources, site), "color");
  }

  /** A colour of the start screen, and the resource that it is asked for by. */
  function start(site: Site | undefined): void {
    fill("colors.start", colorSites(resources, site), "color");
    const ref = readReference(site?.value);
    if (site && ref?.type === "color") named.start.set(ref.name, site);
  }

  /** The start screen before API 31: a list of layers, or a plain colour. */
  function startScreen(ref: ResourceRef, depth = 0): void {
    if (depth > longestChain) return;
    const files = resources.files(ref);
    if (files.length > 0 && files.every((file) => !file.endsWith(".xml"))) fullStart(ref);
    for (const file of files.filter((each) => each.endsWith(".xml"))) {
      for (const element of walk(resources.xml(file))) {
        const shown = attributeSite(file, element, "android:drawable") ?? attributeSite(file, element, "android:src");
        const picture = readReference(shown?.value);
        const full = /fill|clip/.test(attributeOf(element, "android:gravity") ?? "");
        const repeated = /repeat|mirror/.test(attributeOf(element, "android:tileMode") ?? "");
        if (!picture || picture.type === "color") start(attributeSite(file, element, "android:color") ?? shown);
        else if (repeated) draw("start-texture", picture);
        else if (picture.type === "drawable" && isList(picture)) startScreen(picture, depth + 1);
        else if (full) fullStart(picture);
        else draw("start-mark", picture);
      }
    }
  }

  /** Whether a drawable is a list of others. */
  const isList = (ref: ResourceRef): boolean =>
    resources.files(ref).some((file) => file.endsWith(".xml") && !isDrawn(file));

  /** One picture over the whole screen, upright and, where the template has it so, turned. */
  function fullStart(ref: ResourceRef): void {
    draw("start-full-port", ref);
    if (resources.files(ref).some((file) => file.includes("/drawable-land"))) draw("start-full-land", ref);
  }

  /** Plans a resource at every density, in place of whatever files it has now. Adaptive icons' XML stays. */
  function draw(role: string, ref: ResourceRef): void {
    const names = { res: resources.main, type: ref.type, name: ref.name };
    const planned = new Set(pictures.map((each) => each.path));
    const night = resources.files(ref).some(forNight);
    const rows = [...androidSlots, ...inStore].filter((each) => each.role === role && (night || each.theme !== "dark"));
    const ownNight = rows.some((each) => each.theme === "dark");
    for (const slot of rows) {
      const path = slotPath(slot, names);
      const paths = night && !ownNight ? [path, path.replace(`/${ref.type}-`, `/${ref.type}-night-`)] : [path];
      pictures.push(...paths.filter((each) => !planned.has(each)).map((each) => ({ slot, path: each })));
    }
    const shown = resources.files(ref).filter((file) => !file.endsWith(".xml") || isDrawn(file));
    brandFiles.push(...shown);
  }

  /** A drawable that is itself a drawing (a vector, a shape), not a reference to others. */
  function isDrawn(file: string): boolean {
    return !["adaptive-icon", "layer-list", "selector", "bitmap", "inset", ""].includes(resources.xml(file).name);
  }

  return {
    named,
    fills,
    pictures,
    brandFiles,
    gaps,
    fill,
    gap,
    label,
    ownLabel,
    launcher,
    banner,
    theme,
    notification,
    draw,
  };
}
