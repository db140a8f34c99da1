import { characters } from "../../../clients/record/count.ts";
import { beginningOf, tooLong } from "../../../clients/record/limits.ts";
import { textsOf } from "../../../clients/record/texts.ts";
import { recordFields } from "../../../stores/record-fields.ts";
import { type Remark, type Rule, rowName } from "./rule.ts";

const asOf = "2026-11-01";

/** Rules about what has to be there, and how long it may be. */
export const lengthRules: readonly Rule[] = [
  {
    code: "record-missing",
    level: "error",
    says: "every field that a store requires is given; those that it recommends are noted",
    source: "each store's own documentation, by field",
    asOf,
    look: ({ record, store, lines }) =>
      lines.flatMap((line): Remark[] => {
        const { row, value } = line;
        if (value?.first || row.need === "optional") return [];
        const says = recordFields[row.field].says.toLowerCase();
        const what = says === row.title.toLowerCase() ? "" : `: ${says}`;
        const language = recordFields[row.field].byLanguage ? record.languages[0] : undefined;
        const message = `${store.title} wants "${row.title}"${what}${language ? `, in ${language}` : ""}.`;
        const limit = row.most === undefined ? {} : { expected: `${row.most} characters at most` };
        return [{ row, language, message, ...limit, severity: row.need === "required" ? "error" : "note" }];
      }),
  },
  {
    code: "news-missing",
    level: "warning",
    says: "an update says what is new",
    source: 'App Store Connect help, "Platform version information"',
    asOf,
    look: ({ record, store, lines }) =>
      lines
        .filter(({ row }) => row.isOfUpdates)
        .flatMap(({ row, value }): Remark[] => {
          const { former } = record;
          const [language] = record.languages;
          if (former === undefined || value?.first) return [];
          const message = `If ${store.title} has version ${former} already, it wants "${row.title}".`;
          return [{ row, language, message }];
        }),
  },
  {
    code: "record-fallback",
    level: "note",
    says: "texts are there in every language of the app",
    source: "each store shows the main language's text where there is none",
    asOf,
    look: ({ record, lines }) =>
      lines.flatMap(({ row, value }) =>
        Object.entries(value?.further ?? {})
          .filter(([, { isFallback }]) => isFallback)
          .map(([language]) => ({
            row,
            language,
            message: `"${row.title}" is not given in ${language}: the text in ${record.languages[0]} is shown.`,
          })),
      ),
  },
  {
    code: "record-long",
    level: "error",
    says: "no text is longer than its store takes",
    source: "each store's own documentation, by field",
    asOf,
    look: ({ record, lines }) =>
      lines.flatMap((line) =>
        textsOf(line.value, record).flatMap(({ language, text }) =>
          tooLong(rowName(line.row, language, record), line.row, text.value).map((each) => ({
            ...each,
            row: line.row,
            language,
          })),
        ),
      ),
  },
  {
    code: "record-short",
    level: "error",
    says: "no text is shorter than its store takes",
    source: 'App Store Connect help, "App information"',
    asOf,
    look: ({ record, lines }) =>
      lines.flatMap((line) =>
        textsOf(line.value, record).flatMap(({ language, text }): Remark[] => {
          const { row } = line;
          const count = characters(text.value);
          if (row.least === undefined || count >= row.least) return [];
          const message = `${rowName(row, language, record)} has ${count} of at least ${row.least} characters.`;
          return [{ row, language, message }];
        }),
      ),
  },
  {
    code: "draft-open",
    level: "error",
    says: "every draft has been approved by somebody",
    source: "the agency's own rule: a text made by a pattern counts when a person has read it",
    asOf,
    look: ({ record, lines }) =>
      lines.flatMap((line) =>
        textsOf(line.value, record)
          .filter(({ text }) => text.isDraft)
          .map(
            ({ language, text }): Remark => ({
              row: line.row,
              language,
              message: `${rowName(line.row, language, record)} is a draft: "${beginningOf(text.value)}".`,
              severity: line.row.need === "required" && language === record.languages[0] ? "error" : "note",
            }),
          ),
      ),
  },
];
