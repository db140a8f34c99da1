import type { Brief } from "../../agency/workspace/schema/brief.ts";
import { asksIn } from "../../agency/workspace/schema/questions.ts";
import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import { fieldNames, fields } from "../../ground/values/fields.ts";
import { languageTagOf } from "../../ground/values/language.ts";
import { artRoleNames, artRoles, rolePath } from "../../pictures/slots/art-roles.ts";
import { spokenFieldNames } from "../../stores/record-fields.ts";
import {
  address,
  type CellForm,
  color,
  domain,
  language,
  list,
  number,
  onOrOff,
  optionOf,
  text,
  wholeNumber,
  word,
} from "./cells.ts";
import { type Column, column } from "./column.ts";
import { headings } from "./headings.ts";
import { accountCode, ofRecord, recordText } from "./record-columns.ts";

/** What may stand in a field's cell, where it is not any text. */
const forms: Readonly<Record<string, CellForm>> = {
  domain,
  email: address,
  locale: language,
  build: wholeNumber,
  orientation: word,
  devices: word,
};

const examples: Readonly<Record<string, string>> = {
  "app.name": "Hill Farm Boxes",
  "app.label": "Hill Farm",
  owner: "Hill Farm Ltd",
  domain: "hillfarm.example",
  email: "hello@hillfarm.example",
  locale: "en",
  version: "1.0.0",
  build: "1",
  orientation: "portrait",
  devices: "both",
  scheme: "hillfarm",
  "identifiers.base": "example.hillfarm",
  "identifiers.web": "/hill-farm",
  "signing.team": "AB12CD34EF",
  "signing.profile": "Hill Farm Store",
  "signing.appFingerprint": "",
  "windows.publisher": "CN=Hill Farm Ltd",
  "windows.publisherName": "Hill Farm Ltd",
  "windows.phoneId": "69a6de70-03db-47e3-a053-5b8c7c11a4d1",
};

/** Every field that a brief may give, in the order of the fields. */
const ofFields: readonly Column[] = fieldNames.flatMap((name) => {
  const { brief, says, color: isColor } = fields[name];
  if (!brief) return [];
  const example = examples[name] ?? (isColor ? "#1f5d4c" : name.startsWith("identifiers.") ? "example.hillfarm" : "");
  return [column(brief, says, example, isColor ? color : (forms[name] ?? text))];
});

/** The columns that every roster has, in the order in which they are exported and new briefs are written. */
export const fixedColumns: readonly Column[] = [
  column([], "Key of the client: the name of its folder", "hill-farm", word),
  column(["groups"], "Groups it belongs to, with commas between them", "north, basic", list),
  ...ofFields,
  ...artRoleNames.map((role) =>
    column(rolePath(role), `${artRoles[role].says}; a file in the client's folder`, `art/${role}.svg`, text),
  ),
  column(["art", "font"], "Font that names are lettered in; a file in the client's folder", "art/brand.ttf", text),
  column(["art", "focus", "x"], "What must stay in sight of a picture: per cent from the left", "50", number),
  column(["art", "focus", "y"], "The same, per cent from the top", "40", number),
  column(["platforms"], "Platforms that this client wants, with commas between them", "android, ios", list),
  column(["store", "in"], "Stores that it goes into; otherwise those of its platforms", "google-play, app-store", list),
  ...ofRecord,
];

const localized = (tag: string, part: "name" | "label"): Column =>
  column(
    ["app", "locales", tag, part],
    part === "name" ? `Long name, where the language is ${tag}` : `Name under the icon, where the language is ${tag}`,
    "",
    text,
  );

const feature = (name: string): Column =>
  column(["features", name], `Whether the app has ${name}: on or off`, "on", onOrOff, [name]);

const usage = (name: string, tag?: string): Column =>
  column(
    ["features", name, "usage", ...(tag === undefined ? [] : [tag])],
    `What people read when the app asks for ${name}${tag === undefined ? "" : `, in ${tag}`}`,
    "",
    text,
  );

const answer = (name: string, { questions }: Pick<TemplateNotes, "questions">): Column => {
  const question = questions[name];
  const { kind, options } = question ?? {};
  const form = kind === "number" ? number : kind === "choice" && options ? optionOf(options) : text;
  const says = question ? asksIn(question.asks) : `Answer to ${name}`;
  return column(["answers", name], says, question?.example ?? "", form, [name, says]);
};

