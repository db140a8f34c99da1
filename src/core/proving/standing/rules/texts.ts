import { partsOf } from "../../../clients/record/record.ts";
import { textsOf } from "../../../clients/record/texts.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { allStores } from "../../../stores/all.ts";
import { isOfGames } from "../../../stores/categories.ts";
import type { StoreDefinition } from "../../../stores/definition.ts";
import { type RecordField, recordFields } from "../../../stores/record-fields.ts";
import { type Examined, type Remark, type Rule, rowName } from "./rule.ts";

const asOf = "2026-11-01";

const price = longPattern("i")`
  (?:[€$£¥]\s?\d)|
  (?:\d\s?(?:[€$£¥]|EUR\b|USD\b|GBP\b|CHF\b))|
  \b(?:free of charge|for free|gratis|kostenlos|gratuit)\b
`;

const placeholder = longPattern("i")`
  lorem ipsum|
  \b(?:tbd|fixme|xxx+)\b|
  \{[^{}\n]*\}|
  \[[^[\]\n]*(?:here|name|text|insert)[^[\]\n]*\]|
  <[a-z/][^<>\n]*>
`;

/** In capitals, and by itself: "todo" is a word of Spanish and of Portuguese, also in a heading of capitals. */
const noteToOneself = /(?<!\p{Lu}{2}[\s\p{P}]{1,3})\bTODO\b(?![\s\p{P}]{1,3}\p{Lu}{2})/u;

const placeholderIn = (text: string): string | undefined => (placeholder.exec(text) ?? noteToOneself.exec(text))?.[0];

/** The first name of a platform or a store in a text that is not the store's own. */
const othersNamed = (text: string, { ownNames }: StoreDefinition): string | undefined =>
  allNames.flatMap((is) => (ownNames.includes(is) ? [] : (is.exec(text)?.[0] ?? [])))[0];

const allNames = [...new Set(allStores.flatMap(({ ownNames }) => ownNames))];

/** Fields in which a store shows nothing but what it is. */
const short = new Set(["name", "subtitle", "short", "keywords", "promotional"]);

/** A finding for each text that something is found in. */
const within = (
  { record, lines }: Examined,
  is: (field: RecordField) => boolean,
  found: (text: string) => string | undefined,
  say: (named: string, what: string) => string,
): Remark[] =>
  lines
    .filter(({ row }) => is(row.field))
    .flatMap((line) =>
      textsOf(line.value, record).flatMap(({ language, text }) => {
        const what = found(text.value);
        if (what === undefined) return [];
        return [{ row: line.row, language, message: say(rowName(line.row, language, record), what) }];
      }),
    );

const isTitleOf =
  ({ lines }: Examined) =>
  (field: RecordField): boolean =>
    lines.some(({ row }) => row.field === field && row.isTitle === true);

const emojiIn = (text: string): string | undefined =>
  /\p{Emoji_Presentation}|\p{Extended_Pictographic}\uFE0F/u.exec(text)?.[0];

/** Words in capitals one after the other, a rank or an award, a call to install (Play Console help, "Metadata"). */
const loudIn = (text: string): string | undefined =>
  /(?<!\p{L})\p{Lu}{4,}(?:[^\p{L}\d]+\p{Lu}{4,})+(?!\p{L})/u.exec(text)?.[0] ??
  /(?:#|\bno\. ?)1\b|\b(?:best of play|app of the year|top rated|download now|install now|million downloads)\b/iu.exec(
    text,
  )?.[0] ??
  /!{2,}|\?{2,}/.exec(text)?.[0];

const isSpoken = (field: RecordField): boolean => recordFields[field].byLanguage === true;

const plainWords = (text: string): string[] =>
  text
    .toLocaleLowerCase()
    .normalize("NFKD")
    .match(/[\p{L}\p{N}]+/gu) ?? [];

