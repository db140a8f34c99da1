import { findNodeAtLocation, type Node as JsonNode } from "jsonc-parser";
import { nodeSite, parseJson } from "../../../formats/splice/formats/json.ts";
import {
  attributeOf,
  attributeSite,
  findAll,
  parseXml,
  walk,
  type XmlElement,
} from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Problem } from "../../../ground/problems/problem.ts";
import { darkOf, type Field } from "../../../ground/values/fields.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import { placeAt } from "../../../ground/values/source.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import { type Fill, type Found, mergeFound, type PictureUse } from "../../template/found.ts";
import type { Wants } from "../../template/missing.ts";
import { pictureSize } from "../../template/picture-size.ts";
import { pictureUse } from "../../template/picture-use.ts";
import { iosStartForms, iosStartFull, iosStartPoints } from "./catalog.ts";
import { darkColor } from "./missing.ts";

/** Where assets are looked for, and what is to be added to them. */
export interface Assets {
  template: Folder;
  /** The project's folder. */
  below: string;
  wants: Wants;
  platform: Platform;
  /** A gap of the project, in its words. */
  gap(what: string): Problem;
}

/** The folder of a named asset, in any catalog below the project's folder. */
function assetFolder(template: Folder, below: string, name: string): string | undefined {
  const end = `/${name}/Contents.json`;
  const file = template.list().find((each) => each.endsWith(end) && (!below || each.startsWith(`${below}/`)));
  return file?.slice(0, -"/Contents.json".length);
}

/** Pictures in an asset's folder. */
export const picturesIn = (template: Folder, folder: string): string[] =>
  template.list().filter((file) => file.startsWith(`${folder}/`) && /\.(png|jpe?g|pdf|svg|heic)$/i.test(file));

/** Entries of an asset that stand for a picture each. */
export const images = (root: JsonNode): JsonNode[] => findNodeAtLocation(root, ["images"])?.children ?? [];

/** A text of an asset's description. */
export const text = (node: JsonNode, ...path: (string | number)[]): string | undefined => {
  const value: unknown = findNodeAtLocation(node, path)?.value;
  return typeof value === "string" ? value : undefined;
};

/** Whether an entry of an asset stands for dark screens (Apple, asset catalog reference, appearances). */
const isDark = (entry: JsonNode): boolean => text(entry, "appearances", 0, "value") === "dark";

/** An image set of the start screen, at every scale and appearance it lists, each as large as the template's own. */
export function imageSet(
  { template, below, gap }: Pick<Assets, "template" | "below" | "gap">,
  name: string,
  points: { width: number; height: number } = iosStartPoints,
  fills = false,
): Partial<Found> | undefined {
  const set = assetFolder(template, below, `${name}.imageset`);
  if (!set) return undefined;
  return setPictures({ template, gap }, set, (image, own, scale) => {
    const forms = fills ? iosStartFull : iosStartForms;
    const [light, dark] = own ? forms(own, 1) : forms(points, scale);
    const slot = isDark(image) ? dark : light;
    return { ...slot, qualifier: slot.qualifier.replace(/^\d+x/, `${scale}x`) };
  });
}

/**
 * Pictures of the start screen by device, as targets had them before storyboards: each over the whole screen, as large
 * as the template's own (Apple, asset catalog reference, launch images).
 */
export function launchImages({ template, below, gap }: Pick<Assets, "template" | "below" | "gap">, name: string) {
  const set = assetFolder(template, below, `${name}.launchimage`);
  if (!set) return undefined;
  return setPictures({ template, gap }, set, (_, own) => iosStartFull(own ?? iosStartPoints, 1)[0]);
}

/**
 * The pictures that an image set lists, and those of them that stay. @param slotOf the row of an entry: by the size of
 * the template's own picture, where it is there, and the entry's scale
 */
