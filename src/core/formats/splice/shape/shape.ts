import { parse as parseCss } from "postcss";
import { isMap, isScalar, isSeq, parseAllDocuments, type Node as YamlNode } from "yaml";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import { countUpTo } from "../../../ground/values/ascending.ts";
import { attempted } from "../../../ground/values/attempted.ts";
import type { Source } from "../../../ground/values/source.ts";
import { codeShape } from "../formats/code.ts";
import { htmlElements } from "../formats/html.ts";
import { parseJson } from "../formats/json.ts";
import { lineSites } from "../formats/lines.ts";
import { type OpenStep, parseOpenStep, parseStrings } from "../formats/openstep.ts";
import { tomlShape } from "../formats/toml.ts";
import { parseXml, walk } from "../formats/xml.ts";
import { isAndroidTexts, isXml, pathByFormat, yamlFiles } from "../known-ending.ts";
import { applyEdits, type Edit } from "../site.ts";
import { lexicalSeams, lexicalShape } from "./lexical.ts";
import { elementAround, type PageSeam, seamsOfPage } from "./parts.ts";
import { setupShape } from "./setup-script.ts";
import type { Shape } from "./shaped.ts";

type Reader = (source: Source) => Shape | undefined;

const xml: Reader = (source) => {
  const values: string[] = [];
  const shape = [...walk(parseXml(source))].map((element) => {
    const { name, attributes, children, text } = element;
    for (const { value } of attributes.values()) values.push(value);
    // What a property list is asked for by is no text.
    const isKey = name === "key";
    if (!isKey && text.trim() !== "") values.push(text);
    return `${name} ${[...attributes.keys()].join(" ")} ${children.length} ${isKey ? text : ""}`;
  });
  return { shape: shape.join("\n"), values };
};

/** A text of Android's resources as a device has it: marks undone; an apostrophe by itself is lost there. */
const androidText = (text: string): string =>
  /^\s*"[\s\S]*"\s*$/.test(text)
    ? text
    : text.replace(/\\u([0-9a-fA-F]{4})|\\([\s\S])|'/g, (_, code, letter) =>
        code ? String.fromCharCode(Number.parseInt(code, 16)) : (letter ?? ""),
      );

const androidTexts: Reader = (source) => {
  const read = xml(source);
  return read && { ...read, values: read.values.map(androidText) };
};

const json: Reader = (source) => {
  const values: string[] = [];
  const told = (node: ReturnType<typeof parseJson>): string => {
    const { type, children = [], value } = node;
    if (type === "property") return `${JSON.stringify(children[0]?.value)}:${children[1] ? told(children[1]) : ""}`;
    if (type === "string") {
      values.push(String(value));
      return '""';
    }
    return children.length > 0 ? `${type}(${children.map(told).join()})` : `${type}${value ?? ""}`;
  };
  return { shape: told(parseJson(source)), values };
};

const yaml: Reader = ({ text }) => {
  const values: string[] = [];
  const told = (node: unknown): string => {
    if (isMap(node)) {
      const keyOf = (key: unknown) => JSON.stringify((key as YamlNode | null)?.toJSON());
      return `{${node.items.map(({ key, value }) => `${keyOf(key)}:${told(value)}`)}}`;
    }
    if (isSeq(node)) return `[${node.items.map(told).join()}]`;
    if (!isScalar(node) || typeof node.value !== "string") return JSON.stringify(isScalar(node) ? node.value : null);
    values.push(node.value);
    return '""';
  };
  const documents = parseAllDocuments(text);
  if (documents.some(({ errors }) => errors.length > 0)) return undefined;
  return { shape: documents.map(({ contents }) => told(contents)).join("\n"), values };
};

/** A page: its elements and their attributes; scripts and styles in it by their own languages. */
const html: Reader = (source) => {
  const values: string[] = [];
  const shape = htmlElements(source).map(({ tagName: name, attrs, childNodes, sourceCodeLocation: at }) => {
    // A page whose end tag names another element is read all the same.
    const tagName = at?.endTag ? `${name}/` : name;
    for (const { value } of attrs) values.push(value);
    const text = childNodes.map((child) => ("value" in child ? child.value : "")).join("");
    const type = attrs.find((each) => each.name === "type")?.value ?? "";
    const within =
      text.trim() === "" ? undefined : name === "style" ? ".css" : name !== "script" ? undefined : scriptEnding(type);
    if (within === undefined) {
      if (text.trim() !== "") values.push(text);
      return `${tagName} ${attrs.map((each) => each.name).join(" ")}`;
    }
    const inner = shapeOf({ file: `within${within}`, text });
    values.push(...(inner?.values ?? []));
    return `${tagName} ${inner?.shape ?? text}`;
  });
  return { shape: shape.join("\n"), values };
};

export const scriptEnding = (type: string): string =>
  /json/.test(type) ? ".json" : /typescript/.test(type) ? ".ts" : ".js";

const css: Reader = ({ text }) => {
  const values: string[] = [];
  const shape: string[] = [];
  parseCss(text).walk((node) => {
    if (node.type === "decl") {
      values.push(node.value);
      shape.push(node.prop);
    } else if (node.type === "rule") shape.push(node.selector);
    else if (node.type === "atrule") shape.push(`@${node.name} ${node.params}`);
  });
  return { shape: shape.join("\n"), values };
};

const openStep =
  (parse: (source: Source) => OpenStep): Reader =>
  (source) => {
    const values: string[] = [];
    const told = (node: OpenStep): string => {
      if (node.kind === "list") return `(${node.items.map(told).join()})`;
      if (node.kind === "group") return `{${[...node.entries].map(([key, each]) => `${key}=${told(each)}`).join(";")}}`;
      values.push(node.value);
      return '""';
    };
    return { shape: told(parse(source)), values };
  };

