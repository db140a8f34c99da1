import { asTaken, characters } from "../../clients/record/count.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { fields } from "../../ground/values/fields.ts";
import type { FieldFact } from "../../ground/values/known-of-field.ts";
import { pageLanguageOf } from "../../ground/values/page-language.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { Say } from "../../pages/words/letter.ts";
import type { ClientStanding } from "../../proving/standing/clients.ts";
import { type LineFault, type LineStanding, notGiven } from "../../proving/standing/standing.ts";
import { accountCodes, stores } from "../../stores/all.ts";
import { choicesIn } from "../../stores/choice-words.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { placeInBrief, type RecordField, recordFields } from "../../stores/record-fields.ts";
import type { RecordRow } from "../../stores/record-row.ts";
import type { LetterFrom, Thing } from "./asked.ts";
import { fieldSaid, reasonFor } from "./wording.ts";

/** What a field of the records lacks in a language, over all stores that ask for it. */
interface Open {
  field: RecordField;
  language: string;
  row: RecordRow;
  isNeeded: boolean;
  faults: readonly LineFault[];
  /** Of the main language's text, as the line has it. */
  line: LineStanding;
}

/** What stores still want of their records, once for all of them, and the accounts that the client has to share. */
export function recordThings({ view, standing, language, say, agency }: LetterFrom): Thing[] {
  const main = view.values.locale?.value ?? "en";
  const open = openFields(standing, main);
  const shared = new Map((standing?.unshared ?? []).map((store) => [stores[store].share, store]));
  const codes = accountCodes.filter(({ name }) => standing?.codesMissing.includes(name));
  return [
    ...open.map((each) => fieldThing(each, view, { language, say, main })),
    ...[...shared.values()].map((store) => shareThing(store, say, agency)),
    ...codes.map(({ name, asks }): Thing => {
      const label = asks[pageLanguageOf(language)];
      return { group: "accounts", at: `store.accounts.${name}`, label, hints: [] };
    }),
    ...(standing?.unassigned ?? []).flatMap((key) => assignedThings(stores[key], view, say)),
  ];
}

/** What a store has assigned, as its own pages show it: nobody else can work it out. */
const assignedThings = (store: StoreDefinition, { told }: ClientView, say: Say): Thing[] =>
  told
    ? notGiven(store, told.record).map(({ field, title }): Thing => {
        const { brief } = fields[field] as FieldFact;
        return {
          group: "accounts",
          at: brief?.join("."),
          label: `${store.title}: ${title}`,
          hints: [say("asAssigned")],
        };
      })
    : [];

function openFields(standing: ClientStanding | undefined, main: string): Open[] {
  const open = new Map<string, Open>();
  for (const { lines } of standing?.stores ?? [])
    for (const line of lines) {
      const { field, state, need, faults } = line;
      const row = strictest(field, standing);
      if (!row || recordFields[field].who !== "client") continue;
      const own = faults.filter((each) => isForClient(field, each));
      const isLacking = state === "missing" && need !== "optional";
      const languages = new Set([...(isLacking ? [main] : []), ...own.map((each) => each.language ?? main)]);
      for (const language of languages) {
        const known = open.get(`${field} ${language}`);
        const told = state === "missing" ? [] : own.filter((each) => (each.language ?? main) === language);
        open.set(`${field} ${language}`, {
          ...{ field, language, row },
          line: known && known.faults.length > 0 ? known.line : line,
          isNeeded: known?.isNeeded === true || need === "required",
          faults: [...(known?.faults ?? []), ...told],
        });
      }
    }
  return [...open.values()];
}

/** The row of the store that takes least, of all that ask for a field: its limit is the one to keep. */
const strictest = (field: RecordField, standing: ClientStanding | undefined): RecordRow | undefined =>
  (standing?.stores ?? [])
    .flatMap(({ store }) => stores[store].record.filter((each) => each.field === field))
    .sort((one, other) => (one.most ?? Number.POSITIVE_INFINITY) - (other.most ?? Number.POSITIVE_INFINITY))[0];

/** Whether the client has to mend it, and can be told why in its own words: of what is no error, only then. */
const isForClient = (field: RecordField, { code, who, severity }: LineFault): boolean =>
  who === "client" && (severity === "error" || reasonFor(field, code) !== undefined);

function fieldThing(
  { field, language: of, row, isNeeded, faults, line }: Open,
  { told }: ClientView,
  { language, say, main }: Pick<LetterFrom, "language" | "say"> & { main: string },
): Thing {
  const other = told?.record.values[field]?.further[of]?.value;
  const { value, used } = of === main ? line : { value: other, used: other && characters(asTaken(other, row)) };
  const why = faults.flatMap(({ code }) => {
    const word = reasonFor(field, code);
    return word ? [say(word, { used })] : [];
  });
  const { example } = recordFields[field];
  const { group, label } = fieldSaid(field, say);
  const inOther = new Intl.DisplayNames(language, { type: "language" });
  return {
    group,
    label: of === main ? label : `${label} (${inOther.of(of) ?? of})`,
    at: placeInBrief(field, of)?.join("."),
    hints: [
      ...new Set(why),
      ...limits(row, say),
      ...(example === undefined ? [] : [say("example", { example })]),
      ...(isNeeded || faults.length > 0 ? [] : [say("helps")]),
    ],
    now: faults.length > 0 ? value : undefined,
    choices: choicesIn(field, language),
  };
}

const limits = ({ most, mostParts, mostEach }: RecordRow, say: Say): string[] => [
  ...(most === undefined ? [] : [say("upTo", { most })]),
  ...(mostParts === undefined ? [] : [say("entries", { parts: mostParts, each: mostEach })]),
];

const shareThing = (store: StoreKey, say: Say, { name, email }: LetterFrom["agency"]): Thing => ({
  group: "accounts",
  label: say("share", { store: stores[store].title }),
  hints: [say(stores[store].share.word, { agency: name, email: email ?? name })],
});
