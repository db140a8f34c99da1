import type { StoreRecord } from "../../../clients/record/record.ts";
import { sha256 } from "../../../ground/values/hash.ts";

/** Words in a row that are held against those of other texts. */
const row = 5;
/** Of the rows of words, this share in common makes two texts alike. */
export const alikeShare = 0.7;
/** Values of a text's signature, in bands: texts that share a band are held against each other. */
const bands = 12;
const inBand = 3;

interface Text {
  client: string;
  words: readonly string[];
  rows: ReadonlySet<number>;
}

/** Two texts that are nearly the same. */
export interface AlikeTexts {
  client: string;
  other: string;
  /** Share of the rows of words that both have, 0 to 1. */
  share: number;
  /** The longest passage that both have. */
  passage: string;
}

/**
 * Finds texts of different clients that say nearly the same. Each is held against the first of those that share a
 * band of its signature (MinHash), so that the work grows with the number of texts, not with that of the pairs.
 */
export function findAlike(records: readonly StoreRecord[]): AlikeTexts[] {
  const first = new Map<string, Text>();
  const found: AlikeTexts[] = [];
  for (const { client, values } of records) {
    const text = values.description?.first?.value;
    const words = text?.toLocaleLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
    if (words.length < 2 * row) continue;
    const own: Text = { client, words, rows: rowsOf(words) };
    const near = new Set(bandsOf(own.rows).flatMap((band) => first.get(band) ?? []));
    const [best] = [...near]
      .map((other) => ({ other, share: shareOf(own.rows, other.rows) }))
      .sort((a, b) => b.share - a.share);
    if (best && best.share >= alikeShare)
      found.push({ client, other: best.other.client, share: best.share, passage: passageOf(own, best.other) });
    for (const band of bandsOf(own.rows)) if (!first.has(band)) first.set(band, own);
  }
  return found;
}

/** Each row of words as a number. */
function rowsOf(words: readonly string[]): ReadonlySet<number> {
  const rows = new Set<number>();
  for (let at = 0; at + row <= words.length; at++) rows.add(hashOf(words.slice(at, at + row).join(" ")));
  return rows;
}

/** FNV-1a, 32 bits. */
function hashOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}

/** Factors that turn one hash into many, the same at every run. */
const factors = Array.from(
  { length: bands * inBand },
  (_, at) => Number.parseInt(sha256(`factor ${at}`).slice(0, 8), 16) | 1,
);

function bandsOf(rows: ReadonlySet<number>): string[] {
  const least = factors.map((factor) => {
    let smallest = 0xffffffff;
    for (const each of rows) smallest = Math.min(smallest, Math.imul(each, factor) >>> 0);
    return smallest;
  });
  return Array.from({ length: bands }, (_, at) => `${at}:${least.slice(at * inBand, (at + 1) * inBand).join(",")}`);
}

function shareOf(one: ReadonlySet<number>, other: ReadonlySet<number>): number {
  let both = 0;
  for (const each of one) if (other.has(each)) both++;
  return both / (one.size + other.size - both);
}

/** The most words in a row that both texts have. */
function passageOf(one: Text, other: Text): string {
  let [best, end] = [0, 0];
  let before = new Uint16Array(other.words.length + 1);
  for (const [at, word] of one.words.entries()) {
    const now = new Uint16Array(other.words.length + 1);
    for (let place = 0; place < other.words.length; place++) {
      if (other.words[place] !== word) continue;
      const length = (before[place] ?? 0) + 1;
      now[place + 1] = length;
      if (length > best) [best, end] = [length, at + 1];
    }
    before = now;
  }
  const passage = one.words.slice(end - best, end);
  return passage.length > 14 ? `${passage.slice(0, 14).join(" ")} …` : passage.join(" ");
}