const lines =
  (format: "properties" | "xcconfig" | "env"): Reader =>
  (source) => {
    const all = lineSites(source.file, source, format);
    return { shape: all.map(({ key }) => key).join("\n"), values: all.map(({ site }) => site.value) };
  };

/** A line a key (freedesktop.org, Desktop Entry Specification): nothing is escaped but a backslash. */
const desktopEntry: Reader = ({ text }) => {
  const values: string[] = [];
  const shape = text.split("\n").map((line) => {
    const [, key = "", value = ""] = /^([\w-]+(?:\[[\w@.-]+\])?)\s*=\s*(.*)$/.exec(line) ?? [];
    if (key === "") return line;
    values.push(value);
    return key;
  });
  return { shape: shape.join("\n"), values };
};

/** What no grammar reads: its lines are texts. */
const prose: Reader = ({ text }) => {
  const all = text.split("\n");
  return { shape: String(all.length), values: all };
};

const readers: readonly { file: RegExp; read: Reader }[] = [
  { file: /\.(json|jsonc|webmanifest|webapp|xcstrings|arb)$/, read: json },
  { file: yamlFiles, read: yaml },
  { file: /\.toml$/, read: tomlShape },
  { file: /\.html?$/i, read: html },
  { file: /\.(css|scss|less)$/, read: css },
  { file: /\.([cm]?[jt]s|[jt]sx)$/, read: codeShape },
  { file: /\.strings$/, read: openStep(parseStrings) },
  { file: /\.pbxproj$/, read: openStep(parseOpenStep) },
  { file: /\.properties$/, read: lines("properties") },
  { file: /\.xcconfig$/, read: lines("xcconfig") },
  { file: /(^|\/)\.env(\.[\w-]+)?$/, read: lines("env") },
  { file: /\.(desktop|directory|notifyrc)$|(^|\/)index\.theme$/, read: desktopEntry },
  { file: /(^|\/)(game\.project|Config\/Default\w+\.ini)$/, read: desktopEntry },
  { file: /\.iss$/i, read: setupShape },
  { file: /(?<!(?:^|\/)CMakeLists)\.(txt|md)$/i, read: prose },
];

function readerFor(path: string): Reader | undefined {
  if (isAndroidTexts(path)) return androidTexts;
  return isXml(path) ? xml : readers.find(({ file }) => file.test(path))?.read;
}

/** A text before and after some edits, each by its shape; of what is read line by line, the lines around them. */
export interface Edited {
  before: Shape;
  after: Shape | undefined;
}

/** How a text is read with some edits made; undefined where nobody here reads it as it is. */
export function edited(source: Source, edits: readonly Edit[]): Edited | undefined {
  const { file, text } = source;
  const path = pathByFormat(source);
  const part = partOf(source, path, edits);
  const before = part && readAs(path, part.text);
  if (before) {
    const { lead } = part;
    const within = edits.map((edit) => ({ ...edit, start: edit.start - lead, end: edit.end - lead }));
    return { before, after: readAs(path, applyEdits(part.text, within)) };
  }
  const { shape } = wholeShape(source);
  return shape && { before: shape, after: shapeOf({ file, text: applyEdits(text, edits) }) };
}

const wholeShape = parsedOnce((source) => ({ shape: shapeOf(source) }));

/** A part of a text that is read by itself as within the whole, and how much of the whole is in front of it. */
interface Part {
  text: string;
  lead: number;
}

/** The part around some edits; undefined where there is none. */
function partOf(source: Source, path: string, edits: readonly Edit[]): Part | undefined {
  const { text } = source;
  const [first, last] = [Math.min(...edits.map(({ start }) => start)), Math.max(...edits.map(({ end }) => end))];
  if (isXml(path)) {
    const around = elementAround(source, { start: first, end: last });
    return around && { text: text.slice(around.start, around.end), lead: around.start };
  }
  const { seams } = seamsOf(source);
  if (seams === undefined) return undefined;
  const upTo = (offset: number) => countUpTo(seams, offset, ({ at }) => at);
  // What is at the end may go on there.
  const { at, opened } = seams[upTo(Math.min(first, text.length - 1)) - 1] ?? { at: 0, opened: "" };
  return { text: opened + text.slice(at, seams[upTo(last)]?.at), lead: at - opened.length };
}

/** Where a text can be parted such that each part is read as by itself; undefined where it is read as a whole. */
const seamsOf = parsedOnce((source): { seams: readonly PageSeam[] | undefined } => {
  const { text } = source;
  const path = pathByFormat(source);
  const read = readerFor(path);
  if (read === html) return { seams: attempted(() => seamsOfPage(source)) };
  const lines = () => [0, ...[...text.matchAll(/\n/g)].map(({ index }) => index + 1)];
  const seams = read ? (read === prose ? lines() : undefined) : lexicalSeams(path, text);
  return { seams: seams?.map((at) => ({ at, opened: "" })) };
});

/** A text by its shape, as a file of that path has it. */
function readAs(path: string, text: string): Shape | undefined {
  const read = readerFor(path);
  return read ? attempted(() => read({ file: path, text })) : lexicalShape(path, text);
}

/**
 * A file by its shape; undefined where nobody here reads its kind, or it cannot be read as it.
 * @public what parts of a file are held against
 */
export const shapeOf = (source: Source): Shape | undefined => readAs(pathByFormat(source), source.text);
