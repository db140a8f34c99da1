import { posix } from "node:path";
import { socialSlot, touchSide, webSlot } from "../catalog/web.ts";
import { type Folder, textIfAny } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { type Problem, problem } from "../problems/problem.ts";
import {
  type HtmlElement,
  htmlAttribute,
  htmlAttributeSite,
  htmlElements,
  htmlTextSite,
} from "../splice/html.ts";
import { emptySite, type Site as Range } from "../splice/site.ts";
import { darkOf, type Field } from "../values/fields.ts";
import { hostFill } from "./addresses.ts";
import { pictureSize } from "./picture-size.ts";
import { wrapsPages } from "./settings/survey.ts";
import {
  type Fill,
  firstOfEachPlace,
  heldValues,
  type PartSurvey,
  type PictureUse,
  type SurveyPart,
} from "./survey.ts";
import { webInCode } from "./web-code.ts";
import { linked, openSite, type Page, type Site, type WebFound } from "./web-links.ts";
import { favicon, surveyManifest } from "./web-manifest.ts";
import { addressMetas, metaFields } from "./web-meta.ts";
import { addMissing } from "./web-missing.ts";
import { surveyWebStart } from "./web-start.ts";

/** Every page of a template, with its elements. */
const pagesOf = (template: Folder): Page[] =>
  template
    .list()
    .filter((file) => /\.html?$/i.test(file) && textIfAny(template.bytes(file)) !== undefined)
    .map((file): Page => ({ file, elements: htmlElements(template.source(file)) }));

/** Pages that link a web manifest. */
const linking = (pages: readonly Page[]): Page[] =>
  pages.filter((page) => page.elements.some((element) => linked(element, "manifest")));

/**
 * Surveys the web app of a template: the pages that link a web manifest, or the one that a browser opens first, and what
 * code says of heads and manifests; undefined where there is none of them.
 */
export const surveyWeb: SurveyPart = (template, wants) => {
  const all = pagesOf(template);
  const apps = linking(all);
  const first = wrapsPages(template) ? undefined : firstPage(all);
  const pages = apps.length > 0 ? apps : all.filter(({ file }) => file === first);
  const code = wrapsPages(template) && apps.length === 0 ? undefined : webInCode(template);
  const folder = pages[0] ? folderOf(pages[0].file) : code?.folder;
  if (folder === undefined) return undefined;
  const site = openSite(template, folder);
  const found: WebFound = { fills: [], pictures: [], brandFiles: [], missing: [], added: [], gaps: [] };
  for (const page of pages) surveyPage(site, page, found);
  if (new Set(pages.map(languageOf)).size > 1)
    found.fills = found.fills.filter(({ holds, site: { form } }) => holds !== "locale" || form === "json");
  // What code makes is the whole of a head or a manifest: nothing can be put beside it in a file.
  const isMade = pages.length === 0 || code?.hasManifest === true;
  for (const page of pages) {
    const added = addMissing(site, page, wants, found, isMade);
    const touch = touchLink(template, page) ?? added;
    if (!touch) continue;
    const place = placeAt(template.source(page.file), touch.after);
    found.missing.push({ kind: "start-pictures", added: wants("start-pictures"), place });
    if (wants("start-pictures")) surveyWebStart(site, touch, found);
  }
  found.fills.push(...(code?.fills ?? []));
  found.pictures.push(...(code?.pictures ?? []), ...servedIcons(site));
  if (pages.length === 0 && found.pictures.length === 0) found.gaps.push(iconless(template, code?.fills[0]));
  return partOf(template, site.folder, found);
};

function partOf(template: Folder, folder: string, found: WebFound): PartSurvey {
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
    added: found.added,
    missing: found.missing,
    gaps: found.gaps,
  };
}

/** What pages say that are shown within an app of another kind: names and icons, and nothing that only a browser reads. */
export function wrappedPages(template: Folder): Pick<PartSurvey, "fills" | "pictures" | "brandFiles"> {
  const all = pagesOf(template).filter(
    ({ file }) => /(^|\/)index\.html?$/i.test(file) && !besideWrapped.test(file),
  );
  if (!wrapsPages(template) || linking(all).length > 0) return { fills: [], pictures: [], brandFiles: [] };
  const found: WebFound = { fills: [], pictures: [], brandFiles: [], missing: [], added: [], gaps: [] };
  for (const page of all) surveyPage(openSite(template, folderOf(page.file)), page, found);
  const { fills, pictures, brandFiles } = partOf(template, "", found);
  return { fills, pictures, brandFiles };
}

