import { slotPath } from "../catalog/slot.ts";
import { webStartSlots } from "../catalog/web.ts";
import { type HtmlElement, htmlAttribute } from "../splice/html.ts";
import type { Site } from "../splice/site.ts";
import { linked, resolved, type WebFound } from "./web-links.ts";

const relation = "apple-touch-startup-image";

/**
 * Start pictures of a page that can be put on a home screen: all of them, linked behind the page's touch icon, each with
 * the media query of its screen. Links that the template has of its own give way.
 */
export function surveyWebStart(
  folder: string,
  file: string,
  text: string,
  elements: readonly HtmlElement[],
  found: WebFound,
): void {
  const touch = elements.find((element) => linked(element, "apple-touch-icon"));
  const after = touch?.sourceCodeLocation?.endOffset;
  if (!touch || after === undefined) return;
  const href = htmlAttribute(touch, "href") ?? "";
  const beside = href.slice(0, href.lastIndexOf("/") + 1);
  const line = /\r?\n[ \t]*$/.exec(text.slice(0, touch.sourceCodeLocation?.startOffset))?.[0] ?? "\n";
  let links = "";
  for (const slot of webStartSlots) {
    const picture = slotPath(slot, { folder: beside, size: `${slot.width}x${slot.height}` });
    const path = resolved(folder, file, picture);
    if (!path) return;
    found.pictures.push({ slot, path });
    links += `${line}<link rel="${relation}" media="${slot.media}" href="${picture}">`;
  }
  const site: Site = { file, start: after, end: after, value: "", form: "raw" };
  found.fills.push({ holds: "key", site, shape: "nothing", before: links });
  for (const element of elements.filter((each) => linked(each, relation)))
    replaced(folder, file, text, element, found);
}

/** A link of the template's own goes, with the blanks behind it, and so does its picture. */
function replaced(
  folder: string,
  file: string,
  text: string,
  element: HtmlElement,
  { fills, brandFiles }: WebFound,
): void {
  const location = element.sourceCodeLocation;
  if (!location) return;
  const picture = resolved(folder, file, htmlAttribute(element, "href"));
  if (picture) brandFiles.push(picture);
  const start = location.startOffset;
  const end = location.endOffset + (/^\s*/.exec(text.slice(location.endOffset))?.[0].length ?? 0);
  fills.push({
    holds: "key",
    site: { file, start, end, value: text.slice(start, end), form: "raw" },
    shape: "nothing",
  });
}
