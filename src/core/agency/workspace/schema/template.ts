import * as z from "zod";
import { reasonToGive } from "../../../ground/problems/problem.ts";
import { colorRoles } from "../../../ground/values/fields.ts";
import { type Platform, platforms } from "../../../ground/values/platform.ts";
import { ownKinds } from "../../../pictures/slots/drawable-kinds.ts";
import { answerName, featureName } from "./brief.ts";
import { buildSchema } from "./builds.ts";
import { declaresSchema } from "./declares.ts";
import { collectionSchema, questionSchema } from "./questions.ts";

const glob = z.string().min(1).max(200);

/** A placeholder that was left where it stood says nothing. */
const reason = z
  .string()
  .trim()
  .max(500)
  .regex(/\p{L}{2}/u, "a reason in words")
  .refine((said) => said.toLowerCase() !== reasonToGive, "a reason of yours: why it may stay");

const names = z.array(z.string().min(1).max(200)).max(60).optional();

/** What the platforms' own definitions let template.yaml say. */
export interface OfPlatforms {
  /** Lists of names that may be given for a feature, by platform. */
  declares: Readonly<Record<Platform, readonly string[]>>;
  /** Kinds of what a template may lack. */
  missing: readonly string[];
}

const listsOf = (keys: readonly string[]) =>
  z.strictObject(Object.fromEntries(keys.map((key) => [key, names]))).optional();

/**
 * A feature that a client may have or not, and what there is of it in the build files beyond what is known of its
 * name.
 */
const feature = (declares: OfPlatforms["declares"]) =>
  z.strictObject({
    says: z.string().trim().min(1).max(200).describe("What it is, for a producer").optional(),
    starts: z.enum(["on", "off"]).default("on").describe("Where nobody says"),
    ...(Object.fromEntries(
      platforms.filter((each) => declares[each].length > 0).map((each) => [each, listsOf(declares[each])]),
    ) as Record<Platform, ReturnType<typeof listsOf>>),
  });

/** template.yaml: what a survey of the template cannot know. */
export const templateSchemaOf = ({ declares, missing }: OfPlatforms) =>
  z.strictObject({
    names: z
      .array(z.string().trim().min(2))
      .default([])
      .describe("Further names of the template, to be found by the audit"),
    fill: z
      .array(
        z.union([
          z.strictObject({
            file: z.string().min(1).max(300),
            at: z.string().min(1).max(300).describe("Where in the file, in the file's own form"),
            with: z.string().max(2000).describe("A pattern for the value"),
          }),
          z.strictObject({
            file: z.string().min(1).max(300),
            text: z.string().min(2).max(2000).describe("The text as it stands in the file"),
            times: z.int().min(1).max(1000).default(1).describe("How often it stands there"),
            with: z.string().max(2000).describe("A pattern for what goes there; fields are escaped as the file wants"),
          }),
          z.strictObject({
            files: glob.describe("Files of texts, such as one a language"),
            text: z.string().min(2).max(200).describe("A name or an address, wherever people read it in them"),
            with: z.string().max(2000).describe("A pattern for what goes there; fields are escaped as the file wants"),
          }),
        ]),
      )
      .default([]),
    pictures: z
      .array(z.strictObject({ file: z.string().min(1).max(300), draw: z.enum(ownKinds) }))
      .default([])
      .describe("Pictures of the template that its build files do not name, and what each is"),
    colors: z
      .record(
        z.string().regex(/^-{0,2}[A-Za-z][\w .-]{0,59}$/, "a colour's name, as the template has it"),
        z.enum(colorRoles),
      )
      .default({})
      .describe("The template's own colours, and what each of them is"),
    leave: z.array(glob).default([]).describe("Files of the template that no variant gets"),
    features: z.record(featureName, feature(declares)).default({}),
    declares: declaresSchema.default({}),
    questions: z.record(answerName, questionSchema).default({}),
    collections: z.record(answerName, collectionSchema).default({}),
    runtime: z
      .array(
        z.strictObject({
          file: z
            .string()
            .regex(
              /^(?!\/)(?!.*\.\.)[^\\]+\.(json|properties|env|xcconfig|yaml)$/,
              "a path that ends in .json, .properties, .env, .xcconfig or .yaml",
            ),
          values: z.record(z.string().regex(/^[A-Za-z_][\w.]*$/), z.string().max(2000)),
        }),
      )
      .default([])
      .describe("Files that the running app reads, each key with a pattern"),
    builds: z
      .partialRecord(z.enum(platforms), buildSchema)
      .default({})
      .describe("How each platform's package is built: the agency's own commands"),
    missing: z
      .partialRecord(z.enum(missing), z.enum(["add", "leave"]))
      .default({})
      .describe("What the template lacks: added where nothing is said, or left out"),
    shared: z
      .array(z.strictObject({ file: glob, reason }))
      .default([])
      .describe("Content of the template that all apps are to have in common, and why"),
    allow: z
      .array(z.strictObject({ file: glob, text: z.string().min(1).optional(), reason }))
      .default([])
      .describe("What the audit may pass over, and why"),
  });

export type TemplateSchema = ReturnType<typeof templateSchemaOf>;

export type TemplateNotes = z.infer<TemplateSchema>;
