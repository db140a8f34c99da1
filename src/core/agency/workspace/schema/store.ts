import * as z from "zod";
import { day } from "../../../ground/values/day.ts";
import { languageTag } from "../../../ground/values/language.ts";
import { variableForm } from "../../../ground/values/secret.ts";
import { storeKeys } from "../../../ground/values/store.ts";
import { ageBands } from "../../../stores/ages.ts";
import { accountCodes } from "../../../stores/all.ts";
import { audiences, categoryNames, contentKinds } from "../../../stores/categories.ts";
import { declaresSchema } from "./declares.ts";

/** A text of several lines, as a store shows it. */
const prose = (most: number) => z.string().trim().min(1).max(most);

const words = (most: number) => z.array(prose(most)).min(1).max(300);

/** Texts of the record in one language. */
export const textsSchema = z
  .strictObject({
    subtitle: prose(500),
    short: prose(2000),
    description: prose(20_000),
    promotional: prose(2000),
    keywords: words(200),
    highlights: words(1000),
    news: prose(10_000),
    licence: prose(20_000),
  })
  .partial();

const goodsSchema = z.strictObject({
  id: z.string().regex(/^[a-zA-Z0-9._-]{1,100}$/, "letters, digits, full stops, hyphens and underscores"),
  name: prose(200),
  kind: z.enum(["once", "consumed", "subscription"]),
  price: z.string().min(1).max(40),
  duration: z
    .string()
    .regex(/^P\d+[DWMY]$/, "a duration such as P1M")
    .optional(),
  trial: z
    .string()
    .regex(/^P\d+[DWMY]$/, "a duration such as P7D")
    .optional(),
});

const consentSchema = z.strictObject({
  to: prose(500),
  by: prose(200),
  on: day,
  for: z.string().max(40).describe("The store's question whose answer it covers, such as content-rights").optional(),
});

const accountsSchema = z
  .strictObject({
    whose: z.enum(["agency", "client"]).describe("In whose account the app is"),
    ...Object.fromEntries(accountCodes.map(({ name, form }) => [name, z.string().regex(form.is, form.says)])),
  })
  .partial();

/** What a store's record takes that is not the app's own: texts by language, addresses, prices, people. */
export const storeSchema = z
  .strictObject({
    texts: z.record(languageTag, textsSchema),
    in: z
      .array(z.enum(storeKeys))
      .min(1)
      .describe("Stores that the app goes into; the usual ones of its platforms where it does not say"),
    category: z.enum(categoryNames),
    subcategory: z.enum(categoryNames),
    kind: z.enum(contentKinds),
    audience: z
      .union([z.array(z.enum(ageBands)).min(1), prose(80)])
      .describe(`${audiences.join(", ")}, or ages: ${ageBands.join(", ")}`),
    support: prose(500).describe("Address of a page"),
    marketing: prose(500).describe("Address of a page"),
    privacy: prose(500).describe("Address of a page"),
    deletion: prose(500).describe("Address of a page where people have their account deleted"),
    video: prose(500).describe("Address of a page with one video"),
    phone: prose(60).describe("Telephone that the store shows, with + and the country in front"),
    tags: words(60).describe("Words that the store offers"),
    contact: z.strictObject({ name: prose(200), email: prose(200), phone: prose(60) }).partial(),
    price: prose(40).describe("free, or an amount with its currency, such as 2.99 EUR"),
    countries: z.union([prose(40), words(40)]).describe("all, or codes of countries such as DE"),
    released: z.union([day, z.enum(["at once"])]).describe("A day, or at once when it is accepted"),
    review: z
      .strictObject({
        notes: prose(4000),
        user: prose(200),
        password: z.string().regex(variableForm, "env: and the name of a variable, such as env:REVIEW_LOGIN"),
      })
      .partial(),
    accounts: accountsSchema,
    declares: declaresSchema,
    goods: z.array(goodsSchema).max(200),
    reserved: z
      .array(z.strictObject({ store: z.enum(storeKeys), name: prose(256), until: day }))
      .max(10)
      .describe("Names that stores hold for the client, and the day on which they lapse"),
    consents: z.array(consentSchema).max(100),
  })
  .partial();

export const waiverSchema = z.strictObject({
  rule: z.string().min(1).max(60).describe("Code of what is passed over, as `oxalis check` tells it"),
  store: z.enum(storeKeys).optional(),
  reason: prose(500),
  by: prose(200),
  until: day,
});

export type Waiver = z.infer<typeof waiverSchema>;