/** The size that a picture of the template has, where its link says none. */
const sizeSaid = ({ template }: Site, path: string): string | undefined => {
  const size = /\.png$/i.test(path) ? pictureSize(template, path) : undefined;
  return size && `${size.width}x${size.height}`;
};

/** Icons that browsers look for at the top, linked or not. */
function servedIcons({ template, root }: Site): PictureUse[] {
  const path = `${root ? `${root}/` : ""}favicon.ico`;
  return template.has(path) ? favicon(path, undefined) : [];
}

function iconless(template: Folder, fill: Fill | undefined): Problem {
  const place = fill && placeAt(template.source(fill.site.file), fill.site.start);
  const message = "Web: no icon is named where the page's head is made.";
  return problem("template-gap", message, { severity: "warning", place });
}

/** Folders whose pages no wrapped app opens: built ones, those of native projects, and sources of Java packages. */
const besideWrapped = /(^|\/)(test|tests|docs|dist|out|android|ios|src\/(main\/java|com|org|net|io))\//;

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
      if (/^(og|twitter):image(:url)?$/.test(key)) {
        const target = site.resolve(file, content?.value?.replace(/^https?:\/\/[^/]+(?=\/)/, ""));
        if (target && /\.png$/i.test(target)) found.pictures.push({ slot: socialSlot, path: target });
      }
      if (content && addressMetas.has(key) && /^(https?:)?\/\//.test(content.value))
        found.fills.push(...hostFill(content));
      if (meta)
        pushFill(found.fills, isForDark(element) ? darkOf(meta.holds) : meta.holds, content, meta.shape);
    }
    if (element.tagName === "html") found.fills.push(...spokenBy(file, text, element));
    if (element.tagName !== "link") continue;
    const own =
      linked(element, "canonical") || linked(element, "alternate")
        ? htmlAttributeSite(file, text, element, "href")
        : undefined;
    if (own && /^(https?:)?\/\//.test(own.value)) found.fills.push(...hostFill(own));
    const target = site.resolve(file, htmlAttribute(element, "href"));
    if (!target) continue;
    if (linked(element, "manifest")) surveyManifest(site, target, found);
    else if (linked(element, "apple-touch-icon"))
      found.pictures.push({ slot: webSlot("touch", touchSide), path: target });
    else if (linked(element, "icon"))
      found.pictures.push(...favicon(target, htmlAttribute(element, "sizes") ?? sizeSaid(site, target)));
  }
  const inRoot = `${site.root ? `${site.root}/` : ""}favicon.ico`;
  if (site.template.has(inRoot)) found.pictures.push(...favicon(inRoot, undefined));
  if (found.pictures.every((each) => each.slot.role !== "favicon")) {
    const place = placeAt(site.template.source(file), 0);
    found.gaps.push(problem("template-gap", "Web: the page links no icon.", { severity: "warning", place }));
  }
}

/** The language that a page says it is in; a page that says none gets it, and which way it is written where that is told. */
function spokenBy(file: string, text: string, element: HtmlElement): Fill[] {
  const tag = element.sourceCodeLocation?.startTag;
  const lang = htmlAttributeSite(file, text, element, "lang");
  const dir = htmlAttributeSite(file, text, element, "dir");
  if (!tag || !/^<html/i.test(text.slice(tag.startOffset))) return [];
  const at = tag.startOffset + "<html".length;
  return [
    lang
      ? { holds: "locale", site: lang, shape: "text" }
      : {
          holds: "locale",
          site: emptySite(file, at, "html-attribute"),
          shape: "text",
          opens: ' lang="',
          closes: '"',
        },
    dir
      ? { holds: "locale", site: dir, shape: "direction" }
      : { holds: "locale", site: emptySite(file, at, "raw"), shape: "directionAttribute" },
  ];
}

/** The language that a page says it is in. Where pages say several, each keeps its own. */
const languageOf = ({ elements }: Page): string | undefined => {
  const page = elements.find(({ tagName }) => tagName === "html");
  return page && htmlAttribute(page, "lang");
};

/** Whether an element of the head counts on dark screens alone. */
const isForDark = (element: HtmlElement): boolean =>
  /prefers-color-scheme\s*:\s*dark/.test(htmlAttribute(element, "media") ?? "");

function pushFill(fills: Fill[], holds: Field, site: Range | undefined, shape: Fill["shape"] = "text"): void {
  if (site) fills.push({ holds, site, shape });
}
