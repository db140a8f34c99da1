import * as z from "zod";
import { answerForms, fileForms } from "../../../ground/values/answer-forms.ts";
import { languageTag } from "../../../ground/values/language.ts";
import { platforms } from "../../../ground/values/platform.ts";

const path = z
  .string()
  .min(1)
  .max(300)
  .refine((value) => !value.startsWith("/") && !value.split("/").includes(".."), "a path within the template");

const regexp = z.string().max(300).refine(isRegExp, "a regular expression");

function isRegExp(text: string): boolean {
  try {
    return new RegExp(text, "u") !== undefined;
  } catch {
    return false;
  }
}

const formNames = [...Object.keys(answerForms), ...Object.keys(fileForms)] as [string, ...string[]];

/** What an answer must be. */
const answerKind = {
  kind: z.enum(["text", "address", "email", "color", "choice", "number", "identifier", "file", "picture"]),
  longest: z.int().min(1).max(10_000).describe("Most characters of a text").optional(),
  least: z.number().optional(),
  most: z.number().optional(),
  options: z.array(z.string().min(1)).min(1).max(200).describe("Of a choice").optional(),
  form: z.enum(formNames).describe("A form that is known").optional(),
  pattern: regexp.describe("A form of the template's own").optional(),
  example: z.string().max(200).optional(),
};

/** Where an answer goes: a place in a file, in the file's own form. */
const target = z.strictObject({ file: path, at: z.string().min(1).max(300) });

/** When an answer must be there. */
const when = z.union([
  z.enum(["always", "never"]),
  z.strictObject({ feature: z.string().min(1) }).describe("Where this feature is on"),
  z
    .strictObject({ answer: z.string().min(1), is: z.string().optional() })
    .describe("Where another answer is given, or is this"),
]);

const sentence = z.string().trim().min(1).max(300);

const asksForm = z.union([sentence, z.record(languageTag, sentence)]);

/** A question in a language; in English, or in the first language that it is asked in, where it is not in that one. */
export function asksIn(asks: z.infer<typeof asksForm>, language = "en"): string {
  if (typeof asks === "string") return asks;
  const [first = ""] = Object.values(asks);
  return asks[language] ?? asks[language.split("-")[0] ?? ""] ?? asks.en ?? first;
}

export const questionSchema = z.strictObject({
  asks: asksForm.describe("What is asked, for a producer and the client; one text, or one by language"),
  ...answerKind,
  required: when.default("always"),
  platforms: z.array(z.enum(platforms)).min(1).optional(),
  fill: z.array(target).default([]),
  to: path.describe("Where a file goes").optional(),
});

export const collectionSchema = z.strictObject({
  asks: asksForm.optional(),
  "at-least": z.int().min(0).max(1000).default(1),
  "at-most": z.int().min(1).max(1000).default(200),
  fields: z.record(
    z.string().regex(/^[a-z][\w]*$/i),
    z.strictObject({ ...answerKind, optional: z.boolean().default(false) }),
  ),
  to: path.describe("Folder for its files"),
  index: path.describe("The list of its items, JSON"),
});

export type Question = z.infer<typeof questionSchema>;
export type Collection = z.infer<typeof collectionSchema>;
export type AnswerKind = Pick<Question, keyof typeof answerKind>;
