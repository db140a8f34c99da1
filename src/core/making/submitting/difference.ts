import type { WantedPicture, Wants } from "./wants.ts";
import type { StoreApp } from "./wire.ts";

type Fields = Readonly<Record<string, string>>;

/** A field that a store has otherwise than it is to have it; absent is what is not there, or not to be there. */
export interface FieldChange {
  field: string;
  before?: string;
  after?: string;
}

/** What a store has otherwise than it is to have it, part by part. */
export interface Difference {
  /** By language; one that is not named has nothing that differs. */
  texts: Readonly<Record<string, readonly FieldChange[]>>;
  facts: readonly FieldChange[];
  answers: readonly FieldChange[];
  /** Pictures that are to be there and are not, or not in that place. */
  pictures: readonly WantedPicture[];
  /** Pictures that are there and are not to be. */
  picturesGone: readonly { slot: string }[];
  goods: boolean;
}

/** Holds what a store has of an app against what it is to have. */
export function differenceOf(has: StoreApp, wants: Wants): Difference {
  const languages = [...new Set([...Object.keys(wants.texts), ...Object.keys(has.texts)])];
  const texts = languages
    .map((language) => [language, changesOf(has.texts[language], wants.texts[language])] as const)
    .filter(([, changes]) => changes.length > 0);
  const there = new Set(has.pictures.map(placeOf));
  const wanted = new Set(wants.pictures.map(placeOf));
  return {
    texts: Object.fromEntries(texts),
    facts: changesOf(has.facts, wants.facts),
    answers: changesOf(has.answers, wants.answers),
    pictures: wants.pictures.filter((each) => !there.has(placeOf(each))),
    picturesGone: has.pictures.filter((each) => !wanted.has(placeOf(each))),
    goods: JSON.stringify(has.goods) !== JSON.stringify(wants.goods),
  };
}

const placeOf = ({ slot, language = "", position, sum }: Omit<WantedPicture, "file"> | StoreApp["pictures"][number]) =>
  [slot, language, position, sum].join(" ");

function changesOf(before: Fields = {}, after: Fields = {}): FieldChange[] {
  const fields = [...new Set([...Object.keys(after), ...Object.keys(before)])];
  return fields
    .filter((field) => before[field] !== after[field])
    .map((field) => ({
      field,
      ...(before[field] === undefined ? {} : { before: before[field] }),
      ...(after[field] === undefined ? {} : { after: after[field] }),
    }));
}

/** Whether nothing differs. */
export const isAlike = ({ texts, facts, answers, pictures, picturesGone, goods }: Difference): boolean =>
  Object.keys(texts).length + facts.length + answers.length + pictures.length + picturesGone.length === 0 && !goods;
