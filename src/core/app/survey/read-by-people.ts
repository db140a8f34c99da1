import { isXml, pathByFormat } from "../../formats/splice/known-ending.ts";
import type { Source } from "../../ground/values/source.ts";
import { occurrenceIn, type Term } from "../template/occurrence.ts";

/** A part of a text, by offsets into it. */
interface Part {
  start: number;
  end: number;
}

/** Elements whose text is asked for, or read by those who translate. */
const unread = /<(?:name|comment|extracomment|translatorcomment|context|location|id|key)\b[^<>]*$/;

/** An attribute that holds a text which a program shows, up to somewhere in its value. */
const readAttribute = /\s(?:value|text|title|label|message|string|caption|tooltip|description)\s*=\s*(["'])[^"'<>]*$/i;

/** Lines that are a comment's, or what a text is asked for by (gettext, "The Format of PO Files"). */
const unreadLine = /^\s*(?:#|\/\/|\/\*|msgctxt\b)/;

/** What people read of an entry in a menu; the rest is for systems (freedesktop.org, Desktop Entry Specification). */
export const readOfEntry = /^_?(?:(?:Generic|X-GNOME-Full)?Name|Comment|Keywords)(?:\[[^\]]*\])?\s*=/;

const quoted = /"(?:[^"\\\n]|\\.)*"/g;

/**
 * Every place of a file of texts where people read a term as a word: between tags, in quotes, or in a line. What a
 * text is asked for by, addresses and names of files are none.
 */
export function placesRead(source: Source, term: Term): Part[] {
  const { text } = source;
  const path = pathByFormat(source);
  const around = isXml(path) ? inMarkup : path.endsWith(".desktop") ? inEntry : inLine;
  const places: Part[] = [];
  for (let at = text.indexOf(term.found); at !== -1; at = text.indexOf(term.found, at + term.found.length)) {
    const part = around(text, at, term.found.length);
    if (!part) continue;
    const value = asRead(text.slice(part.start, part.end));
    const occurrence = occurrenceIn(value, term, at - part.start);
    if ("expression" in occurrence && occurrence.expression === `{${term.field}}`)
      places.push({ start: at, end: at + term.found.length });
  }
  return places;
}

function inMarkup(text: string, at: number): Part | undefined {
  const start = text.lastIndexOf(">", at) + 1;
  const tag = text.lastIndexOf("<", at);
  if (tag >= start) return inAttribute(text, tag, at);
  if (unread.test(text.slice(Math.max(0, start - 200), start - 1))) return undefined;
  const end = text.indexOf("<", at);
  return { start, end: end === -1 ? text.length : end };
}

function inAttribute(text: string, tag: number, at: number): Part | undefined {
  const before = text.slice(tag, at);
  const quote = readAttribute.exec(before)?.[1];
  if (quote === undefined || before.startsWith("<!--")) return undefined;
  const end = text.indexOf(quote, at);
  return end === -1 ? undefined : { start: text.lastIndexOf(quote, at - 1) + 1, end };
}

function inEntry(text: string, at: number): Part | undefined {
  const start = text.lastIndexOf("\n", at) + 1;
  const [key] = readOfEntry.exec(text.slice(start, at)) ?? [];
  const end = text.indexOf("\n", at);
  return key === undefined ? undefined : { start: start + key.length, end: end === -1 ? text.length : end };
}

function inLine(text: string, at: number, length: number): Part | undefined {
  const start = text.lastIndexOf("\n", at) + 1;
  const next = text.indexOf("\n", at);
  const end = next === -1 ? text.length : next;
  const line = text.slice(start, end);
  if (unreadLine.test(line)) return undefined;
  const all = [...line.matchAll(quoted)];
  if (all.length === 0) return { start, end };
  const around = all.find(({ index, 0: whole }) => start + index < at && at + length < start + index + whole.length);
  if (!around || /^\s*[:=]/.test(line.slice(around.index + around[0].length))) return undefined;
  return { start: start + around.index + 1, end: start + around.index + around[0].length - 1 };
}

const marks: Readonly<Record<string, string>> = { quot: '"', apos: "'", lt: "<", gt: ">", nbsp: " ", amp: "&" };

/**
 * A text as it is read, letter under letter: what is escaped is one mark, with blanks in front; where two sentences run
 * into each other, as parts of a text do that code puts together, a blank parts them.
 */
const asRead = (written: string): string =>
  written
    .replace(/(?<=\.)\p{Lu}(?=\p{Ll}*\s)/gu, " ")
    .replace(/\\[nrt]|\\(["'])|&(quot|apos|lt|gt|nbsp|amp);/g, (whole, mark?: string, name?: string) =>
      (mark ?? marks[name ?? ""] ?? " ").padStart(whole.length),
    );
