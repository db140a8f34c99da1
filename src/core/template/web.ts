import { posix } from "node:path";
import { findNodeAtLocation, type Node as JsonNode } from "jsonc-parser";
import type { Slot } from "../catalog/slot.ts";
import { icoSizes, manifestIcons, socialSlot, touchSide, webSlot } from "../catalog/web.ts";
import type { Folder } from "../files/folder.ts";
import { placeAt, type Source } from "../files/source.ts";
import { problem } from "../problems/problem.ts";
import {
  type HtmlElement,
  htmlAttribute,
  htmlAttributeSite,
  htmlElements,
  htmlTextSite,
} from "../splice/html.ts";
import { jsonSite, nodeSite, parseJson } from "../splice/json.ts";
import type { Site } from "../splice/site.ts";
import type { Field } from "../values/fields.ts";
import { type Fill, firstOfEachPlace, heldValues, type PartSurvey, type PictureUse } from "./survey.ts";
import { linked, resolved, type WebFound } from "./web-links.ts";
import { surveyWebStart } from "./web-start.ts";

/** Meta elements of a page's head that hold one of the app's values, by name or property. */
const metaFields: Readonly<Record<string, { holds: Field; shape?: "color" }>> = {
  "application-name": { holds: "app.name" },
  "apple-mobile-web-app-title": { holds: "app.label" },
  "og:title": { holds: "app.name" },
  "og:site_name": { holds: "app.name" },
  "theme-color": { holds: "colors.brand", shape: "color" },
  "msapplication-TileColor": { holds: "colors.ground", shape: "color" },
};

/** Members of a web manifest (W3C, Web Application Manifest). */
const manifestFields: Readonly<Record<string, { holds: Field; shape?: "color" }>> = {
  id: { holds: "identifiers.web" },
  name: { holds: "app.name" },
  short_name: { holds: "app.label" },
  theme_color: { holds: "colors.brand", shape: "color" },
  background_color: { holds: "colors.start", shape: "color" },
};

/** Surveys the web app of a template: the pages that link a web manifest; undefined where there is none. */
export function surveyWeb(template: Folder): PartSurvey | undefined {
  const pages = template
    .list()
    .filter((file) => /\.html?$/i.test(file))
    .map((file) => ({ file, source: template.source(file) }))
    .map((page) => ({ ...page, elements: htmlElements(page.source) }))
    .filter((page) => page.elements.some((element) => linked(element, "manifest")));
  const first = pages[0];
  if (!first) return undefined;
  const folder = posix.dirname(first.file) === "." ? "" : posix.dirname(first.file);
  const found: WebFound = { fills: [], pictures: [], brandFiles: [], gaps: [] };
  for (const { file, source, elements } of pages) surveyPage(template, folder, file, source, elements, found);
  const fills = firstOfEachPlace(found.fills);
  const icons = found.pictures.map((each) => each.path);
  return {
    platform: "web",
    folder,
    identifiers: heldValues(fills, "identifiers.web"),
    names: heldValues(fills, "app.name", "app.label"),
    fills,
    pictures: [...new Map(found.pictures.map((each) => [each.path, each])).values()],
    brandFiles: [...new Set([...found.brandFiles, ...icons.filter((path) => template.has(path))])].sort(),
    gaps: found.gaps,
  };
}

function surveyPage(
  template: Folder,
  folder: string,
  file: string,
  source: Source,
  elements: HtmlElement[],
  found: WebFound,
): void {
  for (const element of elements) {
    if (element.tagName === "title") pushFill(found.fills, "app.name", htmlTextSite(file, element));
    if (element.tagName === "meta") {
      const key = htmlAttribute(element, "name") ?? htmlAttribute(element, "property") ?? "";
      const meta = Object.hasOwn(metaFields, key) ? metaFields[key] : undefined;
      if (key === "og:image" || key === "twitter:image") {
        const target = resolved(folder, file, htmlAttribute(element, "content"));
        if (target) found.pictures.push({ slot: socialSlot, path: target });
      }
      if (meta)
        pushFill(
          found.fills,
          meta.holds,
          htmlAttributeSite(file, source.text, element, "content"),
          meta.shape,
        );
    }
    if (element.tagName !== "link") continue;
    const target = resolved(folder, file, htmlAttribute(element, "href"));
    if (!target) continue;
    if (linked(element, "manifest")) surveyManifest(template, folder, target, found);
    else if (linked(element, "apple-touch-icon"))
      found.pictures.push({ slot: webSlot("touch", touchSide), path: target });
    else if (linked(element, "icon"))
      found.pictures.push(...favicon(target, htmlAttribute(element, "sizes")));
  }
  surveyWebStart(folder, file, source.text, elements, found);
  const inRoot = `${folder ? `${folder}/` : ""}favicon.ico`;
  if (template.has(inRoot)) found.pictures.push(...favicon(inRoot, undefined));
  if (!found.pictures.some((each) => each.slot.role === "touch")) {
    const place = placeAt(source, 0);
    found.gaps.push(
      problem("template-gap", "Web: the page links no touch icon.", { severity: "warning", place }),
    );
  }
}

