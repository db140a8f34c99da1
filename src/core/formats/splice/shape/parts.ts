import { countUpTo } from "../../../ground/values/ascending.ts";
import { attempted } from "../../../ground/values/attempted.ts";
import type { Source } from "../../../ground/values/source.ts";
import { type HtmlElement, htmlElements } from "../formats/html.ts";
import { parseXml, type XmlElement } from "../formats/xml.ts";

/** Elements of a page that may be parted between those in them: a browser reads each of these wherever it stands. */
const parted = new Set(
  "html body main div section article aside nav header footer center form ul ol dl blockquote".split(" "),
);

/** Elements that are read as such only within a table. */
const ofTables = new Set(["table", "thead", "tbody", "tfoot"]);

/** Where a part of a page begins, and what has to be open for it to be read as it is there. */
export interface PageSeam {
  at: number;
  opened: string;
}

/** Where the parts of a page begin, in order: at elements in the body, and in what only holds others. */
export function seamsOfPage(source: Source): PageSeam[] {
  const seams = [{ at: 0, opened: "" }];
  const body = htmlElements(source).find(({ tagName }) => tagName === "body");
  const visit = (element: HtmlElement, opened: string) => {
    for (const child of element.childNodes) {
      if (!("tagName" in child)) continue;
      const { tagName, sourceCodeLocation } = child;
      // What a browser moves elsewhere, or makes up, parts nothing.
      if (sourceCodeLocation && sourceCodeLocation.startOffset > (seams.at(-1)?.at ?? 0))
        seams.push({ at: sourceCodeLocation.startOffset, opened });
      if (ofTables.has(tagName)) visit(child, `${opened}<${tagName}>`);
      else if (parted.has(tagName)) visit(child, opened);
    }
  };
  if (body) visit(body, "<body>");
  return seams;
}

/** The smallest element around a stretch of a file of XML, with its tags; undefined where the file cannot be read. */
export function elementAround(
  source: Source,
  { start, end }: { start: number; end: number },
): { start: number; end: number } | undefined {
  let around: XmlElement | undefined = attempted(() => parseXml(source));
  if (!around || around.start > start || around.end < end) return undefined;
  for (let inner: XmlElement | undefined = around; inner && inner.end >= end; ) {
    around = inner;
    inner = around.children[countUpTo(around.children, start, (each: XmlElement) => each.start) - 1];
  }
  return around;
}
