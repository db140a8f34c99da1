import * as z from "zod";
import { parseColor } from "../../../ground/values/color.ts";
import { deviceClasses, orientations } from "../../../ground/values/devices.ts";
import { fieldNames, fields } from "../../../ground/values/fields.ts";
import type { GivenForm } from "../../../ground/values/known-of-field.ts";
import { languageTag } from "../../../ground/values/language.ts";
import { steeringIn } from "../../../ground/values/plain-text.ts";
import { type Platform, platforms } from "../../../ground/values/platform.ts";
import { storeSchema, waiverSchema } from "./store.ts";

/** A text of one line, of characters that can be shown. */
export const lineOfText = (most: number) =>
  z
    .string()
    .trim()
    .min(1)
    .max(most)
    .superRefine((value, context) => {
      const found = steeringIn(value);
      if (!found) return;
      const message = `character ${found.at} is ${found.codePoint}, ${found.says}`;
      context.addIssue({ code: "custom", message, params: { problem: "text-invalid" } });
    });

/** The same for each platform. */
const ofEachPlatform = <S extends z.ZodType>(schema: S) =>
  Object.fromEntries(platforms.map((each) => [each, schema])) as Record<Platform, S>;

/** A colour as people write it, kept as written; what it means is worked out when the variant is resolved. */
export const color = z.string().superRefine((value, context) => {
  const parsed = parseColor(value);
  if (parsed.ok) return;
  context.addIssue({ code: "custom", message: parsed.reason, params: { problem: parsed.code } });
});

const picture = z
  .string()
  .min(1)
  .max(200)
  // As it is typed on Windows.
  .overwrite((path) => path.replaceAll("\\", "/"))
  .describe("Path of a picture, relative to the client's folder: SVG, PNG, JPEG or WebP");

export const fontFile = z
  .string()
  .min(1)
  .max(200)
  .describe(
    "Path of the font that names are lettered in: TrueType or OpenType; relative to the client's folder, or, in " +
      "oxalis.yaml, to the workspace",
  );

/** Every colour that a brief may give. */
const givenColors = fieldNames.flatMap((name) => (fields[name].color ? (fields[name].brief?.slice(1) ?? []) : []));

/** The schema of a form that stands with its field. */
function schemaOf(form: GivenForm) {
  if ("guidSuchAs" in form) return z.guid(`a GUID such as ${form.guidSuchAs}`);
  if ("most" in form) return lineOfText(form.most);
  return (form.inCapitals ? z.string().trim().toUpperCase() : z.string()).regex(form.matches, form.expected);
}

/** What a brief may give below one of its keys, by the forms that stand with the fields. */
const givenOf = (key: string): Record<string, z.ZodType<string>> =>
  Object.fromEntries(
    Object.values(fields).flatMap(({ brief: [first, name] = [], form, says }) =>
      first === key && name && form ? [[name, schemaOf(form).describe(says)]] : [],
    ),
  );

const percent = z.number().min(0).max(100);

export const featureName = z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, "a name in small letters, such as sign-in");

export const answerName = z.string().regex(/^[a-z][a-z0-9-]{0,59}$/, "a name in small letters, such as opening-hours");

/** An answer as it is written: numbers need no quotes. */
const answer = z.union([z.string().max(10_000), z.number()]);

const usageText = lineOfText(300);

/** On or off, or what people read when the app asks for it; whoever gives that text wants it on. */
const featureSwitch = z.union([
  z.boolean(),
  z.enum(["on", "off"]),
  z.strictObject({ usage: z.union([usageText, z.record(languageTag, usageText)]) }),
]);

/**
 * Everything a client may supply. All of it optional here: what must be there is decided after the defaults are laid
 * under it.
 */
export const briefSchema = z.strictObject({
  app: z
    .strictObject({
      name: lineOfText(80).describe("The long name, as it stands in the stores"),
      label: lineOfText(40).describe("The short name under the icon"),
      locales: z
        .record(languageTag, z.strictObject({ name: lineOfText(80), label: lineOfText(40) }).partial())
        .describe("Name and label in further languages"),
    })
    .partial()
    .optional(),
  groups: z
    .array(z.string().min(1).max(60))
    .max(20)
    .describe("Groups it belongs to; of two, the later one wins")
    .optional(),
  owner: lineOfText(120).describe("Who owns the app, as in the copyright line").optional(),
  domain: z
    .string()
    .max(253)
    .regex(/^(?!-)[\p{L}\p{N}-]{1,63}(\.[\p{L}\p{N}-]{1,63})+$/u, "a web domain such as hillfarm.example")
    .describe("The client's web domain, without https:// and without www")
    .optional(),
  email: z.email("an e-mail address").optional(),
  locale: languageTag.optional(),
  version: z.string().optional(),
  build: z.int().min(1).max(2_100_000_000).optional(),
  colors: z
    .strictObject(Object.fromEntries(givenColors.map((name) => [name, color])))
    .partial()
    .optional(),
  art: z
    .strictObject({
      icon: picture,
      mark: picture,
      mono: picture,
      wide: picture,
      splash: picture,
      repeat: picture,
      font: fontFile,
      dark: z.strictObject({ icon: picture, mark: picture, wide: picture, splash: picture }).partial(),
      focus: z
        .strictObject({ x: percent, y: percent })
        .describe("What must stay in sight where a picture is cut, in per cent from the left and from the top"),
      slots: z
        .record(z.string().min(1).max(80), picture)
        .describe("Pictures drawn by hand for single places, such as android/notification"),
    })
    .partial()
    .optional(),
  identifiers: z
    .strictObject({
      base: lineOfText(200),
      ...ofEachPlatform(lineOfText(200)),
    })
    .partial()
    .optional(),
  features: z
    .record(featureName, featureSwitch)
    .describe("Which of the template's features the app has, and what people read when it asks for something")
    .optional(),
  answers: z.record(answerName, answer).describe("What the template's questions ask for").optional(),
  content: z
    .record(answerName, z.array(z.record(z.string().max(60), answer)).max(1000))
    .describe("Items of the template's collections")
    .optional(),
  scheme: z
    .string()
    .regex(/^[a-z][a-z0-9+.-]{1,99}$/, "small letters, digits, + - and full stops, starting with a letter")
    .describe("Scheme of addresses that open the app")
    .optional(),
  platforms: z
    .array(z.enum(platforms))
    .min(1)
    .describe("Platforms that this client wants, of those that the agency makes apps for; all where it does not say")
    .optional(),
  store: storeSchema.describe("What the stores' records of the app say").optional(),
  waived: z.array(waiverSchema).max(50).describe("Findings that are passed over, with reason, name and end").optional(),
  orientation: z.enum(orientations).describe("How the app may be turned").optional(),
  devices: z.enum(deviceClasses).describe("What the app is for").optional(),
  signing: z
    .strictObject({
      ...givenOf("signing"),
      profiles: z
        .record(z.string().min(1).max(100), lineOfText(200))
        .describe("Names of the profiles of extensions and companions, by their targets"),
    })
    .partial()
    .optional(),
  windows: z.strictObject(givenOf("windows")).partial().optional(),
});

export type Brief = z.infer<typeof briefSchema>;