function favicon(path: string, sizes: string | undefined): PictureUse[] {
  const largest = icoSizes.at(-1) ?? 48;
  if (path.endsWith(".ico")) return [{ slot: webSlot("favicon", largest), path, container: "ico" }];
  if (path.endsWith(".svg")) return [{ slot: webSlot("favicon", 64), path, container: "svg" }];
  return [{ slot: webSlot("favicon", sideOf(sizes) ?? 32), path }];
}

const sideOf = (sizes: string | undefined): number | undefined => {
  const side = Number.parseInt(sizes ?? "", 10);
  return side > 0 && side <= 2048 ? side : undefined;
};

function pushFill(fills: Fill[], holds: Field, site: Site | undefined, shape: Fill["shape"] = "text"): void {
  if (site) fills.push({ holds, site, shape });
}

function surveyManifest(template: Folder, folder: string, file: string, found: WebFound): void {
  if (!template.has(file)) {
    found.gaps.push(
      problem("template-gap", `Web: the page links ${file}, which is not there.`, { severity: "warning" }),
    );
    return;
  }
  const source = template.source(file);
  const root = parseJson(source);
  for (const [member, { holds, shape }] of Object.entries(manifestFields)) {
    pushFill(found.fills, holds, jsonSite(file, root, [member]), shape);
  }
  const icons = findNodeAtLocation(root, ["icons"]);
  if (!icons) return;
  const listed = icons.children?.flatMap((entry) => manifestPicture(folder, file, entry)) ?? [];
  found.pictures.push(...listed);
  addMissingIcons(file, icons, listed, found);
}

const member = (node: JsonNode, name: string): string =>
  String(findNodeAtLocation(node, [name])?.value ?? "");

function manifestPicture(folder: string, file: string, entry: JsonNode): PictureUse[] {
  const path = resolved(folder, file, member(entry, "src"));
  if (!path) return [];
  const purpose = member(entry, "purpose").split(/\s+/);
  const role = purpose.includes("maskable")
    ? "maskable"
    : purpose.includes("monochrome")
      ? "monochrome"
      : "any";
  if (path.endsWith(".svg")) return [{ slot: webSlot(role, 512), path, container: "svg" }];
  return [{ slot: webSlot(role, sideOf(member(entry, "sizes")) ?? 512), path }];
}

/** Icons that an installable page needs and the manifest does not list are added to it, beside those it has. */
function addMissingIcons(
  file: string,
  icons: JsonNode,
  listed: readonly PictureUse[],
  found: WebFound,
): void {
  const has = (wanted: Slot) =>
    listed.some(({ slot }) => slot.role === wanted.role && slot.width === wanted.width);
  const missing = manifestIcons.filter((slot) => !has(slot));
  const last = icons.children?.at(-1);
  if (missing.length === 0 || !last) return;
  const beside = posix.dirname(member(last, "src") || "icon.png");
  const at = last.offset + last.length;
  const entries = missing.map((slot) => {
    const src = posix.join(beside, `app-${slot.role}-${slot.width}.png`);
    const path = resolved(posix.dirname(file), file, src);
    if (path) found.pictures.push({ slot, path });
    return `,\n    { "src": ${JSON.stringify(src)}, "sizes": "${slot.width}x${slot.height}", "type": "image/png", "purpose": "${slot.role}" }`;
  });
  const site: Site = { ...nodeSite(file, last), start: at, end: at, value: "", form: "raw" };
  found.fills.push({ holds: "key", site, shape: "nothing", before: entries.join("") });
}
