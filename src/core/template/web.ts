import { posix } from "node:path";
import { socialSlot, touchSide, webSlot } from "../catalog/web.ts";
import { type Folder, textIfAny } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { problem } from "../problems/problem.ts";
import {
  type HtmlElement,
  htmlAttribute,
  htmlAttributeSite,
  htmlElements,
  htmlTextSite,
} from "../splice/html.ts";
import type { Site as Range } from "../splice/site.ts";
import { darkOf, type Field } from "../values/fields.ts";
import { type Fill, firstOfEachPlace, heldValues, type SurveyPart } from "./survey.ts";
import { linked, openSite, type Page, type Site, type WebFound } from "./web-links.ts";
import { favicon, surveyManifest } from "./web-manifest.ts";
import { addMissing } from "./web-missing.ts";
import { surveyWebStart } from "./web-start.ts";

/** Meta elements of a page's head that hold one of the app's values, by name or property. */
const metaFields: Readonly<Record<string, { holds: Field; shape?: "color" }>> = {
  "application-name": { holds: "app.name" },
  "apple-mobile-web-app-title": { holds: "app.label" },
  "og:title": { holds: "app.name" },
  "og:site_name": { holds: "app.name" },
  "twitter:title": { holds: "app.name" },
  "theme-color": { holds: "colors.brand", shape: "color" },
  "msapplication-TileColor": { holds: "colors.ground", shape: "color" },
};

/** Surveys the web app of a template: the pages that link a web manifest, or the one that a browser opens first; undefined where there is neither. */
export const surveyWeb: SurveyPart = (template, wants) => {
  const all = template
    .list()
    .filter((file) => /\.html?$/i.test(file) && textIfAny(template.bytes(file)) !== undefined)
    .map((file): Page => ({ file, elements: htmlElements(template.source(file)) }));
  const linking = all.filter((page) => page.elements.some((element) => linked(element, "manifest")));
  const pages = linking.length > 0 ? linking : all.filter(({ file }) => file === firstPage(all));
  const [first] = pages;
  if (!first) return undefined;
  const site = openSite(template, folderOf(first.file));
  const found: WebFound = { fills: [], pictures: [], brandFiles: [], missing: [], added: [], gaps: [] };
  for (const page of pages) surveyPage(site, page, found);
  for (const page of pages) {
    const added = addMissing(site, page, wants, found);
    const touch = touchLink(template, page) ?? added;
    if (!touch) continue;
    const place = placeAt(template.source(page.file), touch.after);
    found.missing.push({ kind: "start-pictures", added: wants("start-pictures"), place });
    if (wants("start-pictures")) surveyWebStart(site, touch, found);
  }
  const fills = firstOfEachPlace(found.fills);
  const icons = found.pictures.map((each) => each.path);
  return {
    platform: "web",
    folder: site.folder,
    identifiers: heldValues(fills, "identifiers.web"),
    names: heldValues(fills, "app.name", "app.label"),
    fills,
    pictures: [...new Map(found.pictures.map((each) => [each.path, each])).values()],
    brandFiles: [...new Set([...found.brandFiles, ...icons.filter((path) => template.has(path))])].sort(),
    added: found.added,
    missing: found.missing,
    gaps: found.gaps,
  };
};

/** Folders of a native app, whose pages are parts of it. */
const withinApps = /(^|\/)(assets|res|src\/[a-z]+|test|tests|docs)\//i;

/** The page that a browser opens where no page says that it is an app: the index nearest the top. */
function firstPage(pages: readonly Page[]): string | undefined {
  return pages
    .map(({ file }) => file)
    .filter((file) => /(^|\/)index\.html?$/i.test(file) && !withinApps.test(file))
    .sort((a, b) => a.split("/").length - b.split("/").length)[0];
}

/** The app's folder: the page's, or the one above where a bundler serves the page from there. */
function folderOf(file: string): string {
  const folder = posix.dirname(file);
  const above = /^(?:(.*)\/)?(?:public|static|src)$/.exec(folder);
  return above ? (above[1] ?? "") : folder === "." ? "" : folder;
}

function touchLink(
  template: Folder,
  { file, elements }: Page,
): Parameters<typeof surveyWebStart>[1] | undefined {
  const touch = elements.find((element) => linked(element, "apple-touch-icon"));
  const location = touch?.sourceCodeLocation;
  if (!touch || !location) return undefined;
  const line = /\r?\n[ \t]*$/.exec(template.source(file).text.slice(0, location.startOffset))?.[0] ?? "\n";
  return { file, elements, href: htmlAttribute(touch, "href") ?? "", after: location.endOffset, line };
}

function surveyPage(site: Site, { file, elements }: Page, found: WebFound): void {
  const { text } = site.template.source(file);
  for (const element of elements) {
    if (element.tagName === "title" && element.parentNode?.nodeName === "head")
      pushFill(found.fills, "app.name", htmlTextSite(file, element));
    if (element.tagName === "meta") {
      const key = htmlAttribute(element, "name") ?? htmlAttribute(element, "property") ?? "";
      const meta = Object.hasOwn(metaFields, key) ? metaFields[key] : undefined;
      const content = htmlAttributeSite(file, text, element, "content");
      if (key === "og:image" || key === "twitter:image") {
        const target = site.resolve(file, content?.value);
        if (target) found.pictures.push({ slot: socialSlot, path: target });
      }
      if (meta)
        pushFill(found.fills, isForDark(element) ? darkOf(meta.holds) : meta.holds, content, meta.shape);
    }
    if (element.tagName !== "link") continue;
    const target = site.resolve(file, htmlAttribute(element, "href"));
    if (!target) continue;
    if (linked(element, "manifest")) surveyManifest(site, target, found);
    else if (linked(element, "apple-touch-icon"))
      found.pictures.push({ slot: webSlot("touch", touchSide), path: target });
    else if (linked(element, "icon"))
      found.pictures.push(...favicon(target, htmlAttribute(element, "sizes")));
  }
  const inRoot = `${site.root ? `${site.root}/` : ""}favicon.ico`;
  if (site.template.has(inRoot)) found.pictures.push(...favicon(inRoot, undefined));
  if (found.pictures.every((each) => each.slot.role !== "favicon")) {
    const place = placeAt(site.template.source(file), 0);
    found.gaps.push(problem("template-gap", "Web: the page links no icon.", { severity: "warning", place }));
  }
}

/** Whether an element of the head counts on dark screens alone. */
const isForDark = (element: HtmlElement): boolean =>
  /prefers-color-scheme\s*:\s*dark/.test(htmlAttribute(element, "media") ?? "");

function pushFill(fills: Fill[], holds: Field, site: Range | undefined, shape: Fill["shape"] = "text"): void {
  if (site) fills.push({ holds, site, shape });
}
