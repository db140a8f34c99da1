import type { ClientView } from "../../clients/record/read.ts";
import { fields } from "../../ground/values/fields.ts";
import type { FieldFact } from "../../ground/values/known-of-field.ts";
import { pageLanguageOf } from "../../ground/values/page-language.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { Say } from "../../pages/words/letter.ts";
import type { ClientStanding } from "../../proving/standing/clients.ts";
import { type LineStanding, notGiven } from "../../proving/standing/standing.ts";
import { accountCodes, stores } from "../../stores/all.ts";
import { choicesIn } from "../../stores/choice-words.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { placeInBrief, type RecordField, recordFields } from "../../stores/record-fields.ts";
import type { RecordRow } from "../../stores/record-row.ts";
import type { LetterFrom, Thing } from "./asked.ts";
import { fieldSaid, reasonFor } from "./wording.ts";

/** What a field of the records lacks, over all stores that ask for it. */
interface Open {
  row: RecordRow;
  isNeeded: boolean;
  faults: readonly LineStanding[];
}

/** What stores still want of their records, once for all of them, and the accounts that the client has to share. */
export function recordThings({ view, standing, language, say, agency }: LetterFrom): Thing[] {
  const main = view.values.locale?.value ?? "en";
  const open = openFields(standing);
  const shared = new Map((standing?.unshared ?? []).map((store) => [stores[store].share, store]));
  const codes = accountCodes.filter(({ name }) => standing?.codesMissing.includes(name));
  return [
    ...[...open].map(([field, each]) => fieldThing(field, each, main, { language, say })),
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

function openFields(standing: ClientStanding | undefined): Map<RecordField, Open> {
  const open = new Map<RecordField, Open>();
  for (const { store, lines } of standing?.stores ?? [])
    for (const line of lines) {
      const { field, state, need, faults } = line;
      const own = faults.filter(({ who }) => who === "client");
      if (recordFields[field].who !== "client" || !(state === "missing" ? need !== "optional" : own.length > 0))
        continue;
      const row = stores[store].record.find((each) => each.field === field);
      if (!row) continue;
      const known = open.get(field);
      // The strictest store's limit is the one to keep.
      const isStricter =
        !known || (row.most ?? Number.POSITIVE_INFINITY) < (known.row.most ?? Number.POSITIVE_INFINITY);
      open.set(field, {
        row: isStricter ? row : known.row,
        isNeeded: known?.isNeeded === true || need === "required",
        faults: [...(known?.faults ?? []), ...(own.length > 0 ? [line] : [])],
      });
    }
  return open;
}

function fieldThing(
  field: RecordField,
  { row, isNeeded, faults }: Open,
  main: string,
  { language, say }: Pick<LetterFrom, "language" | "say">,
): Thing {
  const why = faults.flatMap(({ faults: own, used }) =>
    own.flatMap(({ code, who }) => {
      const word = who === "client" ? reasonFor(field, code) : undefined;
      return word ? [say(word, { used })] : [];
    }),
  );
  const wrong = faults.find(({ state }) => state === "wrong");
  const { example } = recordFields[field];
  return {
    ...fieldSaid(field, say),
    at: placeInBrief(field, main)?.join("."),
    hints: [
      ...new Set(why),
      ...limits(row, say),
      ...(example === undefined ? [] : [say("example", { example })]),
      ...(isNeeded || wrong ? [] : [say("helps")]),
    ],
    now: wrong?.value,
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
