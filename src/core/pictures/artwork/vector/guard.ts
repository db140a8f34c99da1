import { SaxesParser } from "saxes";
import type { ProblemCode } from "../../../ground/problems/catalogue.ts";
import { refuse } from "../../../ground/problems/result.ts";
import { type Place, placeAt, type Source } from "../../../ground/values/source.ts";
import { costLimits, referencesIn, unknowable, type Weighed, weigh } from "./cost.ts";

/** What reading an SVG gives, before anything is made of it. */
export interface Guarded {
  root: Readonly<Record<string, string>>;
  bitmap: boolean;
  text: boolean;
  /** Nobody can tell what it costs without drawing it. */
  unsure: boolean;
}

const scripted = new Set(["script", "foreignobject", "iframe", "animate", "set", "handler"]);

/** What an attribute may not say. The first that matches is told. */
const forbidden: readonly {
  says(key: string, value: string): string;
  is(key: string, value: string): boolean;
}[] = [
  { is: (key) => /^on/i.test(key), says: (key) => `holds a script in ${key}` },
  {
    is: (key, value) => /(^|:)href$/i.test(key) && !/^\s*(#|data:image\/(png|jpeg|webp|gif);base64,)/i.test(value),
    says: (_, value) => `refers to "${value.slice(0, 80)}"`,
  },
  {
    is: (_, value) => /url\(\s*['"]?(?!#|['"]?#|data:image\/(png|jpeg))/i.test(value),
    says: (_, value) => `refers to "${value.slice(0, 80)}"`,
  },
  { is: (_, value) => isVastPng(value), says: () => "embeds a PNG of more than 64 million pixels" },
];

/** A PNG says its size in its first bytes; one that unpacks to more than any picture taken is a trap. */
function isVastPng(value: string): boolean {
  const data = /^\s*data:image\/png;base64,([A-Za-z0-9+/]{32})/i.exec(value)?.[1];
  if (!data) return false;
  const head = Buffer.from(data, "base64");
  return head.readUInt32BE(16) * head.readUInt32BE(20) > 64_000_000;
}

/**
 * Reads an SVG and refuses what is broken, reaches outside itself, or would cost too much to draw. Nothing is drawn
 * here. Errors: art-unreadable, art-unsafe, art-too-large.
 */
export function guardVector(source: Source): Guarded {
  const { text, file } = source;
  if (text.length > costLimits.bytes) {
    refuse("art-too-large", `${file} has ${text.length} characters; the limit is ${costLimits.bytes}.`);
  }
  const parser = new SaxesParser({ xmlns: false, position: true });
  const stop = (code: ProblemCode, what: string, place?: Place): never =>
    refuse(code, `${file} ${what}.`, { place: place ?? placeAt(source, parser.position) });
  const open: Weighed[] = [];
  const styled: string[] = [];
  const seen = {
    elements: 0,
    bitmap: false,
    lettered: false,
    ownFont: false,
    unsure: false,
    points: 0,
  };
  let root: Record<string, string> | undefined;
  let top: Weighed | undefined;

  parser.on("error", (error) =>
    stop("art-unreadable", `is not valid XML: ${error.message.replace(/^.*?\d+:\d+: /, "").replace(/\.$/, "")}`),
  );
  parser.on("doctype", (doctype) => {
    if (/<!ENTITY|\[/i.test(doctype)) stop("art-unsafe", "declares entities of its own");
  });
  parser.on("opentag", ({ name, attributes }) => {
    const local = name.replace(/^.*:/, "");
    if (open.length >= costLimits.depth) stop("art-too-large", `nests deeper than ${costLimits.depth} elements`);
    if (++seen.elements > costLimits.elements) stop("art-too-large", `has more than ${costLimits.elements} elements`);
    if (scripted.has(local.toLowerCase())) stop("art-unsafe", `holds a <${name}>`);
    for (const [key, value] of Object.entries(attributes)) {
      const rule = forbidden.find(({ is }) => is(key, value));
      if (rule) stop("art-unsafe", rule.says(key, value));
      if (value.length > costLimits.attribute && key !== "d")
        stop("art-too-large", `has an attribute of ${value.length} characters`);
    }
    if (local === "image" || local === "feImage") seen.bitmap = true;
    if (local === "text") seen.lettered = true;
    if (unknowable.elements.test(local)) seen.unsure = true;
    for (const outline of [attributes.d, attributes.points])
      seen.points += (outline?.match(/\d(?![\d.])/g) ?? []).length / 2;
    const element: Weighed = {
      id: attributes.id,
      name: local,
      refers: referencesIn(attributes),
      children: [],
    };
    open.at(-1)?.children.push(element);
    open.push(element);
    if (root) return;
    if (local !== "svg") stop("art-unreadable", `is a <${name}>, not a picture`);
    [root, top] = [attributes, element];
  });
  parser.on("closetag", () => {
    open.pop();
  });
  const onText = (content: string) => {
    if (/@font-face[^}]*src:[^}]*data:/i.test(content)) seen.ownFont = true;
    if (/@import|url\(\s*['"]?(https?|file|\/)/i.test(content))
      stop("art-unsafe", "refers to another file from its styles");
    if (open.at(-1)?.name === "style") styled.push(...referencesIn({ style: content }));
  };
  parser.on("text", onText);
  parser.on("cdata", onText);
  parser.write(text).close();
  if (!root || !top) refuse("art-unreadable", `${file} holds no picture.`);
  const drawn = refuseCost(file, top, styled, seen.elements);
  return {
    root,
    bitmap: seen.bitmap,
    text: seen.lettered && !seen.ownFont,
    unsure:
      seen.unsure ||
      seen.points > unknowable.points ||
      drawn > unknowable.drawn ||
      text.length > unknowable.length ||
      unknowable.attributes.test(text),
  };
}

/** Gives how many elements are drawn. A reference in a style may hold for every element: it is counted as if it did. */
function refuseCost(file: string, top: Weighed, styled: readonly string[], elements: number): number {
  const { drawn, filters, endless } = weigh(top);
  const style = weigh({ id: undefined, name: "style", refers: [...styled], children: [top] });
  const [allDrawn, allFilters] = [
    drawn + (style.drawn - drawn) * elements,
    filters + (style.filters - filters) * Math.min(elements, 20),
  ];
  if (endless) refuse("art-unsafe", `${file} refers to itself in a circle.`);
  if (allDrawn > costLimits.drawn) {
    refuse(
      "art-too-large",
      `${file} draws ${allDrawn} elements when every reference is followed; the limit is ${costLimits.drawn}.`,
    );
  }
  if (allFilters > costLimits.filters) {
    refuse(
      "art-too-large",
      `${file} takes ${allFilters} filter steps when every reference is followed; the limit is ${costLimits.filters}.`,
    );
  }
  return allDrawn;
}
