import type { KeyRecord, KeyRecords } from "../../agency/history/keys.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { isSameName } from "../../ground/certificates/x500.ts";
import { ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { succeed } from "../../ground/problems/result.ts";
import { daysAfter } from "../../ground/values/day.ts";
import { type KeyRole, keyRoleFacts, keyRoles } from "./roles.ts";

/** How a client stands with one of its keys. */
export interface KeyStanding {
  role: KeyRole;
  record?: KeyRecord;
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
const usualNotice = 60;

/** The roles that a client's app wants keys for. */
export const wantedRoles = ({ platforms, features, values }: Variant): KeyRole[] =>
  keyRoles.filter((role) => {
    const { platform, feature, subject } = keyRoleFacts[role];
    const has = feature === undefined || features.some(({ name, isOn }) => name === feature && isOn);
    return platforms.includes(platform) && has && (subject === undefined || values[subject] !== undefined);
  });

/**
 * How clients stand with their keys, as far as that can be told without the vault: what is missing, what ends, what is
 * weak or not as its role wants it, and what two clients have in common.
 */
export function keyStandings(
  all: readonly Resolved[],
  { today, notice = usualNotice }: { today: string; notice?: number },
): ClientKeys[] {
  const read = all.map((each) => ({ each, known: each.client.keys ?? succeed<KeyRecords>({}) }));
  const holders = holdersOf(
    read.flatMap(({ each, known }) => (known.ok ? [{ client: each.client.key, keys: known.value }] : [])),
  );
  return read.map(({ each, known }) => {
    const client = each.client.key;
    if (!known.ok) return { client, keys: [], problems: ofClient(client, known.problems) };
    const variant = each.variant ?? each.draft;
    const wanted = variant ? wantedRoles(variant) : [];
    const roles = keyRoles.filter((role) => wanted.includes(role) || known.value[role] !== undefined);
    return {
      client,
      problems: [],
      keys: roles.map((role): KeyStanding => {
        const record = known.value[role];
        if (!record) return { role, problems: [missing(client, role)] };
        const found = [
          ...judgeKey(client, role, record, { today, notice, publisher: each.values["windows.publisher"]?.value }),
          ...shared(client, role, record, holders),
        ];
        return { role, record, problems: found };
      }),
    };
  });
}

const missing = (client: string, role: KeyRole): Problem => {
  const { title, says, platform } = keyRoleFacts[role];
  return problem("key-absent", `There is no ${title}. ${says}`, {
    client,
    severity: "warning",
    platform,
    fix: "`oxalis keys make` makes one; `oxalis keys adopt` takes one that there is.",
  });
};

/** Which clients have a key of this fingerprint. */
type Holders = ReadonlyMap<string, readonly string[]>;

function holdersOf(all: readonly { client: string; keys: KeyRecords }[]): Holders {
  const holders = new Map<string, string[]>();
  for (const { client, keys } of all)
    for (const mark of new Set(Object.values(keys).flatMap((record) => markOf(record) ?? [])))
      holders.set(mark, [...(holders.get(mark) ?? []), client]);
  return holders;
}

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

/** What is wrong with a key by what is known of it. */
export function judgeKey(
  client: string,
  role: KeyRole,
  record: KeyRecord,
  { today, notice, publisher }: { today: string; notice: number; publisher: string | undefined },
): Problem[] {
  const { title, platform, leastBits = 0, beyond, subject, loss } = keyRoleFacts[role];
  const { until, from, algorithm } = record;
  const tell = (
    code: "key-ends" | "key-weak" | "key-unfit",
    message: string,
    severity: Problem["severity"] = "error",
  ) => problem(code, message, { client, platform, severity, ...(code === "key-ends" ? { fix: loss } : {}) });
  const bits = Number(/^RSA (\d+)$/.exec(algorithm)?.[1] ?? Number.POSITIVE_INFINITY);
  return [
    ...(until !== undefined && until < today ? [tell("key-ends", `Its ${title} has ended on ${until}.`)] : []),
    ...(until !== undefined && until >= today && until <= daysAfter(today, notice)
      ? [tell("key-ends", `Its ${title} ends on ${until}.`, "warning")]
      : []),
    ...(from !== undefined && from > today ? [tell("key-ends", `Its ${title} begins on ${from} only.`)] : []),
    ...(beyond !== undefined && until !== undefined && until <= beyond
      ? [tell("key-unfit", `Its ${title} ends on ${until}; the store wants one that lasts beyond ${beyond}.`)]
      : []),
    ...(bits < leastBits ? [tell("key-weak", `Its ${title} has ${bits} bits; ${leastBits} are wanted at least.`)] : []),
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

/**
 * What is wrong with clients' keys, by client; what keeps keys from being known is among each client's own problems.
 * Nothing where the agency keeps no keys here.
 */
export function keyFindings(
  workspace: Workspace,
  all: readonly Resolved[],
  today: string,
): ReadonlyMap<string, readonly Problem[]> {
  const standings = keyStandings(all, { today });
  const hasSome = standings.some(({ keys, problems }) => problems.length > 0 || keys.some(({ record }) => record));
  if (workspace.agency.data.vault === undefined && !hasSome) return new Map();
  return new Map(standings.map(({ client, keys }) => [client, keys.flatMap((each) => each.problems)]));
}
