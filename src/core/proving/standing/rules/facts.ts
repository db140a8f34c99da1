import { partsOf } from "../../../clients/record/record.ts";
import { textsOf } from "../../../clients/record/texts.ts";
import { ageBands, agesIn, childBands } from "../../../stores/ages.ts";
import type { StoreDefinition } from "../../../stores/definition.ts";
import { recordFields } from "../../../stores/record-fields.ts";
import type { Examined, Remark, Rule } from "./rule.ts";

const asOf = "2026-11-01";

/** What is wrong with an address; undefined where it can be opened. */
function addressFault(value: string): string | undefined {
  if (/\s/.test(value)) return "has a blank in it";
  let url: URL;
  try {
    url = new URL(value);
  } catch {
    return "is no address";
  }
  if (url.protocol !== "https:") return `begins with ${url.protocol}//, not with https://`;
  return url.hostname.includes(".") ? undefined : "names no domain";
}

const emailForm = /^[^\s@<>(),;:"]+@[^\s@<>(),;:"]+\.[^\s@<>(),;:".]{2,}$/;

/** As telephones are written to be called from anywhere (ITU-T E.123, E.164: at most 15 digits). */
const isPhone = (value: string): boolean =>
  /^\+[\d\s().-]+$/.test(value) && /^\d{7,15}$/.test(value.replace(/\D/g, ""));

const priceForm = /^(?:free|\d+(?:[.,]\d{1,2})? ?[A-Z]{3})$/;

const regions = new Intl.DisplayNames("en", { type: "region", fallback: "none" });

/** Whether there is a country of this code (ISO 3166, as the runtime carries it). */
function isCountry(code: string): boolean {
  try {
    return /^[A-Z]{2}$/.test(code) && regions.of(code) !== undefined;
  } catch {
    return false;
  }
}

/** What is wrong with a value that has a form, and what would be right. */
const forms: Readonly<Partial<Record<string, (value: string) => { fault: string; expected: string } | undefined>>> = {
  address: (value) => {
    const fault = addressFault(value);
    return fault === undefined ? undefined : { fault, expected: "https://…" };
  },
  email: (value) => (emailForm.test(value) ? undefined : { fault: "is no e-mail address", expected: "name@domain" }),
  phone: (value) =>
    isPhone(value)
      ? undefined
      : {
          fault: "is no number that can be called from abroad",
          expected: "+ and the country, such as +44 20 7946 0000",
        },
  price: (value) =>
    priceForm.test(value)
      ? undefined
      : { fault: "is no price", expected: "free, or an amount with its currency, such as 2.99 EUR" },
};

/** Languages of a store that one of an app's may be; undefined where the store takes any. */
export function languagesFor({ languages }: StoreDefinition, language: string): readonly string[] | undefined {
  if (!languages) return undefined;
  const known = languages.all.includes(language) ? language : languages.usual[language];
  if (known !== undefined) return [known];
  const own = new Intl.Locale(language).maximize();
  return languages.all.filter((each) => {
    const theirs = new Intl.Locale(each).maximize();
    // One with a country of its own is that country's, or the only one there is.
    return theirs.language === own.language && theirs.script === own.script;
  });
}

/** Whether an address is one video's: lists, channels and short forms are others'. */
const isVideo = (address: string): boolean =>
  /^https:\/\/(www\.)?(youtube\.com\/watch\?v=|youtu\.be\/)[\w-]{11}$/.test(address);

/** Whom a record says that the app is for. */
const ofAges = (lines: Examined["lines"]) =>
  lines
    .filter(({ row, value }) => row.field === "audience" && value?.first)
    .map(({ row, value }) => ({ row, ...agesIn(value?.first?.value ?? "") }));

/** Rules about addresses, prices, countries: what has a form. */
export const factRules: readonly Rule[] = [
  {
    code: "record-invalid",
    level: "error",
    says: "addresses, e-mails and prices are in a form that stores take",
    source: "each store's own documentation, by field",
    asOf,
    look: ({ record, lines }) =>
      lines.flatMap((line) =>
        textsOf(line.value, record).flatMap(({ text }): Remark[] => {
          const found = forms[recordFields[line.row.field].form]?.(text.value);
          if (!found) return [];
          const message = `${line.row.title}: "${text.value}" ${found.fault}.`;
          return [{ row: line.row, language: undefined, message, expected: found.expected }];
        }),
      ),
  },
  {
    code: "record-invalid",
    level: "error",
    says: "a video is a single one, of the one service that the store takes them from",
    source: 'Play Console help, "Add preview assets", preview video',
    asOf,
    look: ({ lines }) =>
      lines
        .filter(({ row, value }) => row.field === "video" && value?.first && !isVideo(value.first.value))
        .map(({ row, value }) => ({
          ...{ row, language: undefined, expected: "https://www.youtube.com/watch?v=…" },
          message: `${row.title}: "${value?.first?.value}" is no page of YouTube with one video.`,
        })),
  },
  {
    code: "countries-unknown",
    level: "error",
    says: "countries are given by their codes, or as all",
    source: "ISO 3166-1, two letters",
    asOf,
    look: ({ lines }) =>
      lines
        .filter(({ row }) => row.field === "countries")
        .flatMap(({ row, value }) => {
          const unknown = partsOf(value?.first?.value ?? "").filter((code) => code !== "all" && !isCountry(code));
          if (unknown.length === 0) return [];
          const message = `${row.title}: there is no country ${unknown.map((each) => `"${each}"`).join(", ")}.`;
          return [{ row, language: undefined, message, expected: "codes such as DE, or all" }];
        }),
  },
  {
    code: "record-invalid",
    level: "error",
    says: "ages are those that the store has",
    source: 'Play Console help, "Target audience and app content"',
    asOf,
    look: ({ lines }) =>
      ofAges(lines).flatMap(({ row, odd }) => {
        if (odd.length === 0) return [];
        const message = `${row.title}: no age is ${odd.map((each) => `"${each}"`).join(", ")}.`;
        return [{ row, language: undefined, message, expected: ageBands.join(", ") }];
      }),
  },
  {
    code: "audience-children",
    level: "warning",
    says: "nobody ticks children by the way",
    source: 'Play Console help, "Target audience and app content"; "Families policies"',
    asOf,
    look: ({ lines }) =>
      ofAges(lines).flatMap(({ row, bands }) => {
        const children = bands.filter((band) => childBands.includes(band));
        if (children.length === 0) return [];
        const message = `${row.title}: with ${children.join(", ")}, all that holds for apps for children holds for it.`;
        return [{ row, language: undefined, message, expected: "ages from 13-15 up, unless it is made for children" }];
      }),
  },
  {
    code: "record-missing",
    level: "error",
    says: "where accounts can be deleted, an address says how",
    stores: ["google-play"],
    source: 'Play Console help, "Account deletion requirements"',
    asOf,
    look: ({ record, lines }) => {
      const answer = record.declared.find(({ declaration }) => declaration.name === "deletion")?.answer?.value;
      return lines
        .filter(({ row, value }) => row.field === "deletion" && answer === "yes" && !value?.first)
        .map(({ row }) => ({
          ...{ row, language: undefined, expected: "https://…" },
          message: `${row.title} is missing: the store asks for it where people can have an account.`,
        }));
    },
  },
  {
    code: "record-invalid",
    level: "warning",
    says: "who answers is given by first and last name",
    source: 'App Store Connect help, "Platform version information"',
    asOf,
    look: ({ lines }) =>
      lines
        .filter(({ row }) => row.field === "contactName")
        .flatMap(({ row, value }) => {
          const name = value?.first?.value.trim();
          if (name === undefined || /\S\s+\S/.test(name)) return [];
          const message = `${row.title}: "${name}" is one name, and the store asks for two.`;
          return [{ row, language: undefined, message, expected: "a first and a last name" }];
        }),
  },
  {
    code: "language-none",
    level: "warning",
    says: "the store has the languages of the texts",
    source: "each store's list of languages",
    asOf,
    look: ({ record, store, lines }) =>
      record.languages.flatMap((language): Remark[] => {
        const [row] = lines.filter((each) => each.row.field === "name").map((each) => each.row);
        const fitting = languagesFor(store, language);
        if (!row || fitting === undefined || fitting.length === 1) return [];
        const [fault, severity] =
          fitting.length === 0 ? ["does not have it", undefined] : [`has it as ${fitting.join(", ")}`, "note" as const];
        const message = `${store.title} ${fault}: texts in ${language}.`;
        return [{ row, language, message, ...(severity ? { severity } : {}) }];
      }),
  },
  {
    code: "release-past",
    level: "warning",
    says: "the day of release is still to come",
    source: 'App Store Connect help, "Select an App Store version release option"',
    asOf,
    look: ({ lines, today }: Examined) =>
      lines
        .filter(({ row }) => row.field === "released")
        .flatMap(({ row, value }) => {
          const day = value?.first?.value ?? "";
          if (!/^\d/.test(day) || day >= today) return [];
          return [{ row, language: undefined, message: `${row.title}: ${day} is past.` }];
        }),
  },
];
