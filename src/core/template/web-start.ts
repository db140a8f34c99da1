import { slotPath } from "../catalog/slot.ts";
import { webStartSlots } from "../catalog/web.ts";
import { type HtmlElement, htmlAttribute } from "../splice/html.ts";
import { insertedText } from "./survey.ts";
import { linked, type Site, type WebFound } from "./web-links.ts";

const relation = "apple-touch-startup-image";

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
 * Start pictures of a page that can be put on a home screen: all of them, linked behind the page's touch icon, each with
 * the media query of its screen. Links that the template has of its own give way.
 */
export function surveyWebStart(
  site: Site,
  { file, elements, href, after, line }: TouchLink,
  found: WebFound,
): void {
  const beside = href.slice(0, href.lastIndexOf("/") + 1);
  let links = "";
  for (const slot of webStartSlots) {
    const picture = slotPath(slot, { folder: beside, size: `${slot.width}x${slot.height}` });
    const path = site.resolve(file, picture);
    if (!path) return;
    found.pictures.push({ slot, path });
    links += `${line}<link rel="${relation}" media="${slot.media}" href="${picture}">`;
  }
  found.fills.push(insertedText(file, after, links));
  for (const element of elements.filter((each) => linked(each, relation)))
    replaced(site, file, element, found);
}

/** A link of the template's own goes, with the blanks behind it, and so does its picture. */
function replaced(site: Site, file: string, element: HtmlElement, { fills, brandFiles }: WebFound): void {
  const { text } = site.template.source(file);
  const location = element.sourceCodeLocation;
  if (!location) return;
  const picture = site.resolve(file, htmlAttribute(element, "href"));
  if (picture) brandFiles.push(picture);
  const start = location.startOffset;
  const end = location.endOffset + (/^\s*/.exec(text.slice(location.endOffset))?.[0].length ?? 0);
  fills.push({
    holds: "key",
    site: { file, start, end, value: text.slice(start, end), form: "raw" },
    shape: "nothing",
  });
}
