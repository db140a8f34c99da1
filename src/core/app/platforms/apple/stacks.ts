import { findNodeAtLocation, type Node as JsonNode } from "jsonc-parser";
import { parseJson } from "../../../formats/splice/formats/json.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import { type Found, mergeFound, type PictureUse } from "../../template/found.ts";
import { pictureSize } from "../../template/picture-size.ts";
import { images, picturesIn, text } from "./assets.ts";
import { iconLayer, topShelf } from "./catalog.ts";

/**
 * Icons in layers of televisions and headsets, and the pictures of a television's top shelf (Apple, asset catalog
 * reference: image stack, solid image stack, brand assets). The client's ground is the layer at the back, its mark the
 * one in front; layers between them are empty.
 * @param own whether an asset is the app's
 */
export function stackedPictures(template: Folder, below: string, own: (asset: string) => boolean): Found {
  const folders = (form: RegExp) => [
    ...new Set(
      template.list().flatMap((file) => {
        const asset = form.exec(file)?.[1];
        return asset && (!below || asset.startsWith(`${below}/`)) && own(asset) ? [asset] : [];
      }),
    ),
  ];
  const stacks = folders(/^(.+\.(?:imagestack|solidimagestack))\/Contents\.json$/);
  const shelves = folders(/^(.+\.brandassets)\/Contents\.json$/);
  return mergeFound([
    ...stacks.flatMap((stack) => layersOf(template, stack, pointsOf(template, stack))),
    ...shelves.flatMap((shelf) => shelfPictures(template, shelf)),
  ]);
}

interface Points {
  width: number;
  height: number;
}

/** What brand assets say of the assets in them, each with its size. */
const listedIn = (template: Folder, shelf: string): JsonNode[] =>
  findNodeAtLocation(parseJson(template.source(`${shelf}/Contents.json`)), ["assets"])?.children ?? [];

const sizeSaid = (asset: JsonNode): Points | undefined => {
  const [, width, height] = /^([\d.]+)x([\d.]+)$/.exec(text(asset, "size") ?? "") ?? [];
  return width === undefined ? undefined : { width: Number(width), height: Number(height) };
};

/** Points of a stack that says none itself: a headset's, and a television's on its home screen. */
const usual = { solid: { width: 512, height: 512 }, flat: { width: 400, height: 240 } };

/** Points of a stack: what the brand assets around it say. */
function pointsOf(template: Folder, stack: string): Points {
  const at = stack.lastIndexOf("/");
  const [around, name] = [stack.slice(0, at), stack.slice(at + 1)];
  const said = around.endsWith(".brandassets")
    ? listedIn(template, around).find((each) => text(each, "filename") === name)
    : undefined;
  return (said && sizeSaid(said)) ?? (name.endsWith(".solidimagestack") ? usual.solid : usual.flat);
}

/** The layers of a stack, from the front, each an image set of its own. */
function layersOf(template: Folder, stack: string, points: Points): Partial<Found>[] {
  const root = parseJson(template.source(`${stack}/Contents.json`));
  const names = (findNodeAtLocation(root, ["layers"])?.children ?? []).flatMap((each) => text(each, "filename") ?? []);
  return names.flatMap((name, at) => {
    const place = at === 0 ? "front" : at === names.length - 1 ? "back" : "middle";
    return setPictures(template, `${stack}/${name}/Content.imageset`, points, (size, qualifier) =>
      iconLayer(place, size, qualifier),
    );
  });
}

/** Pictures of the top shelf: image sets that brand assets list with their size. */
const shelfPictures = (template: Folder, shelf: string): Partial<Found>[] =>
  listedIn(template, shelf).flatMap((asset) => {
    const [name, points] = [text(asset, "filename"), sizeSaid(asset)];
    if (!name?.endsWith(".imageset") || !points) return [];
    return setPictures(template, `${shelf}/${name}`, points, topShelf);
  });

/** Pictures of an image set, each as large as the template's own, or as its points and scale say. */
function setPictures(
  template: Folder,
  set: string,
  points: Points,
  slotOf: (size: Points, qualifier: string) => Slot,
): Partial<Found>[] {
  const file = `${set}/Contents.json`;
  if (!template.has(file)) return [];
  const pictures = images(parseJson(template.source(file))).flatMap((image): PictureUse[] => {
    const named = text(image, "filename");
    if (named === undefined) return [];
    const scale = Number.parseInt(text(image, "scale") ?? "1x", 10) || 1;
    const scaled = { width: points.width * scale, height: points.height * scale };
    const slot = slotOf(
      pictureSize(template, `${set}/${named}`) ?? scaled,
      `${text(image, "idiom") ?? "tv"}-${scale}x`,
    );
    return [{ slot, path: `${set}/${named}` }];
  });
  return [{ pictures, brandFiles: picturesIn(template, set) }];
}
