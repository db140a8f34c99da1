import * as z from "zod";
import { systems } from "../../../ground/systems/system.ts";
import { resultKinds } from "../../../ground/values/package.ts";

const variable = z.string().regex(/^[A-Za-z_][A-Za-z0-9_]{0,99}$/, "a variable's name");

/** A folder or glob within the variant. */
const within = z
  .string()
  .max(300)
  .regex(/^(?!\/)(?!.*(?:^|\/)\.\.(?:\/|$))[^\\\0]+$/, "a path within the variant, with / between its parts");

/** How a platform's package is built: the agency's own commands. */
export const buildSchema = z.strictObject({
  on: z.enum(systems).describe("The system that the steps want; any where nobody says").optional(),
  steps: z
    .array(
      z.strictObject({
        run: z.string().trim().min(1).max(1000).describe("A command, as it is typed into the system's shell"),
        in: within.describe("The folder that it works in; the platform's part of the variant otherwise").optional(),
        minutes: z.int().min(1).max(600).default(60).describe("It is ended after so many"),
      }),
    )
    .min(1)
    .max(20),
  gives: z
    .partialRecord(z.enum(resultKinds), within)
    .refine((gives) => Object.keys(gives).length > 0, "at least one result")
    .describe("Where its results lie, as paths or globs: for the store, to be installed by hand, symbols, others"),
  environment: z.record(variable, z.string().max(2000)).default({}).describe("Variables, each with a pattern"),
  passes: z.array(variable).max(50).default([]).describe("Further variables of the machine that steps are given"),
  secrets: z.array(variable).max(50).default([]).describe("Variables of the machine that nobody may read in a log"),
});

export type BuildSteps = z.infer<typeof buildSchema>;
