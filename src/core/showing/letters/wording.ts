import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import type { Word } from "../../pages/words/en/letter.ts";
import { isWord, type Say } from "../../pages/words/letter.ts";
import { type RecordField, recordFields } from "../../stores/record-fields.ts";

/** In which part of a letter a field of a record stands; among the texts where it is not named. */
const groupOf: Readonly<Partial<Record<RecordField, Word>>> = {
  support: "addresses",
  marketing: "addresses",
  privacy: "addresses",
  deletion: "addresses",
  video: "addresses",
  email: "people",
  contactName: "people",
  contactEmail: "people",
  contactPhone: "people",
  phone: "people",
  category: "offer",
  subcategory: "offer",
  audience: "offer",
  price: "offer",
  countries: "offer",
  released: "offer",
};

/** A field of a record as a letter names it, and in which part. */
export const fieldSaid = (field: RecordField, say: Say): { group: Word; label: string } => ({
  group: groupOf[field] ?? "texts",
  label: field === "name" ? say("appName") : isWord(field) ? say(field) : recordFields[field].says,
});

/** The parts of a letter, in their order. */
export const groupOrder: readonly Word[] = ["offer", "pictures", "texts", "addresses", "people", "accounts", "answers"];

/** What a client can give or mend outside of the stores' records, by where a brief has it. */
export interface Matter {
  at: RegExp;
  word: Word;
  group: Word;
  /** Not what the brief has there: the answer is one that somebody has to work into it. */
  isAside?: true;
}

export const matters: readonly Matter[] = [
  { at: /^app\.name$|^app\.locales\.[\w-]+\.name$/, word: "appName", group: "offer" },
  { at: /^app\.label$/, word: "appLabel", group: "offer" },
  { at: /^identifiers\.base$/, word: "latinName", group: "offer", isAside: true },
  { at: /^owner$/, word: "owner", group: "people" },
  { at: /^email$/, word: "email", group: "people" },
  { at: /^domain$/, word: "domain", group: "addresses" },
  { at: /^colors\.brand$/, word: "brandColor", group: "offer" },
  { at: /^art$/, word: "artwork", group: "pictures", isAside: true },
  { at: /^art\.icon$/, word: "icon", group: "pictures", isAside: true },
  { at: /^art\.mark$/, word: "mark", group: "pictures", isAside: true },
  { at: /^art\./, word: "picture", group: "pictures", isAside: true },
  { at: /^features\.[\w-]+\.usage$/, word: "usage", group: "texts" },
];

/** Why a value does not do: of an address, what it has to be. */
export function reasonFor(field: RecordField, code: ProblemCode): Word | undefined {
  const { form } = recordFields[field];
  if (code !== "record-invalid") return reasons[code];
  return form === "address" ? "notPage" : form === "email" ? "notMail" : reasons[code];
}

/** Why what a client has given does not do, by the code of what was found. */
export const reasons: Readonly<Partial<Record<ProblemCode, Word>>> = {
  "record-long": "isLong",
  "record-short": "isShort",
  "record-invalid": "isInvalid",
  "value-invalid": "isInvalid",
  "name-invalid": "isInvalid",
  "answer-invalid": "isInvalid",
  "name-shared": "isTaken",
  "text-alike": "isAlike",
  "placeholder-left": "hasPlaceholder",
  "platform-named": "namesPlatform",
  "price-in-text": "namesPrice",
  "title-loud": "isLoud",
  "category-none": "isNone",
  "countries-unknown": "isNone",
  "release-past": "isPast",
  "art-unreadable": "cannotOpen",
  "font-unreadable": "isNoFont",
  "art-too-large": "isLarge",
  "art-empty": "isEmpty",
  "art-unsafe": "isUnsafe",
  "art-small": "isSmall",
  "file-missing": "isGone",
  "art-not-square": "isNotSquare",
  "art-rounded": "isRounded",
  "art-transparent": "isTransparent",
  "art-cut": "isCut",
  "art-contrast": "isFaint",
  "art-unseen": "isUnseen",
  "art-dark": "isLostInDark",
  "art-thin": "isLettering",
  "art-photo": "isPhoto",
  "art-blank": "isBlank",
  "art-bitmap": "hasBitmap",
  "art-text": "hasLiveText",
  "art-alike": "isLike",
  "art-boxed": "isBoxed",
  "name-unlettered": "isUnlettered",
};
