import { keyRoleFacts } from "../../core/clients/keys/roles.ts";
import type { ClientKeys, KeyStanding } from "../../core/clients/keys/standing.ts";
import { isError, type Problem } from "../../core/ground/problems/problem.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import { placeData } from "./data.ts";
import { showProblems } from "./problems.ts";
import { table } from "./table.ts";
import { countOf, type Terminal } from "./terminal.ts";

/** Clients' keys as data: nothing of it is secret. */
export const keysData = (all: readonly ClientKeys[]): object => ({
  clients: all.map(({ client, keys, problems }) => ({
    client,
    keys: keys.map(({ role, record, problems: own }) => ({ role, ...record, problems: own.map(placeData) })),
    problems: problems.map(placeData),
  })),
});

/** Everything that was found of keys. */
export const keyProblems = (all: readonly ClientKeys[]): Problem[] =>
  all.flatMap(({ keys, problems }) => [...problems, ...keys.flatMap((each) => each.problems)]);

/** A list of keys, a line each, and below what is wrong with them. @param sound is said of a key without a fault */
export function showKeys(
  all: readonly ClientKeys[],
  sound: string,
  { out, err, print, note, room, settings }: Terminal,
): void {
  const rows = all.flatMap(({ client, keys }) =>
    keys.map((each, at) => [
      at === 0 ? out.bold(client) : "",
      platformNames[keyRoleFacts[each.role].platform],
      keyRoleFacts[each.role].title,
      each.record?.algorithm ?? "",
      each.record?.until ?? "",
      markShown(each),
      stateOf(each, sound, out),
    ]),
  );
  if (!settings.quiet && rows.length > 0)
    print(`${table(["client", "platform", "key", "kind", "until", "fingerprint", "state"], rows, out, room)}\n`);
  const told = keyProblems(all).filter(({ code }) => settings.verbose || code !== "key-absent");
  if (told.length > 0) note(showProblems(told, err));
  const count = all.reduce((sum, { keys }) => sum + keys.filter(({ record }) => record).length, 0);
  const absent = all.reduce((sum, { keys }) => sum + keys.filter(({ record }) => !record).length, 0);
  const open = absent > 0 ? `, ${absent} to be made or adopted` : "";
  if (!settings.quiet) print(`${countOf(count, "key")} of ${countOf(all.length, "client")}${open}.`);
}

/** The beginning of a fingerprint, by which keys are told apart. */
const markShown = ({ record }: KeyStanding): string =>
  record?.sha256?.slice(0, 11) ?? record?.point?.slice(0, 11) ?? "";

function stateOf({ record, problems }: KeyStanding, sound: string, out: Terminal["out"]): string {
  if (!record) return out.yellow("missing");
  const [worst] = [...problems].sort((a, b) => Number(isError(b)) - Number(isError(a)));
  if (!worst) return out.green(sound);
  const says = states[worst.code as keyof typeof states] ?? "wrong";
  return isError(worst) ? out.red(says) : out.yellow(says);
}

/** What a list says of a key, by what was found of it. */
const states = {
  "key-ends": "ends",
  "key-shared": "shared",
  "key-weak": "weak",
  "key-unfit": "unfit",
  "key-lost": "lost",
  "key-changed": "changed",
  "vault-other": "in another vault",
} as const;
