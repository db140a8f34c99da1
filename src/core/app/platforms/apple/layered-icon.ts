import { findNodeAtLocation } from "jsonc-parser";
import { parseJson } from "../../../formats/splice/formats/json.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { type Fill, type Found, mergeFound } from "../../template/found.ts";
import { picturesIn } from "./assets.ts";
import { iosLayerSlot } from "./catalog.ts";

/**
 * An icon in layers, which newer versions of Xcode prefer over a set of its name (Apple, Icon Composer): the client's
 * ground, and its mark as the only layer.
 */
export function layeredIcon(template: Folder, asset: string): Found {
  const file = `${asset}/icon.json`;
  const { text: written } = template.source(file);
  const root = parseJson(template.source(file));
  const supported = findNodeAtLocation(root, ["supported-platforms"]);
  const kept = supported
    ? written.slice(supported.offset, supported.offset + supported.length)
    : '{ "squares" : "shared" }';
  const mark = "mark.png";
  const site: Site = { file, start: root.offset, end: root.offset + root.length, value: "", form: "raw" };
  const fill: Fill = {
    holds: "colors.ground",
    site,
    shape: "layeredColor",
    before: '{\n  "fill" : {\n    "solid" : "',
    after:
      `"\n  },\n  "groups" : [\n    {\n      "layers" : [\n        {\n          "image-name" : "${mark}",\n` +
      `          "name" : "mark"\n        }\n      ]\n    }\n  ],\n  "supported-platforms" : ${kept}\n}`,
  };
  return mergeFound([
    {
      fills: [fill],
      pictures: [{ slot: iosLayerSlot, path: `${asset}/Assets/${mark}` }],
      brandFiles: picturesIn(template, `${asset}/Assets`),
    },
  ]);
}
