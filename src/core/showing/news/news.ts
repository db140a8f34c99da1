import type { KeptHappening } from "../../agency/history/happenings.ts";
import type { PageLanguage } from "../../ground/values/page-language.ts";
import { stores } from "../../stores/all.ts";
import { happeningSaid } from "../../stores/happening.ts";

/** Something that has happened to a client's app, with whose it is. */
export interface NewsItem extends KeptHappening {
  client: string;
  /** What the app is called. */
  name: string;
}

/** What a piece of news is known by, wherever it is told. */
export const newsId = ({ client, store, id }: Pick<NewsItem, "client" | "store" | "id">): string =>
  `${client} ${store} ${id}`;

/** A piece of news as a sentence. */
export const newsSaid = (item: NewsItem, language: PageLanguage): string =>
  `${stores[item.store].title}: ${happeningSaid(item, language)}`;
