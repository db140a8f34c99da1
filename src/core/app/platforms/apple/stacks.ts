import { findNodeAtLocation, type Node as JsonNode } from "jsonc-parser";
import { parseJson } from "../../../formats/splice/formats/json.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import { type Found, mergeFound } from "../../template/found.ts";
import { type Assets, setPictures, text } from "./assets.ts";
import { iconLayer, topShelf } from "./catalog.ts";

/**
 * Icons in layers of televisions and headsets, and the pictures of a television's top shelf (Apple, asset catalog
 * reference: image stack, solid image stack, brand assets). The client's ground is the layer at the back, its mark the
 * one in front; layers between them are empty.
 * @param own whether an asset is the app's
 */
export function stackedPictures(assets: Given, below: string, own: (asset: string) => boolean): Found {
  const { template } = assets;
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
    ...stacks.flatMap((stack) => layersOf(assets, stack, pointsOf(template, stack))),
    ...shelves.flatMap((shelf) => shelfPictures(assets, shelf)),
  ]);
}

type Given = Pick<Assets, "template" | "gap">;

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
function layersOf(assets: Given, stack: string, points: Points): Partial<Found>[] {
  const root = parseJson(assets.template.source(`${stack}/Contents.json`));
  const names = (findNodeAtLocation(root, ["layers"])?.children ?? []).flatMap((each) => text(each, "filename") ?? []);
  return names.flatMap((name, at) => {
    const place = at === 0 ? "front" : at === names.length - 1 ? "back" : "middle";
    return sizedPictures(assets, `${stack}/${name}/Content.imageset`, points, (size, qualifier) =>
      iconLayer(place, size, qualifier),
    );
  });
}

/** Pictures of the top shelf: image sets that brand assets list with their size. */
const shelfPictures = (assets: Given, shelf: string): Partial<Found>[] =>
  listedIn(assets.template, shelf).flatMap((asset) => {
    const [name, points] = [text(asset, "filename"), sizeSaid(asset)];
    if (!name?.endsWith(".imageset") || !points) return [];
    return sizedPictures(assets, `${shelf}/${name}`, points, topShelf);
  });

/** Pictures of an image set, each as large as the template's own, or as its points and scale say. */
function sizedPictures(
  assets: Given,
  set: string,
  { width, height }: Points,
  slotOf: (size: Points, qualifier: string) => Slot,
): Partial<Found>[] {
  if (!assets.template.has(`${set}/Contents.json`)) return [];
  return [
    setPictures(assets, set, (image, own, scale) =>
      slotOf(own ?? { width: width * scale, height: height * scale }, `${text(image, "idiom") ?? "tv"}-${scale}x`),
    ),
  ];
}
