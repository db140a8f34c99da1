import { askedName, type Letter } from "../../agency/history/letters.ts";
import { keepSummed, readSummed } from "../../ground/files/writing/summed.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import type { ClientStanding } from "./clients.ts";

/** Days on which findings were first seen, by client and by what they are; as 2026-03-01. */
type FirstSeen = Readonly<Record<string, Readonly<Record<string, string>>>>;

const file = ".oxalis/waiting.json";
const form = 1;

/** What was seen before; nothing where that cannot be read: then all waits since today. */
export function readFirstSeen(root: string): FirstSeen {
  const kept = readSummed(root, file) as { form: number; clients: FirstSeen } | undefined;
  return kept?.form === form ? kept.clients : {};
}

/** What a finding is, from one day to the next, whatever its message counts. */
const identityOf = ({ code, about = [] }: Problem, store = ""): string => [store, code, ...about].join(" ");

/** The first of the letters that have asked for it ever since; undefined where the last one did not. */
function askedSince({ about }: Problem, letters: readonly Letter[]): string | undefined {
  const name = about && askedName(about.join("."));
  const last = name === undefined ? -1 : letters.findLastIndex(({ things }) => !things.includes(name));
  return name === undefined ? undefined : letters[last + 1]?.on;
}

/** A client's findings, each with the day since which it waits: the first seen, or the first asked for. */
export function withSince(standing: ClientStanding, seen: FirstSeen[string] = {}, today: string): ClientStanding {
  const { letters } = standing;
  const dated = (store?: string) => (each: Problem) => {
    const days = [seen[identityOf(each, store)], askedSince(each, letters), today].filter((day) => day !== undefined);
    const [since] = days.sort();
    return since === undefined ? each : { ...each, since };
  };
  return {
    ...standing,
    problems: standing.problems.map(dated()),
    stores: standing.stores.map((each) => ({ ...each, problems: each.problems.map(dated(each.store)) })),
  };
}

/**
 * Keeps the days of what still waits, so that it is known tomorrow. @param clients those that were looked at; what is
 * known of the others stays
 * @param keys every client that there is
 */
export function keepFirstSeen(
  root: string,
  before: FirstSeen,
  clients: readonly ClientStanding[],
  keys: readonly string[],
): void {
  const now = clients.map(({ client, problems, stores }) => {
    const all = [
      ...problems.map((each) => [identityOf(each), each.since]),
      ...stores.flatMap((own) => own.problems.map((each) => [identityOf(each, own.store), each.since])),
    ];
    return [client, Object.fromEntries(all)];
  });
  const known = Object.entries(before).filter(([key]) => keys.includes(key));
  keepSummed(root, file, { form, clients: { ...Object.fromEntries(known), ...Object.fromEntries(now) } });
}
