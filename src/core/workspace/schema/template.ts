import * as z from "zod";
import { missingNames } from "../../values/missing.ts";

const glob = z.string().min(1).max(200);

/** template.yaml: what a survey of the template cannot know. */
export const templateSchema = z.strictObject({
  names: z
    .array(z.string().trim().min(2))
    .default([])
    .describe("Further names of the template, to be found by the audit"),
  fill: z
    .array(
      z.strictObject({
        file: z.string().min(1).max(300),
        at: z.string().min(1).max(300).describe("Where in the file, in the file's own form"),
        with: z.string().max(2000).describe("A pattern for the value"),
      }),
    )
    .default([]),
  leave: z.array(glob).default([]).describe("Files of the template that no variant gets"),
  missing: z
    .partialRecord(z.enum(missingNames), z.enum(["add", "leave"]))
    .default({})
    .describe("What the template lacks: added where nothing is said, or left out"),
  allow: z
    .array(
      z.strictObject({ file: glob, text: z.string().min(1).optional(), reason: z.string().trim().min(3) }),
    )
    .default([])
    .describe("What the audit may pass over, and why"),
});

export type TemplateNotes = z.infer<typeof templateSchema>;
