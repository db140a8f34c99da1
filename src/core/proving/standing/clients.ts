import type { PlatformBuilt } from "../../agency/history/builds.ts";
import type { Letter } from "../../agency/history/letters.ts";
import { wantedStores } from "../../agency/workspace/wanted.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Passage } from "../../clients/passage/passage.ts";
import type { ClientView, Told } from "../../clients/record/read.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import { isError, type Problem, problem, stopsClient } from "../../ground/problems/problem.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { placeInBrief } from "../../stores/record-fields.ts";
import { accountProblem, accountsMissing, accountsOf, accountsShared } from "./accounts.ts";
import { judgeConsents, judgeHeld } from "./held.ts";
import { alikeShare, findAlike } from "./rules/alike.ts";
import { judgeWaivers, notGiven, type Standing, standingIn } from "./standing.ts";

/** Where a client stands with every store that it wants. */
export interface ClientStanding {
  client: string;
  name: string;
  stores: readonly Standing[];
  /** What keeps its record from being read, and what concerns no single store. */
  problems: readonly Problem[];
  record?: StoreRecord;
  /** Stores in which it is to have an account of its own, of which codes are missing. */
  unshared: readonly StoreKey[];
  /** Codes of those accounts that nobody has given, by their names. */
  codesMissing: readonly string[];
  /** Stores in whose accounts of its own only the client sees what they have assigned, which nobody has given. */
  unassigned: readonly StoreKey[];
  /** Letters that it got, and the day of the first. */
  letters: readonly Letter[];
  asked?: string;
  /** How far each platform is that was built for the store. */
  built?: readonly PlatformBuilt[];
  /** Where its app is in each store in which something has happened, and what is due there. */
  passages: readonly Passage[];
  due: readonly Problem[];
}

/** Where clients stand with their stores; whoever is nearest to done comes first. */
export function standings(
  workspace: Workspace,
  all: readonly ClientView[],
  picked: readonly ClientView[],
  today: string,
): ClientStanding[] {
  const read = all.filter(isTold);
  const shared = accountsShared(
    read.map(({ client }) => ({ client: client.key, accounts: accountsOf(workspace, client) })),
  );
  const alike = alikeProblems(read.map(({ told }) => told.record));
  return picked
    .map((resolved): ClientStanding => {
      const { client, values, problems } = resolved;
      const name = values["app.name"]?.value ?? client.key;
      if (!isTold(resolved))
        return {
          client: client.key,
          name,
          stores: [],
          unshared: [],
          codesMissing: [],
          unassigned: [],
          letters: [],
          passages: [],
          due: [],
          problems: problems.filter(isError),
        };
      const waived = client.brief?.data.waived ?? [];
      const wanted = wantedStores(workspace, client);
      const accounts = accountsOf(workspace, client);
      const missing = accountsMissing(
        accounts,
        wanted.map(({ key }) => key),
      );
      return {
        client: client.key,
        name,
        record: resolved.told.record,
        letters: [],
        passages: [],
        due: [],
        unassigned:
          accounts.whose === "client"
            ? wanted.filter((store) => notGiven(store, resolved.told.record).length > 0).map(({ key }) => key)
            : [],
        codesMissing: missing.map(({ name: code }) => code),
        unshared: wanted.map(({ key }) => key).filter((key) => missing.some(({ stores }) => stores.includes(key))),
        stores: wanted.map((store) => {
          const standing = standingIn(store, resolved.told.record, waived, today);
          const codes = missing.filter((each) => each.stores.includes(store.key));
          const stopping = problems.filter(({ platform }) => platform && store.takes.includes(platform));
          const own = codes.map((code) => accountProblem(code, client.key));
          return { ...standing, problems: [...stopping, ...standing.problems, ...own] };
        }),
        problems: [
          ...problems.filter(stopsClient),
          ...resolved.told.problems,
          ...judgeWaivers(client.key, waived, today),
          ...judgeConsents(client, resolved.told.record),
          ...judgeHeld(client, { name, today, into: wanted }),
          ...(alike.get(client.key) ?? []),
          ...(shared.get(client.key) ?? []),
        ],
      };
    })
    .sort((a, b) => openOf(a) - openOf(b) || (a.client < b.client ? -1 : 1));
}

const isTold = (each: ClientView): each is ClientView & { told: Told } => each.told !== undefined;

/** Everything that is found of a client, whichever store it concerns; what several say of one thing once. */
export function findingsOf({ problems, due, stores }: ClientStanding): Problem[] {
  const told = new Map<string, { first: Problem; also: string[] }>();
  for (const { title, problems: own } of stores)
    for (const each of own) {
      const { code, severity, about, place } = each;
      const of = about ? [code, severity, about.join("."), place?.line, place?.column].join(" ") : each.message;
      const known = told.get(of);
      if (known) known.also.push(title);
      else told.set(of, { first: each, also: [] });
    }
  const merged = [...told.values()].map(({ first, also }) =>
    also.length === 0 ? first : { ...first, message: `${first.message} ${[...new Set(also)].join(", ")} too.` },
  );
  return [...due, ...problems, ...merged];
}

/** What keeps a client from being done that comes first; what only might be better where nothing does. */
export function nextOf(standing: ClientStanding): Problem | undefined {
  const told = findingsOf(standing);
  return told.find(isError) ?? told.find(({ severity }) => severity === "warning");
}

/** Whether a store has all that it requires, and finds nothing wrong with it. */
export const isComplete = ({ required, problems }: Standing): boolean =>
  required.done === required.total && !problems.some(isError);

/** Whether every store that a client wants has, and nothing stops the client itself. */
export const isCompleteEverywhere = ({ stores, problems }: ClientStanding): boolean =>
  stores.length > 0 && stores.every(isComplete) && !problems.some(isError);

/** How much is still to be done: what is required counts before what is recommended. */
function openOf({ stores, problems }: ClientStanding): number {
  if (stores.length === 0) return Number.POSITIVE_INFINITY;
  const open = stores.reduce(
    (sum, { required, recommended }) =>
      sum + 100 * (required.total - required.done) + (recommended.total - recommended.done),
    0,
  );
  return open + problems.filter(isError).length * 100;
}

function alikeProblems(records: readonly StoreRecord[]): Map<string, Problem[]> {
  const found = new Map<string, Problem[]>();
  const languages = new Map(records.map(({ client, languages: [main = "en"] }) => [client, main]));
  for (const { client, other, share, passage } of findAlike(records)) {
    const percent = Math.round(share * 100);
    const message = `The description says ${percent} % of what ${other}'s does, such as "${passage}".`;
    const expected = `less than ${Math.round(alikeShare * 100)} %`;
    const about = placeInBrief("description", languages.get(client) ?? "en") ?? [];
    found.set(client, [problem("text-alike", message, { client, severity: "warning", expected, about })]);
  }
  return found;
}
