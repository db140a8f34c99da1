import { askedName } from "../../agency/history/letters.ts";
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
    things.set(name, { ...(known ?? each), hints });
  }
  const asked = [...things.values()].map(({ group, at, label, hints }) => {
    const name = at === undefined ? label : askedName(at);
    const heading = at !== undefined && columnOfField(at, notes) ? { heading: at } : {};
    const said = { label: shownText(label), hints: hints.map(shownText) };
    return { group, thing: { ...heading, name, ...said, isStill: before?.things.includes(name) === true } };
  });
  return groupOrder.flatMap((word) => {
    const own = asked.filter(({ group }) => group === word).map(({ thing }) => thing);
    return own.length > 0 ? [{ word, things: own }] : [];
  });
}

const isAsked = ({ who, severity }: Problem): boolean =>
  severity !== "note" && (who === "client" || (who === "designer" && severity === "error"));

/** What a letter asks for, to be remembered. */
export const namesOf = (groups: Asked["groups"]): string[] =>
  groups.flatMap(({ things }) => things.map(({ name }) => name));

/** Refuses a day that is none. */
export const untilProblem = (day: string): Problem =>
  problem("value-invalid", `"${day}" is no day.`, { expected: "a day such as 2026-12-01" });
