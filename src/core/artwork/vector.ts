import { SaxesParser } from "saxes";
import { placeAt, type Source } from "../files/source.ts";
import { refuse } from "../problems/problem.ts";

/** An SVG, checked, in a form that can be laid into another drawing at any size. */
export interface Vector {
  /** Size in user units, from viewBox, or from width and height where there is no viewBox. */
  width: number;
  height: number;
  viewBox: string;
  /** The root's other attributes, as written, for example namespaces and inherited fills. */
  rootAttributes: string;
  /** What stands inside the root element. */
  inner: string;
}

/** Limits on an SVG, checked before any renderer sees it. */
const limits = { bytes: 4 * 1024 * 1024, elements: 20_000, depth: 64 };

const scripted = new Set(["script", "foreignobject", "iframe", "animate", "set", "handler"]);
const replaced = new Set([
  "width",
  "height",
  "x",
  "y",
  "viewBox",
  "preserveAspectRatio",
  "version",
  "baseProfile",
]);

/** Reads an SVG and refuses what is broken, too large, or reaches outside itself. Errors: art-unreadable, art-unsafe, art-too-large. */
export function readVector(source: Source): Vector {
  const { text, file } = source;
  if (text.length > limits.bytes)
    refuse("art-too-large", `${file} has ${text.length} characters; the limit is ${limits.bytes}.`);
  const parser = new SaxesParser({ xmlns: false, position: true });
  const here = () => placeAt(source, parser.position);
  const unsafe = (what: string): never => refuse("art-unsafe", `${file} ${what}.`, { place: here() });
  let depth = 0;
  let elements = 0;
  let root: Record<string, string> | undefined;
  let innerStart = 0;
  let innerEnd = 0;

  parser.on("error", (error) =>
    refuse("art-unreadable", `${file} is not valid XML: ${error.message.replace(/^.*?\d+:\d+: /, "")}`, {
      place: here(),
    }),
  );
  parser.on("doctype", (doctype) => {
    if (/<!ENTITY|\[/i.test(doctype)) unsafe("declares entities of its own");
  });
  parser.on("opentag", ({ name, attributes }) => {
    if (++depth > limits.depth)
      refuse("art-too-large", `${file} nests deeper than ${limits.depth} elements.`);
    if (++elements > limits.elements)
      refuse("art-too-large", `${file} has more than ${limits.elements} elements.`);
    if (scripted.has(name.replace(/^.*:/, "").toLowerCase())) unsafe(`holds a <${name}>`);
    for (const [key, value] of Object.entries(attributes)) {
      if (/^on/i.test(key)) unsafe(`holds a script in ${key}`);
      if (/(^|:)href$/i.test(key) && !/^\s*(#|data:image\/)/.test(value))
        unsafe(`refers to "${value.slice(0, 80)}"`);
      if (/url\(\s*['"]?(?!#|['"]?#|data:image)/i.test(value)) unsafe(`refers to "${value.slice(0, 80)}"`);
    }
    if (depth > 1) return;
    if (name.replace(/^.*:/, "") !== "svg")
      refuse("art-unreadable", `${file} is a <${name}>, not a picture.`, { place: here() });
    root = attributes;
    innerStart = parser.position;
  });
  parser.on("closetag", () => {
    if (--depth === 0) innerEnd = text.lastIndexOf("</", parser.position);
  });
  parser.on("text", (content) => {
    if (/@import|url\(\s*['"]?(https?|file):/i.test(content))
      unsafe("refers to another file from its styles");
  });
  parser.write(text).close();
  if (!root) refuse("art-unreadable", `${file} holds no picture.`);
  return {
    ...sizeOf(root, file),
    rootAttributes: others(root),
    inner: text.slice(innerStart, Math.max(innerStart, innerEnd)),
  };
}

function sizeOf(root: Record<string, string>, file: string): Pick<Vector, "width" | "height" | "viewBox"> {
  const box =
    root.viewBox
      ?.trim()
      .split(/[\s,]+/)
      .map(Number) ?? [];
  const [x = 0, y = 0, boxWidth = 0, boxHeight = 0] = box;
  const hasBox = box.length === 4 && box.every(Number.isFinite) && boxWidth > 0 && boxHeight > 0;
  const width = hasBox ? boxWidth : Number.parseFloat(root.width ?? "");
  const height = hasBox ? boxHeight : Number.parseFloat(root.height ?? "");
  if (!(width > 0 && height > 0))
    refuse("art-unreadable", `${file} has neither a viewBox nor a width and height.`);
  return { width, height, viewBox: `${x} ${y} ${width} ${height}` };
}

const others = (root: Record<string, string>): string =>
  Object.entries(root)
    .filter(([name]) => !replaced.has(name))
    .map(([name, value]) => `${name}="${escapeAttribute(value)}"`)
    .join(" ");

const escapeAttribute = (value: string): string =>
  value.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/"/g, "&quot;");
