import { posix } from "node:path";
import { findNodeAtLocation, type Node as JsonNode } from "jsonc-parser";
import { jsonSite, parseJson } from "../../../formats/splice/formats/json.ts";
import { problem } from "../../../ground/problems/problem.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import { hostFill } from "../../template/addresses.ts";
import { type Fill, type Found, insertedText, mergeFound, type PictureUse } from "../../template/found.ts";
import { icoSizes, manifestIcons, webSlot } from "./catalog.ts";
import type { WebFolders } from "./links.ts";

/** Whether a file is a web manifest, by its name. */
export const isWebManifest = (file: string): boolean => /(\.webmanifest|(^|\/)manifest\.json)$/.test(file);

/** Members of a web manifest (W3C, Web Application Manifest). */
export const manifestFields: Readonly<Record<string, { holds: Field; shape?: "color" }>> = {
  id: { holds: "identifiers.web" },
  name: { holds: "app.name" },
  short_name: { holds: "app.label" },
  theme_color: { holds: "colors.brand", shape: "color" },
  background_color: { holds: "colors.start", shape: "color" },
};

/** The values and the icons of a web manifest that a page links. */
export function surveyManifest(site: WebFolders, file: string): Partial<Found> {
  if (!site.template.has(file)) {
    const message = `Web: the page links ${file}, which is not there.`;
    return { gaps: [problem("template-gap", message, { severity: "warning" })] };
  }
  const root = parseJson(site.template.source(file));
  const values = Object.entries(manifestFields).flatMap(([member, { holds, shape }]): Fill[] => {
    const place = jsonSite(file, root, [member]);
    return place ? [{ holds, site: place, shape: shape ?? "text" }] : [];
  });
  const icons = findNodeAtLocation(root, ["icons"]);
  const pictures = icons?.children?.flatMap((entry) => manifestPicture(site, file, entry)) ?? [];
  return mergeFound([
    { fills: [...values, ...spokenIn(file, root), ...addressesIn(file, root)], pictures },
    icons ? missingIcons(site, file, icons, pictures) : {},
  ]);
}

/** The language that a manifest says it is in, and which way that is written. */
function spokenIn(file: string, root: JsonNode): Fill[] {
  const lang = jsonSite(file, root, ["lang"]);
  const dir = jsonSite(file, root, ["dir"]);
  return [
    ...(lang ? [{ holds: "locale", site: lang, shape: "text" } as const] : []),
    ...(dir ? [{ holds: "locale", site: dir, shape: "direction" } as const] : []),
  ];
}

/** Members that may say the app's own address. */
const addressed = ["id", "start_url", "scope"];

const addressesIn = (file: string, root: JsonNode): Fill[] =>
  addressed.flatMap((name) => {
    const site = jsonSite(file, root, [name]);
    return site && /^https?:/.test(site.value) ? hostFill(site) : [];
  });

const member = (node: JsonNode, name: string): string => String(findNodeAtLocation(node, [name])?.value ?? "");

const purposes = ["maskable", "monochrome"] as const;

function manifestPicture(site: WebFolders, file: string, entry: JsonNode): PictureUse[] {
  const path = site.resolve(file, member(entry, "src"));
  if (!path) return [];
  const slot = manifestSlot(member(entry, "purpose"), member(entry, "sizes"));
  return path.endsWith(".svg") ? [{ slot, path, container: "svg" }] : [{ slot, path }];
}

/** The row of an icon that a web manifest lists. @param side where the list says no size, in pixels. */
export function manifestSlot(purpose: string, sizes: string | undefined, side = 512): Slot {
  const wanted = purpose.split(/\s+/);
  const role = purposes.find((each) => wanted.includes(each)) ?? "any";
  return webSlot(role, sideOf(sizes) ?? side);
}

/** Icons that an installable page needs and the manifest does not list are added to it, beside those it has. */
function missingIcons(site: WebFolders, file: string, icons: JsonNode, listed: readonly PictureUse[]): Partial<Found> {
  const has = (wanted: Slot) => listed.some(({ slot }) => slot.role === wanted.role && slot.width === wanted.width);
  const last = icons.children?.at(-1);
  const lacking = manifestIcons.filter((slot) => !has(slot));
  if (lacking.length === 0 || !last) return {};
  const beside = posix.dirname(member(last, "src") || "icon.png");
  const at = last.offset + last.length;
  const line = /\r?\n[ \t]*$/.exec(site.template.source(file).text.slice(0, last.offset))?.[0] ?? "\n    ";
  const added = lacking.map((slot) => ({ slot, src: posix.join(beside, iconName(slot)) }));
  const entries = added.map(({ slot, src }) => `,${line}${iconEntry(slot, src)}`);
  return {
    fills: [insertedText(file, at, entries.join(""))],
    pictures: added.flatMap(({ slot, src }) => {
      const path = site.resolve(file, src);
      return path ? [{ slot, path }] : [];
    }),
  };
}

export const iconName = ({ role, width }: Slot): string => `app-${role}-${width}.png`;

export const iconEntry = ({ role, width, height }: Slot, src: string): string =>
  `{ "src": ${JSON.stringify(src)}, "sizes": "${width}x${height}", "type": "image/png", "purpose": "${role}" }`;

/** What a page's icon link becomes. */
export function favicon(path: string, sizes: string | undefined): PictureUse[] {
  const largest = icoSizes.at(-1) ?? 48;
  if (path.endsWith(".ico")) {
    const within = icoSizes.map((side) => webSlot("favicon", side));
    return [{ slot: webSlot("favicon", largest), path, container: "ico", within }];
  }
  if (path.endsWith(".svg")) return [{ slot: webSlot("favicon", 64), path, container: "svg" }];
  return [{ slot: webSlot("favicon", sideOf(sizes) ?? 32), path }];
}

const sideOf = (sizes: string | undefined): number | undefined => {
  const side = Number.parseInt(sizes ?? "", 10);
  return side > 0 && side <= 2048 ? side : undefined;
};
