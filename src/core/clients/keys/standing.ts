import type { KeyRecord, KeyRecords } from "../../agency/history/keys.ts";
import type { KeyRequest } from "../../agency/history/requests.ts";
import type { OwnKeys } from "../../agency/workspace/workspace.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { isSameName } from "../../ground/certificates/x500.ts";
import { ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { type Result, succeed } from "../../ground/problems/result.ts";
import { daysAfter } from "../../ground/values/day.ts";
import type { Field } from "../../ground/values/fields.ts";
import { type KeyRole, keyRoleFacts, keyRoles } from "./roles.ts";

/** How a client stands with one of its keys. */
export interface KeyStanding {
  role: KeyRole;
  record?: KeyRecord;
  /** The client that it is kept with, where that is another one of the same team. */
  keptWith?: string;
  /** It is asked for, and nothing has come back. */
  request?: KeyRequest;
  problems: readonly Problem[];
}

/** A client with its keys: those that its app wants, and those that it has. */
export interface ClientKeys {
  client: string;
  keys: readonly KeyStanding[];
  /** What keeps its keys from being known. */
  problems: readonly Problem[];
}

/** So many days before its end a certificate is told of, where nobody says. */
export const usualNotice = 60;

const noKeys: OwnKeys = { records: {}, requests: {}, profiles: {} };

/** What may be known of a client's keys. */
export const ownKeys = ({ client }: Pick<Resolved, "client">): Result<OwnKeys> => client.keys ?? succeed(noKeys);

/** The roles that a client's app wants keys for. */
export const wantedRoles = ({ platforms, features, values }: Variant): KeyRole[] =>
  keyRoles.filter((role) => {
    const { platform, feature, subject, isOptional = false, isOfTeam } = keyRoleFacts[role];
    const has = feature === undefined || features.some(({ name, isOn }) => name === feature && isOn);
    const isKnown = (field: Field | undefined) => field === undefined || values[field] !== undefined;
    const isWanted = platforms.includes(platform) && has && !isOptional;
    return isWanted && isKnown(subject) && isKnown(isOfTeam && "signing.team");
  });

/**
 * How clients stand with their keys, as far as that can be told without the vault: what is missing, what ends, what is
 * weak or not as its role wants it, and what two clients have in common.
 */
export function keyStandings(
  all: readonly Resolved[],
  { today, notice = usualNotice }: { today: string; notice?: number },
): ClientKeys[] {
  const read = all.map((each) => ({ each, known: ownKeys(each) }));
  const holders = holdersOf(
    read.flatMap(({ each, known }) => (known.ok ? [{ client: each.client.key, keys: known.value.records }] : [])),
  );
  const held = heldKeys(all);
  return read.map(({ each, known }) => {
    const client = each.client.key;
    if (!known.ok) return { client, keys: [], problems: ofClient(client, known.problems) };
    const { records, requests } = known.value;
    const variant = each.variant ?? each.draft;
    const wanted = variant ? wantedRoles(variant) : [];
    const publisher = each.values["windows.publisher"]?.value;
    const team = each.values["signing.team"]?.value;
    const roles = keyRoles.filter((role) => wanted.includes(role) || records[role] || requests[role]);
    return {
      client,
      problems: [],
      keys: roles.map((role): KeyStanding => {
        const { client: keeper = client, record } = held(each, role) ?? {};
        const request = requests[role];
        const asked = request ? { request } : {};
        if (!record) return { role, ...asked, problems: wanted.includes(role) ? [missing(client, role, request)] : [] };
        // What is wrong with one that is kept with another client is told of that one.
        const found =
          keeper === client
            ? [
                ...judgeKey(client, role, record, { today, notice, publisher, team }),
                ...shared(client, role, record, holders),
              ]
            : [];
        return { role, record, ...(keeper === client ? {} : { keptWith: keeper }), ...asked, problems: found };
      }),
    };
  });
}

/** A key, and the client that it is kept with. */
export interface HeldKey {
  client: string;
  record: KeyRecord;
}

/** The key that a client has of a role: its own, or the one that is kept with another client of its team. */
export function heldKeys(all: readonly Resolved[]): (own: Resolved, role: KeyRole) => HeldKey | undefined {
  const ofTeams = new Map<string, HeldKey>();
  for (const each of all) {
    const known = ownKeys(each);
    for (const [role, record] of known.ok ? Object.entries(known.value.records) : [])
      if (record.team !== undefined && keyRoleFacts[role as KeyRole]?.isOfTeam)
        ofTeams.set(`${role} ${record.team}`, { client: each.client.key, record });
  }
  return (own, role) => {
    const known = ownKeys(own);
    const record = known.ok ? known.value.records[role] : undefined;
    return record ? { client: own.client.key, record } : ofTeams.get(`${role} ${own.values["signing.team"]?.value}`);
  };
}

const missing = (client: string, role: KeyRole, request: KeyRequest | undefined): Problem => {
  const { title, says, platform, comes } = keyRoleFacts[role];
  const asked = request && `Its ${title} was asked for on ${request.on}, and has not come back.`;
  return problem("key-absent", asked ?? `There is no ${title}. ${says}`, {
    client,
    severity: "warning",
    platform,
    fix: asked ? "`oxalis keys accept` takes the certificate in." : waysToKey[comes],
  });
};

/** How somebody gets a key, by how it comes. */
const waysToKey = {
  made: "`oxalis keys make` makes one; `oxalis keys adopt` takes one that there is.",
  requested: "`oxalis keys request` asks for one; `oxalis keys adopt` takes one that there is.",
  fetched: "Make it at the platform, fetch its file there, and `oxalis keys adopt` it.",
} as const;

/** Which clients have a key of this fingerprint. */
type Holders = ReadonlyMap<string, readonly string[]>;

function holdersOf(all: readonly { client: string; keys: KeyRecords }[]): Holders {
  const holders = new Map<string, string[]>();
  for (const { client, keys } of all)
    for (const mark of new Set(Object.values(keys).flatMap((record) => markOf(record) ?? [])))
      holders.set(mark, [...(holders.get(mark) ?? []), client]);
  return holders;
}

/** So much of what a key is told from others by as goes into a file's name. */
export const markInName = (mark: string | undefined): string | undefined =>
  mark?.replaceAll(":", "").slice(0, 8).toLowerCase();

/** What a key is told from others by. */
export const markOf = ({ sha256, point }: Pick<KeyRecord, "sha256" | "point">): string | undefined => sha256 ?? point;

/** So many clients that have the same key are named. */
const mostNamed = 4;

function shared(client: string, role: KeyRole, record: KeyRecord, holders: Holders): Problem[] {
  const others = (holders.get(markOf(record) ?? "") ?? []).filter((each) => each !== client);
  if (others.length === 0) return [];
  const { title, platform } = keyRoleFacts[role];
  const more = others.length - mostNamed;
  const whose = more > 0 ? `${others.slice(0, mostNamed).join(", ")} and ${more} more's` : `${others.join(", ")}'s`;
  return [
    problem("key-shared", `Its ${title} is ${whose} too: whoever has the one can sign as the other.`, {
      client,
      platform,
    }),
  ];
}

/** What a key is held against: the day, days before its end that it is told of, and what the client says. */
export interface KeyGiven {
  today: string;
  notice: number;
  publisher: string | undefined;
  team: string | undefined;
}

/** What is wrong with a key by what is known of it. */
export function judgeKey(
  client: string,
  role: KeyRole,
  record: KeyRecord,
  { today, notice, publisher, team }: KeyGiven,
): Problem[] {
  const { title, platform, leastBits = 0, beyond, subject, loss, comes } = keyRoleFacts[role];
  const { until, from, algorithm } = record;
  const ended = comes === "requested" ? "`oxalis keys request --renew` asks for another one." : loss;
  const tell = (
    code: "key-ends" | "key-early" | "key-weak" | "key-unfit" | "key-foreign",
    message: string,
    severity: Problem["severity"] = "error",
  ) => problem(code, message, { client, platform, severity, ...(code === "key-ends" ? { fix: ended } : {}) });
  const bits = Number(/^RSA (\d+)$/.exec(algorithm)?.[1] ?? Number.POSITIVE_INFINITY);
  return [
    ...(until !== undefined && until < today ? [tell("key-ends", `Its ${title} has ended on ${until}.`)] : []),
    ...(until !== undefined && until >= today && until <= daysAfter(today, notice)
      ? [tell("key-ends", `Its ${title} ends on ${until}.`, "warning")]
      : []),
    ...(from !== undefined && from > today ? [tell("key-early", `Its ${title} begins on ${from} only.`)] : []),
    ...(beyond !== undefined && until !== undefined && until <= beyond
      ? [tell("key-unfit", `Its ${title} ends on ${until}; the store wants one that lasts beyond ${beyond}.`)]
      : []),
    ...(bits < leastBits ? [tell("key-weak", `Its ${title} has ${bits} bits; ${leastBits} are wanted at least.`)] : []),
    ...(record.team !== undefined && team !== undefined && record.team !== team
      ? [tell("key-foreign", `Its ${title} is of the team ${record.team}; the app is signed by ${team}.`)]
      : []),
    ...(subject && !isSameName(record.subject, publisher)
      ? [
          tell(
            "key-unfit",
            `The subject of its ${title} is "${record.subject}", the package's publisher "${publisher ?? "nobody"}".`,
          ),
        ]
      : []),
  ];
}
