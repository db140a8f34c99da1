import { findNodeAtLocation, type Node as JsonNode } from "jsonc-parser";
import { iosIconSlots, iosStartForms, iosStartPoints } from "../catalog/ios.ts";
import type { Folder } from "../files/folder.ts";
import { memberSite, nodeSite, parseJson } from "../splice/json.ts";
import type { Site } from "../splice/site.ts";
import { attributeOf, attributeSite, findAll, parseXml, walk, type XmlElement } from "../splice/xml.ts";
import { darkOf, type Field } from "../values/fields.ts";
import type { Wants } from "../values/missing.ts";
import { addAppearances, addDarkColor } from "./ios-missing.ts";
import type { Fill, Found } from "./survey.ts";

/** Where assets are looked for, and what is to be added to them. */
export interface Assets {
  template: Folder;
  /** The project's folder. */
  below: string;
  wants: Wants;
}

/** The folder of a named asset, in any catalog below the project's folder. */
function assetFolder(template: Folder, below: string, name: string): string | undefined {
  const end = `/${name}/Contents.json`;
  const file = template.list().find((each) => each.endsWith(end) && (!below || each.startsWith(`${below}/`)));
  return file?.slice(0, -"/Contents.json".length);
}

const picturesIn = (template: Folder, folder: string): string[] =>
  template
    .list()
    .filter((file) => file.startsWith(`${folder}/`) && /\.(png|jpe?g|pdf|svg|heic)$/i.test(file));

const images = (root: JsonNode): JsonNode[] => findNodeAtLocation(root, ["images"])?.children ?? [];

const text = (node: JsonNode, ...path: (string | number)[]): string | undefined => {
  const value: unknown = findNodeAtLocation(node, path)?.value;
  return typeof value === "string" ? value : undefined;
};

/** The app's icon set: each entry of its Contents.json is a row of the catalog. */
export function appIconSet({ template, below, wants }: Assets, name: string): Found | undefined {
  const set = assetFolder(template, below, `${name}.appiconset`);
  if (!set) return undefined;
  const file = `${set}/Contents.json`;
  const found: Found = { fills: [], pictures: [], brandFiles: picturesIn(template, set), missing: [] };
  const listed = images(parseJson(template.source(file)));
  const [only] = listed;
  if (only && listed.length === 1 && iconQualifier(only) === "universal")
    addAppearances(found, template, set, only, wants);
  for (const image of listed) {
    const slot = iosIconSlots.find((each) => each.qualifier === iconQualifier(image));
    if (!slot) continue;
    const picture = text(image, "filename") ?? `icon-${slot.qualifier.replace("@", "-")}.png`;
    found.pictures.push({ slot, path: `${set}/${picture}` });
    if (text(image, "filename") === undefined) found.fills.push(filenameFill(file, image, picture));
  }
  return found;
}

function iconQualifier(image: JsonNode): string | undefined {
  const idiom = text(image, "idiom");
  if (idiom === "universal") {
    const appearance = text(image, "appearances", 0, "value");
    return appearance ? `universal-${appearance}` : "universal";
  }
  const points = text(image, "size")?.split("x")[0];
  return `${idiom}-${points}@${text(image, "scale") ?? "1x"}`;
}

/** An entry that names no picture gets one: the member is put behind its last. */
function filenameFill(file: string, image: JsonNode, picture: string): Fill {
  const { site, indent } = memberSite(file, image);
  return { holds: "key", site, shape: "nothing", before: `${indent}"filename" : ${JSON.stringify(picture)}` };
}

/** Whether an entry of an asset stands for dark screens (Apple, asset catalog reference, appearances). */
const isDark = (entry: JsonNode): boolean => text(entry, "appearances", 0, "value") === "dark";

/** An image set of the start screen, at every scale and appearance it lists. */
export function imageSet(
  { template, below }: Assets,
  name: string,
  points: { width: number; height: number } = iosStartPoints,
): Found | undefined {
  const set = assetFolder(template, below, `${name}.imageset`);
  if (!set) return undefined;
  const pictures = images(parseJson(template.source(`${set}/Contents.json`))).flatMap((image) => {
    const file = text(image, "filename");
    const scale = Number.parseInt(text(image, "scale") ?? "1x", 10);
    if (!file?.endsWith(".png")) return [];
    const [light, dark] = iosStartForms(points, scale);
    return [{ slot: isDark(image) ? dark : light, path: `${set}/${file}` }];
  });
  return { fills: [], pictures, brandFiles: picturesIn(template, set), missing: [] };
}

/** A colour set: every colour it lists, for any appearance. */
export function colorSet({ template, below, wants }: Assets, name: string, holds: Field): Found | undefined {
  const set = assetFolder(template, below, `${name}.colorset`);
  if (!set) return undefined;
  const file = `${set}/Contents.json`;
  const colors = findNodeAtLocation(parseJson(template.source(file)), ["colors"])?.children ?? [];
  const fills = colors.flatMap((color) =>
    componentFills(isDark(color) ? darkOf(holds) : holds, (channel) => {
      const node = findNodeAtLocation(color, ["color", "components", channel]);
      return node && nodeSite(file, node);
    }),
  );
  const found: Found = { fills, pictures: [], brandFiles: [], missing: [] };
  const last = colors.at(-1);
  if (last && !colors.some(isDark) && darkOf(holds) !== holds)
    addDarkColor(found, template, file, last, holds, wants);
  return found;
}

const componentShapes = ["red", "green", "blue", "alpha"] as const;

const componentFills = (holds: Field, siteOf: (channel: string) => Site | undefined): Fill[] =>
  componentShapes.flatMap((shape) => {
    const site = siteOf(shape);
    return site ? [{ holds, site, shape }] : [];
  });

/** The start screen's storyboard: its pictures, its ground, and the copies it keeps of named colours. */
export function storyboard(assets: Assets, name: string): Found | undefined {
  const { template, below } = assets;
  const file = template
    .list()
    .find((each) => each.endsWith(`/${name}.storyboard`) && (!below || each.startsWith(`${below}/`)));
  if (!file) return undefined;
  const root = parseXml(template.source(file));
  const found: Found = { fills: [], pictures: [], brandFiles: [], missing: [] };
  const add = (more: Found | undefined) => {
    found.fills.push(...(more?.fills ?? []));
    found.pictures.push(...(more?.pictures ?? []));
    found.brandFiles.push(...(more?.brandFiles ?? []));
    found.missing.push(...(more?.missing ?? []));
  };
  for (const view of findAll(root, "imageView")) {
    const image = attributeOf(view, "image");
    if (image) add(imageSet(assets, image, sizeOf(root, image)));
  }
  for (const element of walk(root)) {
    if (element.name !== "color" || attributeOf(element, "key") !== "backgroundColor") continue;
    const color = attributeOf(element, "name");
    if (color) add(colorSet(assets, color, "colors.start"));
    else found.fills.push(...colorElement(file, element));
    const copy = findAll(root, "namedColor").find((each) => attributeOf(each, "name") === color);
    if (copy) found.fills.push(...copy.children.flatMap((each) => colorElement(file, each)));
  }
  return found;
}

const colorElement = (file: string, element: XmlElement): Fill[] =>
  componentFills("colors.start", (channel) => attributeSite(file, element, channel));

function sizeOf(root: XmlElement, image: string): { width: number; height: number } {
  const declared = findAll(root, "image").find((each) => attributeOf(each, "name") === image);
  const [width, height] = [Number(attributeOf(declared, "width")), Number(attributeOf(declared, "height"))];
  return width > 0 && height > 0 ? { width, height } : iosStartPoints;
}
