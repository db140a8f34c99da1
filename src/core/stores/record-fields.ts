import type { Who } from "../problems/who.ts";

/** What is known of a field of a store's record, whichever store asks for it. */
export interface RecordFieldFact {
  /** What it is, for a producer. */
  says: string;
  /** Written anew in every language that the app has. */
  byLanguage?: true;
  /** Several things: lines of a text where people write it, a list in a brief. */
  list?: true;
  form: "text" | "address" | "email" | "category" | "choice" | "price" | "date" | "list";
  /** Words that it may have, of a choice. */
  of?: readonly string[];
  /** Who supplies it. */
  who: Who;
}

const facts = {
  name: { says: "Name in the store", byLanguage: true, form: "text", who: "client" },
  subtitle: { says: "Subtitle", byLanguage: true, form: "text", who: "client" },
  short: { says: "Short description", byLanguage: true, form: "text", who: "client" },
  description: { says: "Full description", byLanguage: true, form: "text", who: "client" },
  promotional: { says: "Promotional text", byLanguage: true, form: "text", who: "client" },
  keywords: { says: "Keywords, or search terms", byLanguage: true, list: true, form: "list", who: "client" },
  highlights: { says: "List of features", byLanguage: true, list: true, form: "list", who: "client" },
  news: { says: "What is new", byLanguage: true, form: "text", who: "producer" },
  category: { says: "Category", form: "category", who: "client" },
  subcategory: { says: "Second category", form: "category", who: "client" },
  kind: { says: "Kind of content", form: "choice", of: ["app", "game"], who: "producer" },
  audience: { says: "Who it is for", form: "choice", of: ["all", "teenagers", "adults"], who: "client" },
  email: { says: "Contact e-mail", form: "email", who: "client" },
  support: { says: "Address for help", form: "address", who: "client" },
  marketing: { says: "Address of the website", form: "address", who: "client" },
  privacy: { says: "Address of the privacy policy", form: "address", who: "client" },
  copyright: { says: "Copyright line", form: "text", who: "producer" },
  sku: { says: "Stock code", form: "text", who: "producer" },
  contactName: { says: "Who answers the people who review", form: "text", who: "client" },
  contactEmail: { says: "Their e-mail", form: "email", who: "client" },
  contactPhone: { says: "Their telephone", form: "text", who: "client" },
  price: { says: "Price, or free", form: "price", who: "client" },
  countries: { says: "Countries where it is offered", list: true, form: "list", who: "client" },
  released: { says: "Date of release", form: "date", who: "client" },
  reviewNotes: { says: "Notes for the people who review", form: "text", who: "producer" },
  reviewUser: { says: "Sign-in for the people who review", form: "text", who: "producer" },
} satisfies Record<string, RecordFieldFact>;

export type RecordField = keyof typeof facts;

/** Every field that some store's record has. */
export const recordFields: Readonly<Record<RecordField, RecordFieldFact>> = facts;

export const recordFieldNames = Object.keys(facts) as RecordField[];

export const spokenFieldNames = recordFieldNames.filter((field) => recordFields[field].byLanguage);