/** Rules about what is said. */
export const textRules: readonly Rule[] = [
  {
    code: "placeholder-left",
    level: "error",
    says: "nothing of a pattern or a placeholder is left in a text",
    source: 'App Review Guidelines, 2.3; Play Console help, "Metadata"',
    asOf,
    look: (looked) => within(looked, isSpoken, placeholderIn, (named, what) => `${named} still holds "${what}".`),
  },
  {
    code: "platform-named",
    level: "warning",
    says: "no text names another platform or its store",
    source: 'App Review Guidelines, 2.3.10; Play Console help, "Metadata"',
    asOf,
    look: (looked) =>
      within(
        looked,
        isSpoken,
        (text) => othersNamed(text, looked.store),
        (named, what) => `${named} names "${what}", which ${looked.store.title} does not take.`,
      ),
  },
  {
    code: "price-in-text",
    level: "warning",
    says: "no name, subtitle, keyword or short text speaks of a price",
    source: 'App Review Guidelines, 2.3.7; Play Console help, "Metadata"',
    asOf,
    look: (looked) =>
      within(
        looked,
        (field) => short.has(field),
        (text) => price.exec(text)?.[0],
        (named, what) => `${named} speaks of a price: "${what}".`,
      ),
  },
  {
    code: "title-loud",
    level: "error",
    says: "no title has an emoji; none shouts, ranks itself or calls to install",
    source: 'Play Console help, "Metadata"',
    asOf,
    look: (looked) => [
      ...within(looked, isTitleOf(looked), emojiIn, (named, what) => `${named} has an emoji: ${what}.`),
      ...within(looked, isTitleOf(looked), loudIn, (named, what) => `${named} says "${what}".`).map((each) => ({
        ...each,
        // A brand may be written so, or be called that.
        severity: "warning" as const,
      })),
    ],
  },
  {
    code: "keywords-wasted",
    level: "warning",
    says: "no keyword is given twice, stands in the name already, or holds a comma",
    source: 'App Store Connect help, "Platform version information"',
    asOf,
    look: ({ record, lines }) =>
      lines
        .filter(({ row }) => row.field === "keywords")
        .flatMap((line) =>
          textsOf(line.value, record).flatMap(({ language, text }) => {
            const wasted = wastedIn(partsOf(text.value), nameIn(lines, language, record.languages[0]));
            if (wasted.length === 0) return [];
            const message = `${rowName(line.row, language, record)} wastes room: ${wasted.join("; ")}.`;
            return [{ row: line.row, language, message }];
          }),
        ),
  },
  {
    code: "category-none",
    level: "warning",
    says: "the store has the category",
    source: "each store's list of categories",
    asOf,
    look: ({ store, lines }) =>
      lines
        .filter(({ row }) => row.field === "category" || row.field === "subcategory")
        .flatMap(({ row, value }) => {
          const name = value?.first?.value;
          if (name === undefined || categoryIn(store, name)) return [];
          return [{ row, language: undefined, message: `${store.title} has no category for "${name}".` }];
        }),
  },
  {
    code: "record-invalid",
    level: "error",
    says: "a game is in a category of games, an app in one of apps",
    source: 'Play Console help, "Choose a category and tags"; App Store Connect help, "App category"',
    asOf,
    look: ({ record, lines }) => {
      const kind = record.values.kind?.first?.value;
      return lines
        .filter(({ row, value }) => row.field === "category" && value?.first && kind !== undefined)
        .filter(({ value }) => isOfGames(value?.first?.value ?? "") !== (kind === "game"))
        .map(({ row, value }) => {
          const [of, expected] =
            kind === "game" ? ["games", "game-puzzle, or another"] : ["apps", "shopping, or another"];
          const message = `${row.title}: "${value?.first?.value}" is none of ${of}, and the kind is ${kind}.`;
          return { row, language: undefined, message, expected };
        });
    },
  },
];

/** What a store calls a category; undefined where it has none. */
export const categoryIn = ({ categories }: StoreDefinition, name: string): string | undefined =>
  (categories as Readonly<Record<string, string | undefined>>)[name];

function nameIn(lines: Examined["lines"], language: string | undefined, main: string | undefined): string {
  const name = lines.find(({ row }) => row.field === "name")?.value;
  return (language === main ? name?.first?.value : name?.further[language ?? ""]?.value) ?? name?.first?.value ?? "";
}

function wastedIn(keywords: readonly string[], name: string): string[] {
  const inName = new Set(plainWords(name));
  const seen = new Set<string>();
  return keywords.flatMap((keyword) => {
    const plain = plainWords(keyword).join(" ");
    const isRepeated = seen.has(plain);
    seen.add(plain);
    if (keyword.includes(",")) return [`"${keyword}" holds a comma`];
    if (isRepeated) return [`"${keyword}" is there twice`];
    return plain && plainWords(keyword).every((word) => inName.has(word)) ? [`"${keyword}" is in the name`] : [];
  });
}
