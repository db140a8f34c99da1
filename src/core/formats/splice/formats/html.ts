import { type DefaultTreeAdapterTypes, parse } from "parse5";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import type { Site } from "../site.ts";

export type HtmlElement = DefaultTreeAdapterTypes.Element;
type HtmlNode = DefaultTreeAdapterTypes.Node;

/** Every element of a page, in document order, with positions (as a browser would read it). */
export const htmlElements = parsedOnce((source): readonly HtmlElement[] => {
  const found: HtmlElement[] = [];
  const visit = (node: HtmlNode) => {
    if ("tagName" in node) found.push(node);
    if ("childNodes" in node) for (const child of node.childNodes) visit(child);
  };
  visit(parse(source.text, { sourceCodeLocationInfo: true }));
  return found;
});

export const htmlAttribute = (element: HtmlElement, name: string): string | undefined =>
  element.attrs.find((each) => each.name === name)?.value;

/** The site of an attribute's value; an unquoted one gets quotes when it is written. */
export function htmlAttributeSite(file: string, text: string, element: HtmlElement, name: string): Site | undefined {
  const value = htmlAttribute(element, name);
  const location = element.sourceCodeLocation?.attrs?.[name];
  if (value === undefined || !location) return undefined;
  const equals = text.indexOf("=", location.startOffset + name.length);
  if (equals === -1 || equals >= location.endOffset) return undefined;
  const start = equals + 1 + (/^\s*/.exec(text.slice(equals + 1))?.[0].length ?? 0);
  const quoted = text[start] === '"' || text[start] === "'";
  if (!quoted) return { file, start, end: location.endOffset, value, form: "html-unquoted" };
  return { file, start: start + 1, end: location.endOffset - 1, value, form: "html-attribute" };
}

/** The site of an element's text; undefined where it holds other elements. */
export function htmlTextSite(file: string, element: HtmlElement): Site | undefined {
  const location = element.sourceCodeLocation;
  if (!location?.startTag || !location.endTag) return undefined;
  if (element.childNodes.some((child) => child.nodeName !== "#text")) return undefined;
  const value = element.childNodes.map((child) => ("value" in child ? child.value : "")).join("");
  return {
    file,
    start: location.startTag.endOffset,
    end: location.endTag.startOffset,
    value,
    form: "html-text",
  };
}
