import type { Problem } from "../../ground/problems/problem.ts";
import type { Who } from "../../ground/problems/who.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { boardTables, fieldIn } from "../../pages/words/board.ts";
import type { BoardWord } from "../../pages/words/en/board.ts";
import type { ClientStanding } from "../../proving/standing/clients.ts";
import { type LineStanding, openIn } from "../../proving/standing/standing.ts";
import { allStores, stores } from "../../stores/all.ts";
import { happeningSaid } from "../../stores/happening.ts";
import type { RecordField } from "../../stores/record-fields.ts";
import { findingSaid, type Speaking, whoWords } from "./saying.ts";

/** Texts of which a store shows the beginning alone. */
const cut: ReadonlySet<RecordField> = new Set(["short", "description"]);

/** So many characters of a text are shown on a sheet. */
const mostShown = 200;

/** Words of a client's sheet, which is drawn when its row is chosen. */
const sheetWords = [
  ...["shown", "forCreation", "readyForCreation", "doneOf", "stillOpen", "required", "recommended", "optional"],
  ...["given", "draft", "missing", "mend", "error", "warning", "note", "sameIn", "since", "close"],
] as readonly BoardWord[];

const people: readonly Who[] = ["client", "producer", "designer", "developer"];

const weights: readonly Problem["severity"][] = ["error", "warning", "note"];

const weightiest = (all: readonly Problem[]): Problem[] =>
  [...all].sort((a, b) => weights.indexOf(a.severity) - weights.indexOf(b.severity));

/** What a sheet is drawn from: short, since there may be thousands. Texts that several stores take stand there once. */
export function dataOf(clients: readonly ClientStanding[], today: string, speaking: Speaking): string {
  const { language, say } = speaking;
  const rows = Object.fromEntries(allStores.map(({ key, record }) => [key, record.map(({ field }) => field)]));
  // In English a field is called as the store's own pages call it.
  const titleIn = (store: StoreKey) => (title: string) => {
    const row = language === "en" ? undefined : stores[store].record.find((each) => each.title === title);
    return row ? fieldIn(language, row.field) : title;
  };
  const told = (problem: Problem) => {
    const { code, severity, who, since } = problem;
    return [
      severity[0],
      code,
      findingSaid(problem, speaking),
      people.indexOf(who),
      ...(since && since < today ? [since] : []),
    ];
  };
  const data = clients.map(({ client, name, stores: all, problems, due, passages }) => {
    const texts: string[] = [];
    const placeOf = (text: string): number => {
      const at = texts.indexOf(text);
      return at >= 0 ? at : texts.push(text) - 1;
    };
    const line = (store: string, { field, state, used, value, fallback }: LineStanding) => [
      rows[store]?.indexOf(field),
      state[0],
      used ?? 0,
      value === undefined ? -1 : placeOf(value.slice(0, mostShown)),
      ...(fallback.length > 0 ? [fallback.join(" ")] : []),
    ];
    const standings = all.map((standing) => {
      const { store, lines, problems: own } = standing;
      return [
        store,
        lines.map((each) => line(store, each)),
        weightiest(own).map(told),
        [standing.required.done, standing.required.total, ...openIn(standing).map(titleIn(store))],
        standing.creation.map(titleIn(store)),
      ];
    });
    const happened = passages.map(({ store, happened: own }) => [
      store,
      own.map((each) => [each.at.slice(0, 10), happeningSaid(each, language)]),
    ]);
    return { c: client, n: name, p: weightiest([...due, ...problems]).map(told), t: texts, s: standings, h: happened };
  });
  const seen = Object.fromEntries(
    allStores.map(({ key, title, seenFirst, record }) => [
      key,
      [
        title,
        seenFirst,
        record.map(({ field, title: each, need, most }) => [
          titleIn(key)(each),
          need[2],
          most ?? 0,
          cut.has(field) ? 1 : 0,
        ]),
      ],
    ]),
  );
  const words = Object.fromEntries(sheetWords.map((word) => [word, boardTables[language][word]]));
  return JSON.stringify({
    people: people.map((who) => say(whoWords[who])),
    words,
    stores: seen,
    clients: data,
  }).replaceAll("<", "\\u003c");
}
