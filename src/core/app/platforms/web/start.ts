import { type HtmlElement, htmlAttribute } from "../../../formats/splice/formats/html.ts";
import type { Site as Place } from "../../../formats/splice/site.ts";
import { slotPath } from "../../../pictures/slots/slot.ts";
import { type Found, insertedText, mergeFound } from "../../template/found.ts";
import { darkStartSlots, webStartSlots } from "./catalog.ts";
import { isForDark, linksAs, type WebFolders } from "./links.ts";

const relation = "apple-touch-startup-image";

const lightScreens = "(prefers-color-scheme: light)";

/** A page, and where a touch icon is linked in it. */
export interface TouchLink {
  file: string;
  elements: readonly HtmlElement[];
  href: string;
  /** Offset behind the link; further links go there. */
  after: number;
  /** What begins a line there. */
  line: string;
}

/**
 * Start pictures of a page that can be put on a home screen: all of them, linked behind the page's touch icon, each
 * with the media query of its screen, and those for dark screens where it has such. Links of its own give way.
 */
export function startPictures(site: WebFolders, { file, elements, href, after, line }: TouchLink): Partial<Found> {
  const beside = href.slice(0, href.lastIndexOf("/") + 1);
  const own = elements.filter((each) => linksAs(each, relation));
  // Of several that fit a device takes one: where dark ones are, the others say that they are not.
  const slots = own.some(isForDark)
    ? [...webStartSlots.map((slot) => ({ ...slot, media: `${slot.media} and ${lightScreens}` })), ...darkStartSlots]
    : webStartSlots;
  const pictures = slots.flatMap((slot) => {
    const picture = slotPath(slot, { folder: beside, size: `${slot.width}x${slot.height}` });
    const path = site.resolve(file, picture);
    const link = `${line}<link rel="${relation}" media="${slot.media}" href="${picture}">`;
    return path ? [{ slot, path, link }] : [];
  });
  if (pictures.length < slots.length) return {};
  const links = pictures.map(({ link }) => link).join("");
  return mergeFound([
    {
      pictures: pictures.map(({ slot, path }) => ({ slot, path })),
      fills: [insertedText(file, after, links)],
    },
    ...own.map((each) => replacedLink(site, file, each)),
  ]);
}

/** A link of the template's own goes, with the blanks behind it, and so does its picture. */
function replacedLink(site: WebFolders, file: string, element: HtmlElement): Partial<Found> {
  const { text } = site.template.source(file);
  const location = element.sourceCodeLocation;
  if (!location) return {};
  const picture = site.resolve(file, htmlAttribute(element, "href"));
  const start = location.startOffset;
  const end = location.endOffset + (/^\s*/.exec(text.slice(location.endOffset))?.[0].length ?? 0);
  const place: Place = { file, start, end, value: text.slice(start, end), form: "raw" };
  return {
    brandFiles: picture ? [picture] : [],
    fills: [{ holds: "key", site: place, shape: "nothing" }],
  };
}
