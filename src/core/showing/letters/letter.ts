import { domainToUnicode } from "node:url";
import { askedName } from "../../agency/history/letters.ts";
import type { Column } from "../../clients/roster/column.ts";
import { columnOfField } from "../../clients/roster/columns.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { shownText } from "../../ground/values/plain-text.ts";
import type { Asked, LetterFrom, Thing } from "./asked.ts";
import { matterThing } from "./matters.ts";
import { recordThings } from "./record.ts";
import { groupOrder } from "./wording.ts";

/** Everything that only the client can supply, and nothing that others must do. */
export function thingsOf(sources: LetterFrom): Asked["groups"] {
  const { standing, before, notes } = sources;
  const found = [
    ...recordThings(sources),
    ...[...sources.view.problems, ...(standing?.problems ?? [])]
      .filter(isAsked)
      .map((each) => matterThing(each, sources)),
  ];
  const things = new Map<string, Thing>();
  for (const each of found) {
    const name = each.at ?? each.label;
    const known = things.get(name);
    const hints = [...new Set([...(known?.hints ?? []), ...each.hints])];
    things.set(name, { ...(known ?? each), hints, now: known?.now ?? each.now });
  }
  const domain = domainToUnicode(sources.view.values.domain?.value ?? "");
  const asked = [...things.values()].map(({ group, at, label, hints, now, choices = [] }) => {
    const name = at === undefined ? label : askedName(at);
    const column = at === undefined ? undefined : columnOfField(at, notes);
    const own = hints.map((hint) => shownText(domain ? hint.replaceAll(exampleDomain, domain) : hint));
    const thing = {
      ...(column ? { heading: column.heading } : {}),
      name,
      label: shownText(label),
      hints: [...own, ...(now ? [shownText(sources.say("now", { value: cut(now) }))] : [])],
      isStill: before?.things.includes(name) === true,
      inSheet: { now: (column && writtenIn(column, sources)) || (now ?? ""), hints: own, choices },
    };
    return { group, thing };
  });
  return groupOrder.flatMap((word) => {
    const own = asked.filter(({ group }) => group === word).map(({ thing }) => thing);
    return own.length > 0 ? [{ word, things: own }] : [];
  });
}

/** What stands in examples for a client's own domain. */
const exampleDomain = "hillfarm.example";

/** So much of what has to be mended is shown in a letter, in characters. */
const mostShown = 60;

const cut = (text: string): string => {
  const [first = ""] = text.split("\n");
  return first === text && first.length <= mostShown ? first : `${first.slice(0, mostShown).trimEnd()} …`;
};

/** What a brief has in a column's place. */
function writtenIn(column: Column, { view }: LetterFrom): string {
  const value = column.path.reduce<unknown>(
    (within, step) => (typeof within === "object" && within !== null ? Reflect.get(within, step) : undefined),
    view.client.brief?.data,
  );
  return column.write(value);
}

const isAsked = ({ who, severity }: Problem): boolean =>
  severity !== "note" && (who === "client" || (who === "designer" && severity === "error"));

/** What a letter asks for, to be remembered. */
export const namesOf = (groups: Asked["groups"]): string[] =>
  groups.flatMap(({ things }) => things.map(({ name }) => name));

/** Days that there are to answer where nobody says. */
export const usualDays = 14;

/** Refuses a day that is none. */
export const untilProblem = (day: string): Problem =>
  problem("value-invalid", `"${day}" is no day.`, { expected: "a day such as 2026-12-01" });
