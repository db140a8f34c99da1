import * as z from "zod";
import { patternFields } from "../../../ground/values/fields.ts";
import { layouts } from "../../../ground/values/layout.ts";
import { pageLanguages } from "../../../ground/values/page-language.ts";
import { platforms, usualPlatforms } from "../../../ground/values/platform.ts";
import { variableForm } from "../../../ground/values/secret.ts";
import { briefSchema, color, fontFile, lineOfText } from "./brief.ts";
import { interfacesSchema } from "./interfaces.ts";

/** What several clients may have in common: all that a brief may say, but for what is each client's own. */
const sharedSchema = briefSchema
  .omit({ art: true, identifiers: true, groups: true, content: true })
  .extend({ art: z.strictObject({ font: fontFile }).partial().optional() });

const name = z.string().trim().min(1).max(200).describe("A pattern");

/** How a stage's apps are installed: beside the store's, or, from the store's own tracks for testers, in its place. */
export const installations = ["beside", "instead"] as const;

export type Installation = (typeof installations)[number];

/** A form of the apps that is not the one which everybody gets. */
const stageSchema = z
  .strictObject({
    installs: z
      .enum(installations)
      .describe("Beside the store's app, with a suffix, or instead of it, under the store's identifier")
      .optional(),
    suffix: z
      .string()
      .regex(/^[a-z][a-z0-9]{0,19}$/, "small letters and digits, starting with a letter, at most 20")
      .describe("Put behind each identifier, so that both can be installed")
      .optional(),
    name: name.describe("A pattern for the long name").optional(),
    label: name.describe("A pattern for the name under the icon").optional(),
    corner: z
      .strictObject({
        text: z
          .string()
          .trim()
          .regex(/^[\p{L}\p{N}]{1,4}$/u, "one to four letters or digits"),
        color: color.default("#b3261e"),
      })
      .describe("A mark on the icon")
      .optional(),
  })
  .superRefine(({ installs, suffix }, context) => {
    const tell = (message: string) => context.addIssue({ code: "custom", path: ["installs"], message });
    if (installs === "beside" && suffix === undefined) tell("what is installed beside the store's app needs a suffix");
    if (installs === "instead" && suffix !== undefined)
      tell("what is installed in place of the store's app has its identifier, and no suffix");
  });

/** How a stage's apps are installed, where it does not say: by whether it has an identifier of its own. */
export const installsOf = ({ installs, suffix }: Agency["stages"][string]): Installation =>
  installs ?? (suffix === undefined ? "instead" : "beside");

const stageName = z.string().regex(/^[a-z][a-z0-9-]{0,29}$/, "a name in small letters, such as testers");

/** Texts that a pattern may draft. */
const draftedFields = ["subtitle", "short", "description", "promotional", "keywords", "highlights", "news"] as const;

/** A privacy policy that is made for clients who have none. */
const policySchema = z.strictObject({
  at: z.string().min(1).max(300).describe("Pattern of its address, such as https://{domain}/privacy.html"),
  text: z.record(z.string(), z.string().max(100_000)).describe("Patterns in Markdown, by language"),
});

/** An address or a folder; one that a password belongs to stands in a variable. */
const somewhere = (schemes: string) =>
  z
    .string()
    .min(1)
    .max(500)
    .refine((where) => !/^[a-z]+:\/\/[^/]*@/.test(where), "no password here: env: and a variable that has the address")
    .refine((where) => variableForm.test(where) || !where.includes("://") || where.match(`^(?:${schemes})://`), {
      error: `a folder, or an address that begins with ${schemes.replace("|", ":// or ")}://`,
    });

/** What machines share that work for this workspace; folders are relative to it. */
const machinesSchema = z.strictObject({
  queue: somewhere("redis|rediss")
    .default(".oxalis/queue")
    .describe("Where jobs wait: a folder of this machine, the address of a Redis server, or env: and a variable"),
  contents: somewhere("http|https")
    .default(".oxalis/contents")
    .describe("Where machines find what jobs are made from: a folder that they share, or an address that serves it"),
  token: z
    .string()
    .regex(variableForm, "env: and the name of a variable")
    .describe("What that address wants")
    .optional(),
});

/** What becomes of what builds give. */
const buildsSchema = z.strictObject({
  address: z
    .url({ protocol: /^https$/, error: "an address that begins with https://" })
    .refine((address) => !URL.canParse(address) || !new URL(address).username, "no password here")
    .transform((address) => address.replace(/\/?$/, "/"))
    .describe("Where builds/ is served to testers: install pages then have a code that leads to them")
    .optional(),
  done: z
    .string()
    .min(1)
    .max(1000)
    .describe("A command of the agency's, run when builds are done: it reads what became of each as JSON")
    .optional(),
  keep: z
    .int()
    .min(1)
    .max(1000)
    .describe("So many good builds of each thing are kept; the files of older ones go with `oxalis builds --tidy`")
    .optional(),
});

/** oxalis.yaml: the agency, its rules, and what holds for every client unless its brief says otherwise. */
export const agencySchema = z.strictObject({
  agency: z.strictObject({
    name: lineOfText(120),
    email: z.email("an e-mail address").optional(),
    color: color.optional(),
    language: z
      .enum(pageLanguages)
      .describe("Of the pages that people get: the proof, the designer's guide")
      .optional(),
  }),
  template: z.string().min(1).default("template").describe("Folder of the shared app"),
  platforms: z
    .array(z.enum(platforms))
    .min(1)
    .default([...usualPlatforms]),
  layout: z
    .enum(layouts)
    .default("tree")
    .describe("A variant is a whole project, or only what differs from the template"),
  year: z.int().min(2000).max(2999).optional().describe("The year of the copyright line"),
  patterns: z.partialRecord(z.enum(patternFields), z.string()).default({}),
  defaults: sharedSchema.default({}),
  drafts: z
    .partialRecord(
      z.enum(draftedFields),
      z.union([z.string().max(20_000), z.record(z.string(), z.string().max(20_000))]),
    )
    .describe("Patterns that make texts of the stores' records where a client gives none; by language, or for all")
    .default({}),
  policy: policySchema.optional(),
  roster: z
    .strictObject({
      headings: z
        .record(z.string().min(1).max(200), z.string().min(1).max(120))
        .default({})
        .describe("Fields by the headings they stand under in the agency's rosters; `import --map` adds to them"),
      same: z
        .record(z.string().min(1).max(200), z.string().min(1).max(60))
        .default({})
        .describe("Clients by the other names that rosters have for them; `import --same` adds to them"),
    })
    .prefault({}),
  vault: z
    .string()
    .min(1)
    .max(500)
    .describe("Folder where keys lie, outside version control; relative to the workspace")
    .optional(),
  machines: machinesSchema.prefault({}),
  builds: buildsSchema.prefault({}),
  interfaces: interfacesSchema.default({}).describe("How programs work in the stores, by store"),
  stages: z
    .record(stageName, stageSchema)
    .default({})
    .describe("Forms of the apps beside the store's, each made with --stage"),
  groups: z
    .record(z.string().min(1).max(60), sharedSchema)
    .default({})
    .describe("What holds for the clients of a group"),
});

export type Agency = z.infer<typeof agencySchema>;
