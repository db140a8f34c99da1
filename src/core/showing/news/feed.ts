import { Feed } from "feed";
import { renderToStaticMarkup } from "preact-render-to-string";
import { pageLanguageOf } from "../../ground/values/page-language.ts";
import type { LanguageWords } from "../../pages/words/own.ts";
import { type NewsItem, newsId, newsSaid } from "./news.ts";

/** Text within a feed is markup: what stands in it stays text. */
const asMarkup = (text: string): string => renderToStaticMarkup(text as never);

/** So many pieces of news are in a feed: the latest. */
const most = 200;

/** News as a feed (RFC 4287), the latest first. */
export function newsFeed(agency: string, items: readonly NewsItem[], { say, language: tag }: LanguageWords): string {
  const language = pageLanguageOf(tag);
  const latest = [...items].reverse().slice(0, most);
  const feed = new Feed({
    id: `urn:oxalis:${encodeURIComponent(agency)}`,
    title: `${say("newsTitle")} · ${agency}`,
    language,
    copyright: "",
    generator: "Oxalis",
    updated: new Date(latest[0]?.at ?? 0),
  });
  for (const item of latest)
    feed.addItem({
      title: asMarkup(`${item.name}: ${newsSaid(item, language)}`),
      id: `urn:oxalis:${encodeURIComponent(newsId(item))}`,
      link: `urn:oxalis:${encodeURIComponent(item.client)}`,
      date: new Date(item.at),
      description: asMarkup([item.rule, item.where, item.says].filter(Boolean).join(" · ")),
    });
  return feed.atom1();
}
