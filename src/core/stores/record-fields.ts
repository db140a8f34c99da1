import type { Who } from "../ground/problems/who.ts";
import { contentKinds } from "./categories.ts";

/** What is known of a field of a store's record, whichever store asks for it. */
export type RecordFieldFact = {
  /** What it is, for a producer. */
  says: string;
  /** What may stand there, where that does not go without saying. */
  takes?: string;
  example?: string;
  /** Who supplies it. */
  who: Who;
} & (
  | {
      /** Written anew in every language that the app has, below `store: { texts: … }`. */
      byLanguage: true;
      form: "text" | "list";
    }
  | {
      byLanguage?: never;
      /** Where a brief has it; none of what is worked out. */
      at?: readonly string[];
      form: "text" | "address" | "email" | "phone" | "category" | "choice" | "price" | "date" | "list";
      /** Words that it may have, of a choice. */
      of?: readonly string[];
    }
);

const facts = {
  name: { says: "Name in the store", byLanguage: true, form: "text", who: "client" },
  subtitle: { says: "Subtitle", byLanguage: true, form: "text", who: "client" },
  short: { says: "Short description", byLanguage: true, form: "text", who: "client" },
  description: { says: "Full description", byLanguage: true, form: "text", who: "client" },
  promotional: { says: "Promotional text", byLanguage: true, form: "text", who: "client" },
  keywords: { says: "Keywords, or search terms", byLanguage: true, form: "list", who: "client" },
  highlights: { says: "List of features", byLanguage: true, form: "list", who: "client" },
  news: { says: "What is new", byLanguage: true, form: "text", who: "producer" },
  licence: { says: "Licence terms of its own", byLanguage: true, form: "text", who: "client" },
  category: {
    says: "Category",
    at: ["store", "category"],
    form: "category",
    example: "shopping",
    who: "client",
  },
  subcategory: {
    says: "Second category",
    at: ["store", "subcategory"],
    form: "category",
    example: "food",
    who: "client",
  },
  kind: {
    says: "Kind of content",
    takes: "app or game",
    at: ["store", "kind"],
    form: "choice",
    of: contentKinds,
    example: "app",
    who: "producer",
  },
  audience: {
    says: "Who it is for",
    takes: "teenagers, adults, all (children too), or ages: 0-5, 6-8, 9-12, 13-15, 16-17, 18+",
    at: ["store", "audience"],
    form: "list",
    example: "13-15, 16-17, 18+",
    who: "client",
  },
  email: { says: "Contact e-mail", at: ["email"], form: "email", example: "shop@hillfarm.example", who: "client" },
  support: {
    says: "Address for help",
    takes: "a page where people find help",
    at: ["store", "support"],
    form: "address",
    example: "https://hillfarm.example/help",
    who: "client",
  },
  deletion: {
    says: "Address where people have their account deleted",
    takes: "a page, or the part of one, that says how",
    at: ["store", "deletion"],
    form: "address",
    example: "https://hillfarm.example/delete-account",
    who: "client",
  },
  video: {
    says: "Address of a video",
    takes: "a page of YouTube with one video, without advertising",
    at: ["store", "video"],
    form: "address",
    example: "https://www.youtube.com/watch?v=AbCdEfGhIjK",
    who: "client",
  },
  phone: {
    says: "Telephone that the store shows",
    takes: "with + and the country in front",
    at: ["store", "phone"],
    form: "phone",
    example: "+44 20 7946 0000",
    who: "client",
  },
  tags: {
    says: "Tags",
    takes: "words that the store offers, with commas between them",
    at: ["store", "tags"],
    form: "list",
    who: "producer",
  },
  marketing: {
    says: "Address of the website",
    at: ["store", "marketing"],
    form: "address",
    example: "https://hillfarm.example",
    who: "client",
  },
  privacy: {
    says: "Address of the privacy policy",
    at: ["store", "privacy"],
    form: "address",
    example: "https://hillfarm.example/privacy",
    who: "client",
  },
  copyright: { says: "Copyright line", form: "text", who: "producer" },
  sku: { says: "Stock code", form: "text", who: "producer" },
  contactName: {
    says: "Who answers the people who review",
    at: ["store", "contact", "name"],
    form: "text",
    example: "Ann Hill",
    who: "client",
  },
  contactEmail: {
    says: "Their e-mail",
    at: ["store", "contact", "email"],
    form: "email",
    example: "ann@hillfarm.example",
    who: "client",
  },
  contactPhone: {
    says: "Their telephone",
    takes: "with + and the country in front",
    at: ["store", "contact", "phone"],
    form: "phone",
    example: "+44 20 7946 0000",
    who: "client",
  },
  price: {
    says: "Price",
    takes: "free, or an amount with its currency",
    at: ["store", "price"],
    form: "price",
    example: "free",
    who: "client",
  },
  countries: {
    says: "Countries where it is offered",
    takes: "all, or codes of countries with commas between them",
    at: ["store", "countries"],
    form: "list",
    example: "DE, AT, CH",
    who: "client",
  },
  released: {
    says: "Date of release",
    takes: "a day, or at once",
    at: ["store", "released"],
    form: "date",
    example: "2026-12-01",
    who: "client",
  },
  reviewNotes: {
    says: "Notes for the people who review",
    at: ["store", "review", "notes"],
    form: "text",
    who: "producer",
  },
  reviewUser: {
    says: "Sign-in for the people who review",
    at: ["store", "review", "user"],
    form: "text",
    who: "producer",
  },
} as const satisfies Record<string, RecordFieldFact>;

export type RecordField = keyof typeof facts;

/** Every field that some store's record has. */
export const recordFields: Readonly<Record<RecordField, RecordFieldFact>> = facts;

export const recordFieldNames = Object.keys(facts) as RecordField[];

/** Texts that are written anew in every language. */
export const spokenFieldNames = recordFieldNames.filter((field) => recordFields[field].byLanguage);

/** Where a brief has a field, in a language where it is a text; undefined for what is worked out. */
export function placeInBrief(field: RecordField, language: string): readonly string[] | undefined {
  const fact = recordFields[field];
  return fact.byLanguage ? ["store", "texts", language, field] : fact.at;
}
