import { type DefaultTreeAdapterTypes, parse as parseMarkup } from "parse5";
import { androidValues } from "../../formats/splice/known-ending.ts";
import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { longPattern } from "../../ground/values/long-pattern.ts";
import { ownAmong } from "../template/of-others.ts";
import { pictureSize } from "../template/picture-size.ts";

/** A file of the template that shows people something which is no part of its identity. */
export interface Content {
  file: string;
  kind: "photo" | "list" | "text";
  /** What is in it, in a few words. */
  says: string;
}

/** Files that no app shows: what builds or tests it, what others wrote, what is for its developers. */
const unseen = longPattern("i")`
  (^|\/)(node_modules|third_party|vendor|Pods|build|dist|docs?|tests?|__tests__|__mocks__|spec|e2e|androidTest
  |fixtures|\.[^/]+)\/
  |(^|\/)(README|LICEN[CS]E|CHANGELOG|CONTRIBUTING|NOTICE|CODE_OF_CONDUCT|SECURITY|AUTHORS)[^/]*$
`;

/** Where apps keep texts that are no source code. */
const shownFolder = /(^|\/)(assets?|www|public|web|static|raw|resources?|content|data|pages)\//i;

/** Largest file that is looked into, in bytes. */
const largest = 2 * 1024 * 1024;

/** Smaller pictures are signs, in pixels. */
const leastSide = 160;

/** Fewer words are what a control says. */
const leastWords = { page: 60, plain: 40, resource: 14 } as const;

/**
 * Photos, lists and longer texts of the template that people see: everything in `files` that only a look can tell to be
 * one app's alone. A guess, from what files hold; whether it is every app's is for a person to say.
 */
export function contentOf(folder: Folder, files: readonly string[]): Content[] {
  const found = ownAmong(files)
    .filter((file) => !unseen.test(file))
    .flatMap((file): Content[] => {
      const look = looks.find(({ of }) => of.test(file));
      const said = look?.at(folder, file);
      return look && said !== undefined ? [{ file, kind: look.kind, says: said }] : [];
    });
  // The same picture in several sizes is one.
  const known = new Set<string>();
  return found.filter(({ file }) => {
    const name = sameInSizes(file);
    return !known.has(name) && known.add(name);
  });
}

const sameInSizes = (file: string): string =>
  file.replace(/@[23]x(?=\.)/, "").replace(/(?<=\/drawable[^/]*?)-(?:l|m|tv|x{0,3}h|no|any)dpi(?=[-/])/, "");

/** How files of a form are looked into; gives what they hold, where that is content. */
interface Look {
  of: RegExp;
  kind: Content["kind"];
  at(folder: Folder, file: string): string | undefined;
}

const looks: readonly Look[] = [
  { of: /\.(jpe?g|webp|avif|heic)$/i, kind: "photo", at: photoIn(0) },
  // A PNG of a few colours packs to little: it is a drawing.
  { of: /\.png$/i, kind: "photo", at: photoIn(0.35) },
  { of: /\.json$/i, kind: "list", at: listIn },
  {
    of: /\.html?$/i,
    kind: "text",
    at: (folder, file) => told(wordsIn(visible(textOf(folder, file))), leastWords.page),
  },
  {
    of: /\.(md|markdown|txt)$/i,
    kind: "text",
    at: (folder, file) => (shownFolder.test(file) ? told(wordsIn(textOf(folder, file)), leastWords.plain) : undefined),
  },
  {
    of: androidValues,
    kind: "text",
    at: longestOf(/<string\b[^>]*>([^<]+)</g),
  },
  { of: /\.strings$/, kind: "text", at: longestOf(/=\s*"((?:[^"\\]|\\.)+)"\s*;/g) },
  { of: /\.res[wx]$/, kind: "text", at: longestOf(/<value>([^<]+)</g) },
];

/** @param least bytes a pixel */
function photoIn(least: number): Look["at"] {
  return (folder, file) => {
    const size = pictureSize(folder, file);
    if (!size || Math.min(size.width, size.height) < leastSide) return undefined;
    const isPhoto = folder.bytes(file).length >= least * size.width * size.height;
    return isPhoto ? `${size.width} × ${size.height} pixels` : undefined;
  };
}

/** Keys under which people read something. */
const shownKey = /^(title|name|text|description|label|caption|body|message|question|answer|heading|headline|summary)$/i;

/** Levels of a list's file that are looked into. */
const deepest = 4;

function listIn(folder: Folder, file: string): string | undefined {
  const data = parsed(textOf(folder, file));
  const items = itemsIn(data, deepest);
  if (items.length < 2) return undefined;
  return `${items.length} entries, such as ${quoted(items[0] as string)}`;
}

const isPlainRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** What people read of each item, in the first list that has something of the kind. */
function itemsIn(data: unknown, depth: number): string[] {
  if (depth === 0) return [];
  if (Array.isArray(data)) {
    const shown = data.flatMap((item) => {
      const texts = isPlainRecord(item) ? Object.entries(item).filter(([key]) => shownKey.test(key)) : [];
      const text = texts.map(([, value]) => value).find((value) => typeof value === "string" && /\p{L}/u.test(value));
      const isProse = texts.some(([, value]) => typeof value === "string" && /\p{L}\s+\p{L}/u.test(value));
      return typeof text === "string" && isProse ? [text] : [];
    });
    if (shown.length >= 2) return shown;
  }
  const within = Array.isArray(data) ? data : isPlainRecord(data) ? Object.values(data) : [];
  for (const each of within) {
    const found = itemsIn(each, depth - 1);
    if (found.length >= 2) return found;
  }
  return [];
}

/** The longest text of a file of resources, where it is more than what a control says. */
function longestOf(values: RegExp): Look["at"] {
  return (folder, file) => {
    const all = [...textOf(folder, file).matchAll(values)].map(([, value = ""]) => wordsIn(value));
    const longest = all.reduce((most, each) => (each.length > most.length ? each : most), [] as string[]);
    return told(longest, leastWords.resource);
  };
}

const textOf = (folder: Folder, file: string): string => {
  const bytes = folder.bytes(file);
  return (bytes.length > largest ? undefined : textIfAny(bytes)) ?? "";
};

/** What a page shows, without what only scripts and styles say. */
function visible(text: string): string {
  const said: string[] = [];
  const walk = (node: DefaultTreeAdapterTypes.Node): void => {
    if (/^(script|style|template|noscript|head)$/.test(node.nodeName)) return;
    if (node.nodeName === "#text" && "value" in node) said.push(node.value);
    if ("childNodes" in node) for (const each of node.childNodes) walk(each);
  };
  if (text) walk(parseMarkup(text));
  return said.join(" ");
}

const wordsIn = (text: string): string[] => text.split(/\s+/).filter((word) => /\p{L}{2}/u.test(word));

const told = (words: readonly string[], least: number): string | undefined =>
  words.length >= least ? `${words.length} words, beginning ${quoted(words.join(" "))}` : undefined;

/** So many characters of a text are shown. */
const mostShown = 40;

const quoted = (text: string): string => {
  const line = text.replace(/\s+/g, " ").trim();
  return `“${line.length > mostShown ? `${line.slice(0, mostShown - 1).trimEnd()}…` : line}”`;
};
