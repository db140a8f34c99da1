import * as z from "zod";
import { day } from "../../../ground/values/day.ts";
import { languageTag } from "../../../ground/values/language.ts";
import { platforms } from "../../../ground/values/platform.ts";
import { trackKinds } from "../../../stores/conduct.ts";
import { lineOfText } from "./brief.ts";

const group = z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, "a name in small letters, such as field");

/** One person of testers.yaml. */
export const testerSchema = z.strictObject({
  name: lineOfText(200),
  address: z.email("an e-mail address").max(320),
  language: languageTag.optional(),
  platforms: z.array(z.enum(platforms)).min(1).describe("Whose apps they try; all where it does not say").optional(),
  group: group.default("testers"),
  clients: z
    .array(z.string().min(1).max(100))
    .min(1)
    .describe("Keys of clients whose apps they try, or patterns; all where it does not say")
    .optional(),
  consent: day.describe("The day on which they agreed to be asked").optional(),
  ended: day.describe("From then on they try nothing").optional(),
});

/** Somebody who tries apps before everybody gets them. */
export type Tester = z.infer<typeof testerSchema>;

/** testers.yaml: people who try apps, in groups. */
export const testersSchema = z.strictObject({
  groups: z
    .record(group, z.enum(trackKinds))
    .default({})
    .describe("How stores sort each group: inner, outer or open; outer where it does not say"),
  testers: z.array(testerSchema).max(5000).default([]),
});

export type Testers = z.infer<typeof testersSchema>;