/** Names of columns that depend on a template or a client, by what their headings look like. */
const families: readonly {
  form: RegExp;
  column(parts: readonly string[], notes: TemplateNotes): Column | undefined;
}[] = [
  {
    form: /^app\.locales\.([\w-]+)\.(name|label)$/i,
    column: ([tag = "", part]) => {
      const known = languageTagOf(tag);
      return known === undefined ? undefined : localized(known, part?.toLowerCase() === "name" ? "name" : "label");
    },
  },
  { form: /^features\.([a-z][a-z0-9-]*)$/i, column: ([name = ""]) => feature(name.toLowerCase()) },
  {
    form: /^features\.([a-z][a-z0-9-]*)\.usage(?:\.([\w-]+))?$/i,
    column: ([name = "", tag]) => usage(name.toLowerCase(), tag === undefined ? undefined : languageTagOf(tag)),
  },
  { form: /^answers\.([a-z][a-z0-9-]*)$/i, column: ([name = ""], notes) => answer(name.toLowerCase(), notes) },
  { form: /^art\.slots\.(.+)$/i, column: ([slot = ""]) => picture(slot) },
  {
    form: /^store\.texts\.([\w-]+)\.(\w+)$/i,
    column: ([tag = "", name = ""]) => {
      const [known, field] = [languageTagOf(tag), spokenFieldNames.find((each) => each === name.toLowerCase())];
      return known === undefined || !field || field === "name" ? undefined : recordText(known, field)[0];
    },
  },
  { form: /^store\.accounts\.(\w+)$/, column: ([name = ""]) => accountCode(name) },
  { form: /^signing\.profiles\.(.+)$/i, column: ([target = ""]) => profile(target) },
];

const picture = (slot: string): Column =>
  column(["art", "slots", slot], `Picture drawn by hand for ${slot}`, "art/own.png", text);

const profile = (target: string): Column =>
  column(["signing", "profiles", target], `Provisioning profile of ${target}`, "", text);

/** A column by its field, also one that depends on the template or on a client; undefined for what is no field. */
export function columnOfField(field: string, notes: TemplateNotes): Column | undefined {
  const fixed = fixedColumns.find(({ heading }) => heading === field);
  if (fixed) return fixed;
  for (const family of families) {
    const [matched, ...parts] = family.form.exec(field) ?? [];
    if (matched !== undefined) return family.column(parts, notes);
  }
  return undefined;
}

/** A name or label in a language, headed as people do it: "Name (de)", "Kurzname [fr]". */
export function columnInLanguage(heading: string): Column | undefined {
  const [, name = "", written = ""] = /^(.+?)\s*[([]\s*([\w-]+)\s*[)\]]$/.exec(heading.trim()) ?? [];
  const tag = name && languageTagOf(written);
  if (!tag) return undefined;
  for (const part of ["name", "label"] as const) {
    const field = `app.${part}`;
    if (plain(name) === plain(field) || headings[field]?.some((each) => plain(each) === plain(name)))
      return localized(tag, part);
  }
  return undefined;
}

/** Every column of a workspace: the fixed ones, what its template asks for, and what its briefs give besides. */
export function columnsOf(notes: TemplateNotes, briefs: readonly Brief[]): Column[] {
  const given = <T>(of: (brief: Brief) => Readonly<Record<string, T>> | undefined) =>
    [...new Set(briefs.flatMap((brief) => Object.keys(of(brief) ?? {})))].sort();
  const usages = briefs.flatMap(({ features = {} }) =>
    Object.entries(features).flatMap(([name, said]) =>
      typeof said !== "object"
        ? []
        : typeof said.usage === "string"
          ? [usage(name)]
          : Object.keys(said.usage).map((tag) => usage(name, tag)),
    ),
  );
  const more = [
    ...given(({ app }) => app?.locales).flatMap((tag) => [localized(tag, "name"), localized(tag, "label")]),
    ...given(({ store }) => store?.texts).flatMap((tag) =>
      spokenFieldNames.filter((field) => field !== "name").flatMap((field) => recordText(tag, field)),
    ),
    ...given(({ art }) => art?.slots).map(picture),
    ...given(({ signing }) => signing?.profiles).map(profile),
    ...[...new Set([...Object.keys(notes.features), ...given(({ features }) => features)])].map(feature),
    ...usages,
    ...[...new Set([...Object.keys(notes.questions), ...given(({ answers }) => answers)])].map((name) =>
      answer(name, notes),
    ),
  ];
  return [...fixedColumns, ...new Map(more.map((each) => [each.heading, each])).values()];
}

/** A heading without case, marks and doubled blanks, so that "E-Mail " and "e mail" are one. */
export const plain = (heading: string): string =>
  heading
    .normalize("NFC")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

/** Headings of derived columns stand in parentheses: they are for reading, and an import passes them over. */
export const derivedHeading = (field: string): string => `(${field})`;
