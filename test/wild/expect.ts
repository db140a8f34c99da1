import { readFileSync } from "node:fs";
import { join } from "node:path";
import picomatch from "picomatch";
import { expect } from "vitest";
import { contents } from "../support/oxalis.ts";
import { languages, rivers, type Values } from "./clients.ts";

/** A text of the template, and what stands there in a variant; how often, where it is more than once. */
export type Change = readonly [from: string, to: string, times?: number];

/**
 * What a kind of app has, written by hand from reading it: what people see, what identifies it, every picture; all
 * else stays.
 */
export interface Table {
  /** Changes of each text file; nothing else in it may differ. */
  changed(client: Values): Readonly<Record<string, readonly Change[]>>;
  /** Pictures that are drawn anew, as globs. */
  drawn: readonly string[];
  /** Files of the template that no variant has, as globs. */
  gone?: readonly string[];
  /** Files that variants have and the template has not, as globs. */
  made?: readonly string[];
  /** What a client with further languages has besides. */
  inLanguages?: { changed?: Readonly<Record<string, readonly Change[]>>; made?: readonly string[] };
  /** Pairs of files and texts that code refers to, and that must stand as they are. */
  stays: readonly (readonly [file: string, text: string])[];
  /**
   * What the audit rightly asks about before any template.yaml is written: the template's own texts and pictures that
   * no build file names.
   */
  asks?: readonly string[];
}

/** The store's banner, and those with the name in one of the client's further languages. */
const bannerIn = (language: string): string => `store/google-play/feature-graphic.${language}.png`;
const spokenBanners = ["store/google-play/{feature-graphic,tv-banner}.{de,he}.png"];

/** Any colour, where the table of a kind cannot say which: a form for dark screens. */
export const anyColor = "\u0001";

const isPicture = /\.(png|webp|ico|icns|svg|jpe?g)$/i;

/** Holds a whole variant against the template and the table: nothing missing, nothing else touched. */
export function expectVariant(template: string, variant: string, table: Table, client: Values): void {
  const before = contents(template);
  const after = contents(variant);
  after.delete(".receipt.json");
  const multilingual = client === rivers ? table.inLanguages : undefined;
  const matches = (globs: readonly string[] = []) => {
    const is = picomatch([...globs], { dot: true });
    return (path: string) => globs.length > 0 && is(path);
  };
  const [isDrawn, isGone, isMade] = [
    matches(table.drawn),
    matches(table.gone),
    matches([...(table.made ?? []), ...(multilingual?.made ?? []), ...(client === rivers ? spokenBanners : [])]),
  ];
  if (client === rivers && after.has(bannerIn(client.locale)))
    for (const language of ["de", "he"]) expect(after.has(bannerIn(language))).toBe(true);
  const missing = [...before.keys()].filter((path) => !after.has(path) && !isGone(path));
  const added = [...after.keys()].filter((path) => !before.has(path) && !isMade(path));
  expect({ missing, added }).toEqual({ missing: [], added: [] });
  const changes = merged(table.changed(client), multilingual?.changed ?? {});
  const touched: string[] = [];
  for (const [path, bytes] of after) {
    const was = before.get(path);
    if (!was || isMade(path)) continue;
    const own = changes[path];
    if (own) expectText(path, text(was), text(bytes), own);
    else if (isPicture.test(path) && isDrawn(path)) expect([path, was.equals(bytes)]).toEqual([path, false]);
    else if (!was.equals(bytes)) touched.push(path);
  }
  expect(touched, "files that nothing in the table speaks of").toEqual([]);
  expect(Object.keys(changes).filter((path) => !after.has(path))).toEqual([]);
  for (const [file, kept] of table.stays) expect(text(readFileSync(join(variant, file)))).toContain(kept);
}

const text = (bytes: Buffer): string => bytes.toString(bytes[0] === 0xff && bytes[1] === 0xfe ? "utf16le" : "utf8");

function expectText(path: string, before: string, after: string, changes: readonly Change[]): void {
  let expected = before;
  for (const [from, to, times = 1] of changes) {
    const parts = expected.split(from);
    expect([path, from, parts.length - 1]).toEqual([path, from, times]);
    expected = parts.join(to);
  }
  const loose = expected.includes(anyColor);
  const lines = (whole: string) =>
    whole.split("\n").map((line) => (loose ? line.replace(/#[0-9a-f]{6}\b/g, anyColor) : line));
  expect(lines(after)).toEqual(lines(expected));
}

const merged = (
  a: Readonly<Record<string, readonly Change[]>>,
  b: Readonly<Record<string, readonly Change[]>>,
): Record<string, readonly Change[]> => {
  const all: Record<string, readonly Change[]> = { ...a };
  for (const [file, changes] of Object.entries(b)) all[file] = [...(all[file] ?? []), ...changes];
  return all;
};

/** Where systems look for names in languages, and the name in each. Android has kept its old code for Hebrew. */
const spoken: readonly (readonly [file: RegExp, name: string])[] = [
  [/\/(values-ru\/app_names\.xml|ru\.lproj\/InfoPlist\.strings)$/, rivers.label],
  [/\/(values-iw\/app_names\.xml|he\.lproj\/InfoPlist\.strings)$/, languages.he],
  [/\/(values-de\/app_names\.xml|de\.lproj\/InfoPlist\.strings)$/, languages.de],
];

/** Each file of a language's own holds the name in that language. */
export function expectSpoken(variant: string): void {
  for (const [path, bytes] of contents(variant)) {
    const name = spoken.find(([file]) => file.test(path))?.[1];
    if (name !== undefined) expect(`${path}: ${text(bytes)}`).toContain(name);
  }
}
