import { profileKindNames } from "../../core/app/platforms/apple/profile.ts";
import type { ProfileStanding } from "../../core/clients/keys/profiles.ts";
import { keyRoleFacts } from "../../core/clients/keys/roles.ts";
import type { KeyStanding } from "../../core/clients/keys/standing.ts";
import { isError, type Problem } from "../../core/ground/problems/problem.ts";
import { type Platform, platformNames, platforms } from "../../core/ground/values/platform.ts";
import { type ClientSigning, signingProblems } from "../../core/proving/keys/findings.ts";
import { placeData } from "./data.ts";
import { showGrouped } from "./groups.ts";
import { table } from "./table.ts";
import { countOf, type Terminal } from "./terminal.ts";

/** The days on which keys were last proven, by their names. */
type ProvenDays = Readonly<Record<string, string>>;

/** Clients' keys as data: nothing of it is secret. */
export const keysData = (all: readonly ClientSigning[], proven: ProvenDays = {}): object => {
  const dayOf = (name: string | undefined) =>
    name !== undefined && proven[name] !== undefined ? { proven: proven[name] } : {};
  return {
    clients: all.map(({ client, keys, profiles, problems }) => ({
      client,
      keys: keys.map(({ role, record, keptWith, request, problems: own }) => ({
        role,
        ...record,
        ...(keptWith === undefined ? {} : { keptWith }),
        ...(request ? { asked: request.on } : {}),
        ...dayOf(record?.name),
        problems: own.map(placeData),
      })),
      profiles: profiles.map(({ target, platform, identifier, kind, record, problems: own }) => ({
        ...(target === undefined ? {} : { target }),
        ...record,
        platform,
        identifier,
        kind,
        ...dayOf(record?.name),
        problems: own.map(placeData),
      })),
      problems: problems.map(placeData),
    })),
  };
};

/** Everything that was found of keys. */
export const keyProblems = (all: readonly ClientSigning[]): Problem[] =>
  all.flatMap((each) => [...each.problems, ...signingProblems(each)]);

/** What is missing is a line of the list, and told below only where somebody asks for everything. */
const absent: ReadonlySet<string> = new Set(["key-absent", "profile-absent"]);

/**
 * A list of keys and profiles, a line each, and below what is wrong with them.
 * @param sound is said of one without a fault, by its name
 */
export function showKeys(
  all: readonly ClientSigning[],
  sound: (name: string) => string,
  { out, err, print, note, room, settings }: Terminal,
): void {
  const rows = all.flatMap(({ client, keys, profiles }) =>
    [
      ...keys.map((each): Shown => ({ platform: keyRoleFacts[each.role].platform, row: keyRow(each, sound, out) })),
      ...profiles.map((each): Shown => ({ platform: each.platform, row: profileRow(each, sound, out) })),
    ]
      .sort((a, b) => platforms.indexOf(a.platform) - platforms.indexOf(b.platform))
      .map(({ platform, row }, at) => [at === 0 ? out.bold(client) : "", platformNames[platform], ...row]),
  );
  if (!settings.quiet && rows.length > 0)
    print(`${table(["client", "platform", "key", "kind", "until", "fingerprint", "state"], rows, out, room)}\n`);
  const told = keyProblems(all).filter(({ code }) => settings.verbose || !absent.has(code));
  if (told.length > 0) note(`${showGrouped(told, settings.verbose === true, err)}\n`);
  if (!settings.quiet) print(counted(all));
}

/** A line of the list, from behind its platform. */
interface Shown {
  platform: Platform;
  row: string[];
}

const keyRow = (each: KeyStanding, sound: (name: string) => string, out: Terminal["out"]): string[] => [
  keyRoleFacts[each.role].title,
  each.record?.algorithm ?? "",
  each.record?.until ?? "",
  each.record?.sha256?.slice(0, 11) ?? each.record?.point?.slice(0, 11) ?? "",
  keyState(each, sound, out),
];

const profileRow = (each: ProfileStanding, sound: (name: string) => string, out: Terminal["out"]): string[] => [
  profileName(each),
  each.record && each.record.devices > 0 ? countOf(each.record.devices, "device") : "",
  each.record?.until ?? "",
  each.record?.uuid.slice(0, 8) ?? "",
  stateOf(each, sound, out),
];

/** How many there are, and how many are missing. */
function counted(all: readonly ClientSigning[]): string {
  const keys = all.flatMap((each) => each.keys.filter(({ keptWith }) => keptWith === undefined));
  const profiles = all.flatMap((each) => each.profiles);
  const there = (list: readonly { record?: unknown }[]) => list.filter(({ record }) => record).length;
  const held = [countOf(there(keys), "key"), ...(profiles.length > 0 ? [countOf(there(profiles), "profile")] : [])];
  const missing = keys.length + profiles.length - there(keys) - there(profiles);
  return `${held.join(" and ")} of ${countOf(all.length, "client")}${missing > 0 ? `, ${missing} missing` : ""}.`;
}

const profileName = ({ kind, target }: ProfileStanding): string =>
  `profile ${profileKindNames[kind]}${target === undefined ? "" : `, ${target}`}`;

function keyState(standing: KeyStanding, sound: (name: string) => string, out: Terminal["out"]): string {
  const { record, request, keptWith } = standing;
  if (!record && request) return out.yellow(`asked for on ${request.on}`);
  const state = stateOf(standing, sound, out);
  return keptWith === undefined ? state : `${state}, with ${keptWith}`;
}

function stateOf(
  { record, problems }: Pick<KeyStanding | ProfileStanding, "record" | "problems">,
  sound: (name: string) => string,
  out: Terminal["out"],
): string {
  if (!record) return out.yellow("missing");
  const [worst] = [...problems].sort((a, b) => Number(isError(b)) - Number(isError(a)));
  if (!worst) return out.green(sound(record.name));
  const says = states[worst.code as keyof typeof states] ?? "wrong";
  return isError(worst) ? out.red(says) : out.yellow(says);
}

/** What a list says of a key or profile, by what was found of it. */
const states = {
  "key-ends": "ends",
  "key-early": "not valid yet",
  "key-shared": "shared",
  "key-weak": "weak",
  "key-unfit": "unfit",
  "key-foreign": "of another team",
  "key-lost": "lost",
  "key-changed": "changed",
  "vault-other": "in another vault",
  "profile-ends": "ends",
  "profile-lacks": "lacks something",
  "profile-exceeds": "grants more",
  "profile-unfit": "of the wrong kind",
  "profile-unsigned": "without our certificate",
  "profile-foreign": "of another team",
} as const;