export function setPictures(
  { template, gap }: Pick<Assets, "template" | "gap">,
  set: string,
  slotOf: (image: JsonNode, own: { width: number; height: number } | undefined, scale: number) => Slot,
): Partial<Found> {
  const named = images(parseJson(template.source(`${set}/Contents.json`)));
  const pictures = named.flatMap((image): PictureUse | PictureUse[] => {
    const file = text(image, "filename");
    const scale = Number.parseInt(text(image, "scale") ?? "1x", 10);
    if (file === undefined) return [];
    return pictureUse(slotOf(image, pictureSize(template, `${set}/${file}`), scale), `${set}/${file}`) ?? [];
  });
  // What nobody here draws stays, and is asked about: its list names it.
  const drawn = new Set(pictures.map(({ path }) => path));
  const kept = named.flatMap((image) => text(image, "filename") ?? []).filter((file) => !drawn.has(`${set}/${file}`));
  const place = placeAt(template.source(`${set}/Contents.json`), 0);
  return {
    pictures,
    brandFiles: picturesIn(template, set).filter((file) => !kept.some((each) => file === `${set}/${each}`)),
    gaps: kept.map((file) => ({
      ...gap(`${set}/${file} is of a form that nobody here draws; it stays the template's`),
      place,
      expected: "a PNG, an SVG or a JPEG in its place",
    })),
  };
}

/** A colour set: every colour it lists, for any appearance. */
export function colorSet(
  { template, below, wants }: Pick<Assets, "template" | "below" | "wants">,
  name: string,
  holds: Field,
): Found | undefined {
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
  const last = colors.at(-1);
  const lacksDark = last && !colors.some(isDark) && darkOf(holds) !== holds;
  return mergeFound([{ fills }, lacksDark ? darkColor(template, file, last, holds, wants) : {}]);
}

const componentShapes = ["red", "green", "blue", "alpha"] as const;

const componentFills = (holds: Field, siteOf: (channel: string) => Site | undefined): Fill[] =>
  componentShapes.flatMap((shape) => {
    const site = siteOf(shape);
    return site ? [{ holds, site, shape }] : [];
  });

/** The start screen's storyboard: its pictures, its ground, and the copies it keeps of named colours. */
export function storyboard(assets: Assets, named: string): Found | undefined {
  const { template, below } = assets;
  const name = named.replace(/\.(storyboard|xib)$/, "");
  // An interface file serves as well (Apple, UILaunchStoryboardName).
  const file = [".storyboard", ".xib"].flatMap(
    (end) =>
      template
        .list()
        .find((each) => `/${each}`.endsWith(`/${name}${end}`) && (!below || each.startsWith(`${below}/`))) ?? [],
  )[0];
  if (!file) return undefined;
  const root = parseXml(template.source(file));
  const views = findAll(root, "imageView").flatMap((view) => {
    const image = attributeOf(view, "image");
    return image ? [imageSet(assets, image, sizeOf(root, image), isFilled(view)) ?? {}] : [];
  });
  const grounds = [...walk(root)]
    .filter((element) => element.name === "color" && attributeOf(element, "key") === "backgroundColor")
    .flatMap((element) => {
      const color = attributeOf(element, "name");
      const copy = findAll(root, "namedColor").find((each) => attributeOf(each, "name") === color);
      return [
        color ? (colorSet(assets, color, "colors.start") ?? {}) : { fills: colorElement(file, element) },
        { fills: copy?.children.flatMap((each) => colorElement(file, each)) ?? [] },
      ];
    });
  return mergeFound([...views, ...grounds]);
}

const colorElement = (file: string, element: XmlElement): Fill[] =>
  componentFills("colors.start", (channel) => attributeSite(file, element, channel));

/** Whether a picture is scaled until it fills its view, which then is the screen (Apple, UIView.ContentMode). */
const isFilled = (view: XmlElement): boolean => attributeOf(view, "contentMode") === "scaleAspectFill";

function sizeOf(root: XmlElement, image: string): { width: number; height: number } {
  const declared = findAll(root, "image").find((each) => attributeOf(each, "name") === image);
  const [width, height] = [Number(attributeOf(declared, "width")), Number(attributeOf(declared, "height"))];
  return width > 0 && height > 0 ? { width, height } : iosStartPoints;
}
