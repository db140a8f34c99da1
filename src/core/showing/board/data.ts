import type { Problem } from "../../ground/problems/problem.ts";
import type { Who } from "../../ground/problems/who.ts";
import type { ClientStanding } from "../../proving/standing/clients.ts";
import { type LineStanding, openIn } from "../../proving/standing/standing.ts";
import { allStores } from "../../stores/all.ts";
import { happeningSaid } from "../../stores/happening.ts";

/** So many characters of a text are shown on a sheet. */
const mostShown = 200;

const people: readonly Who[] = ["client", "producer", "designer", "developer"];

const weights: readonly Problem["severity"][] = ["error", "warning", "note"];

const weightiest = (all: readonly Problem[]): Problem[] =>
  [...all].sort((a, b) => weights.indexOf(a.severity) - weights.indexOf(b.severity));

/** What a sheet is drawn from: short, since there may be thousands. Texts that several stores take stand there once. */
export function dataOf(clients: readonly ClientStanding[], today: string): string {
  const rows = Object.fromEntries(allStores.map(({ key, record }) => [key, record.map(({ field }) => field)]));
  const told = ({ code, severity, message, who, since }: Problem) => [
    severity[0],
    code,
    message,
    people.indexOf(who),
    ...(since && since < today ? [since] : []),
  ];
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
        [standing.required.done, standing.required.total, ...openIn(standing)],
        standing.creation,
      ];
    });
    const happened = passages.map(({ store, happened: own }) => [
      store,
      own.map((each) => [each.at.slice(0, 10), happeningSaid(each)]),
    ]);
    return { c: client, n: name, p: weightiest([...due, ...problems]).map(told), t: texts, s: standings, h: happened };
  });
  const seen = Object.fromEntries(
    allStores.map(({ key, title, seenFirst, record }) => [
      key,
      [title, seenFirst, record.map(({ title: each, need, most }) => [each, need[2], most ?? 0])],
    ]),
  );
  return JSON.stringify({ people, stores: seen, clients: data }).replaceAll("<", "\\u003c");
}
