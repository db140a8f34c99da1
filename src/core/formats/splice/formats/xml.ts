import { SaxesParser } from "saxes";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import { refuse } from "../../../ground/problems/result.ts";
import { placeAt, type Source } from "../../../ground/values/source.ts";
import type { Form } from "../forms.ts";
import type { Site } from "../site.ts";

export interface XmlAttribute {
  name: string;
  value: string;
  /** Range of the value, without its quotes. */
  start: number;
  end: number;
}

/** An element with the ranges of its parts. */
export interface XmlElement {
  name: string;
  attributes: ReadonlyMap<string, XmlAttribute>;
  children: readonly XmlElement[];
  /** All text directly inside, decoded. */
  text: string;
  /** From `<` of the start tag to behind `>` of the end tag. */
  start: number;
  end: number;
  /** Between the tags; empty, at the end, for an element that closes itself. */
  innerStart: number;
  innerEnd: number;
  selfClosing: boolean;
}

type Growing = { -readonly [K in keyof XmlElement]: XmlElement[K] } & {
  children: XmlElement[];
  attributes: Map<string, XmlAttribute>;
};

/** Parses an XML file into elements with positions. Stops: template-syntax where it is not well-formed. */
export const parseXml = parsedOnce((source: Source): XmlElement => {
  const { text } = source;
  const parser = new SaxesParser({ xmlns: false, position: true });
  const open: Growing[] = [];
  let root: XmlElement | undefined;
  let attributes = new Map<string, XmlAttribute>();
  let start = 0;
  parser.on("error", (error) =>
    refuse("template-syntax", `${source.file} is not valid XML: ${error.message.replace(/^.*?\d+:\d+: /, "")}`, {
      place: placeAt(source, parser.position - 1),
    }),
  );
  parser.on("doctype", (doctype) => {
    for (const [name, value] of internalEntities(doctype)) parser.ENTITIES[name] = value;
  });
  parser.on("opentagstart", () => {
    attributes = new Map();
    start = text.lastIndexOf("<", parser.position - 1);
  });
  parser.on("attribute", ({ name, value }) => {
    const end = valueEnd(text, parser.position);
    const quote = text[end] ?? '"';
    attributes.set(name, { name, value, start: text.lastIndexOf(quote, end - 1) + 1, end });
  });
  parser.on("opentag", ({ name, isSelfClosing }) => {
    const innerStart = parser.position;
    open.push({
      name,
      attributes,
      children: [],
      text: "",
      start,
      end: innerStart,
      innerStart,
      innerEnd: innerStart,
      selfClosing: isSelfClosing,
    });
  });
  const addText = (content: string) => {
    const current = open.at(-1);
    if (current) current.text += content;
  };
  parser.on("text", addText);
  parser.on("cdata", addText);
  parser.on("closetag", () => {
    const element = open.pop();
    if (!element) return;
    if (!element.selfClosing) {
      element.end = parser.position;
      element.innerEnd = text.lastIndexOf("</", parser.position - 1);
    }
    const parent = open.at(-1);
    if (parent) parent.children.push(element);
    else root = element;
  });
  parser.write(text).close();
  if (!root) refuse("template-syntax", `${source.file} holds no XML.`);
  return root;
});

/**
 * Entities that a file declares for itself (XML 1.0, internal entities); one that holds others, or lies outside, is
 * none of them.
 */
const internalEntities = (doctype: string): [name: string, value: string][] =>
  [...doctype.matchAll(/<!ENTITY\s+([\w.-]+)\s+(?:"([^"<&%]*)"|'([^'<&%]*)')\s*>/g)]
    .slice(0, mostEntities)
    .map(([, name = "", double, single]) => [name, double ?? single ?? ""]);

const mostEntities = 200;

/** The parser reports an attribute when it has read its closing quote, or one character on. */
function valueEnd(text: string, position: number): number {
  const at = position - 1;
  return text[at] === '"' || text[at] === "'" ? at : Math.max(text.lastIndexOf('"', at), text.lastIndexOf("'", at));
}

/** Every element below and including this one, in document order. */
export function* walk(element: XmlElement): Generator<XmlElement> {
  yield element;
  for (const child of element.children) yield* walk(child);
}

/** The first element of a name, wherever it stands; namespace prefixes may be left out of the name. */
export function find(root: XmlElement, name: string): XmlElement | undefined {
  for (const element of walk(root)) if (isNamed(element, name)) return element;
  return undefined;
}

export function findAll(root: XmlElement, name: string): XmlElement[] {
  return [...walk(root)].filter((element) => isNamed(element, name));
}

const isNamed = (element: XmlElement, name: string): boolean =>
  element.name === name || element.name.replace(/^.*:/, "") === name;

export const attributeOf = (element: XmlElement | undefined, name: string): string | undefined =>
  element?.attributes.get(name)?.value;

/** The site of an attribute's value. */
export function attributeSite(file: string, element: XmlElement | undefined, name: string): Site | undefined {
  const attribute = element?.attributes.get(name);
  return (
    attribute && {
      file,
      start: attribute.start,
      end: attribute.end,
      value: attribute.value,
      form: "xml-attribute",
    }
  );
}

/** The site of an element's text; undefined where it holds elements, or closes itself. */
export function textSite(file: string, element: XmlElement | undefined, form: Form = "xml-text"): Site | undefined {
  if (!element || element.selfClosing || element.children.length > 0) return undefined;
  return { file, start: element.innerStart, end: element.innerEnd, value: element.text, form };
}
