import * as z from "zod";
import { patternFields } from "../../values/fields.ts";
import { layouts } from "../../values/layout.ts";
import { platforms } from "../../values/platform.ts";
import { briefSchema, color } from "./brief.ts";

/** What several clients may have in common: all that a brief may say, but for what is each client's own. */
const sharedSchema = briefSchema.omit({ art: true, identifiers: true, groups: true, content: true });

/** oxalis.yaml: the agency, its rules, and what holds for every client unless its brief says otherwise. */
export const agencySchema = z.strictObject({
  agency: z.strictObject({
    name: z.string().trim().min(1).max(120),
    email: z.email("an e-mail address").optional(),
    color: color.optional(),
  }),
  template: z.string().min(1).default("template").describe("Folder of the shared app"),
  platforms: z
    .array(z.enum(platforms))
    .min(1)
    .default([...platforms]),
  layout: z
    .enum(layouts)
    .default("tree")
    .describe("A variant is a whole project, or only what differs from the template"),
  year: z.int().min(2000).max(2999).optional().describe("The year of the copyright line"),
  patterns: z.partialRecord(z.enum(patternFields), z.string()).default({}),
  defaults: sharedSchema.default({}),
  groups: z
    .record(z.string().min(1).max(60), sharedSchema)
    .default({})
    .describe("What holds for the clients of a group"),
});

export type Agency = z.infer<typeof agencySchema>;
