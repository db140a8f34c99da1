import {
  type HtmlElement,
  htmlAttribute,
  htmlAttributeSite,
  htmlTextSite,
} from "../../../formats/splice/formats/html.ts";
import { emptySite, type Site as Range } from "../../../formats/splice/site.ts";
import { problem } from "../../../ground/problems/problem.ts";
import { darkOf, type Field } from "../../../ground/values/fields.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { hostFill } from "../../template/addresses.ts";
import { type Fill, type Found, mergeFound, nothingFound, type PictureUse } from "../../template/found.ts";
import { pictureSize } from "../../template/picture-size.ts";
import { socialSlot, touchSide, webSlot } from "./catalog.ts";
import { isForDark, linksAs, type Page, type WebFolders } from "./links.ts";
import { favicon, surveyManifest } from "./manifest.ts";
import { addressMetas, metaFields } from "./meta.ts";

/** What pages say, one after the other; that a page links no icon is told where none before it has one. */
export function surveyPages(site: WebFolders, pages: readonly Page[]): Found {
  let found = nothingFound;
  for (const page of pages) {
    found = mergeFound([found, ...page.elements.map((each) => inElement(site, page.file, each)), rootIcon(site)]);
    if (found.pictures.some(({ slot }) => slot.role === "favicon")) continue;
    const place = placeAt(site.template.source(page.file), 0);
    const gap = problem("template-gap", "Web: the page links no icon.", { severity: "warning", place });
    found = mergeFound([found, { gaps: [gap] }]);
  }
  return found;
}

const rootIcon = (site: WebFolders): Partial<Found> => ({ pictures: servedIcons(site) });

function inElement(site: WebFolders, file: string, element: HtmlElement): Partial<Found> {
  const { text } = site.template.source(file);
  switch (element.tagName) {
    case "title":
      return element.parentNode?.nodeName === "head" ? { fills: filling("app.name", htmlTextSite(file, element)) } : {};
    case "meta":
      return inMeta(site, file, element);
    case "html":
      return { fills: spokenBy(file, text, element) };
    case "link":
      return inLink(site, file, element);
    default:
      return {};
  }
}

function inMeta(site: WebFolders, file: string, element: HtmlElement): Partial<Found> {
  const key = htmlAttribute(element, "name") ?? htmlAttribute(element, "property") ?? "";
  const meta = Object.hasOwn(metaFields, key) ? metaFields[key] : undefined;
  const content = htmlAttributeSite(file, site.template.source(file).text, element, "content");
  const picture = /^(og|twitter):image(:url)?$/.test(key)
    ? site.resolve(file, content?.value?.replace(/^https?:\/\/[^/]+(?=\/)/, ""))
    : undefined;
  const hosts = content && addressMetas.has(key) && /^(https?:)?\/\//.test(content.value) ? hostFill(content) : [];
  const holds = meta && (isForDark(element) ? darkOf(meta.holds) : meta.holds);
  return {
    pictures: picture && /\.png$/i.test(picture) ? [{ slot: socialSlot, path: picture }] : [],
    fills: [...hosts, ...(holds ? filling(holds, content, meta.shape) : [])],
  };
}

function inLink(site: WebFolders, file: string, element: HtmlElement): Partial<Found> {
  const own =
    linksAs(element, "canonical") || linksAs(element, "alternate")
      ? htmlAttributeSite(file, site.template.source(file).text, element, "href")
      : undefined;
  const fills = own && /^(https?:)?\/\//.test(own.value) ? hostFill(own) : [];
  const target = site.resolve(file, htmlAttribute(element, "href"));
  if (!target) return { fills };
  if (linksAs(element, "manifest")) return mergeFound([{ fills }, surveyManifest(site, target)]);
  if (linksAs(element, "apple-touch-icon"))
    return { fills, pictures: [{ slot: webSlot("touch", touchSide), path: target }] };
  if (!linksAs(element, "icon")) return { fills };
  return { fills, pictures: favicon(target, htmlAttribute(element, "sizes") ?? sizeSaid(site, target)) };
}

/**
 * The language that a page says it is in; a page that says none gets it, and which way it is written where that is
 * told.
 */
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

/** The size that a picture of the template has, where its link says none. */
const sizeSaid = ({ template }: WebFolders, path: string): string | undefined => {
  const size = /\.png$/i.test(path) ? pictureSize(template, path) : undefined;
  return size && `${size.width}x${size.height}`;
};

/** Icons that browsers look for at the top, linked or not. */
export function servedIcons({ template, root }: WebFolders): PictureUse[] {
  const path = `${root ? `${root}/` : ""}favicon.ico`;
  return template.has(path) ? favicon(path, undefined) : [];
}

const filling = (holds: Field, site: Range | undefined, shape: Fill["shape"] = "text"): Fill[] =>
  site ? [{ holds, site, shape }] : [];
