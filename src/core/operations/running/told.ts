import { keepSummed, readSummed } from "../../ground/files/writing/summed.ts";
import { type NewsItem, newsId } from "../../showing/news/news.ts";

/** Ways by which news are told once each. */
type Way = "mail" | "hook";

const fileOf = (way: Way): string => `.oxalis/told-${way}.json`;

/** What of these nobody was told by this way; all of it where that is not kept any more. */
export function untold(root: string, way: Way, items: readonly NewsItem[]): NewsItem[] {
  const kept = readSummed(root, fileOf(way)) as { form: number; ids: string[] } | undefined;
  const known = new Set(kept?.form === 1 ? kept.ids : []);
  return items.filter((each) => !known.has(newsId(each)));
}

/** Keeps that these were told. */
export function keepTold(root: string, way: Way, items: readonly NewsItem[]): void {
  const kept = readSummed(root, fileOf(way)) as { form: number; ids: string[] } | undefined;
  const ids = new Set([...(kept?.form === 1 ? kept.ids : []), ...items.map(newsId)]);
  keepSummed(root, fileOf(way), { form: 1, ids: [...ids] });
}
