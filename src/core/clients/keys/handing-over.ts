import type { KeyRecord } from "../../agency/history/keys.ts";
import type { ProfileRecord } from "../../agency/history/profiles.ts";
import { profileKindNames } from "../../app/platforms/apple/profile.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { platformNames } from "../../ground/values/platform.ts";
import { type KeyRole, keyRoleFacts } from "./roles.ts";
import type { ClientKeys } from "./standing.ts";

/** What of a client's goes with it when it leaves, and what stays, each with why. */
export interface HandOver {
  keys: readonly { role: KeyRole; record: KeyRecord }[];
  profiles: readonly ProfileRecord[];
  stays: readonly { title: string; why: string }[];
}

/**
 * Decides what goes with a client: its own keys and profiles. A key of a team that signs other clients' apps too is
 * not its own, and stays.
 */
export function handOverOf(
  { client, keys }: ClientKeys,
  profiles: readonly ProfileRecord[],
  all: readonly Resolved[],
): HandOver {
  const others = (team: string | undefined) =>
    team === undefined
      ? []
      : all.filter((each) => each.client.key !== client && each.values["signing.team"]?.value === team);
  const judged = keys.flatMap(({ role, record, keptWith }) => {
    if (!record) return [];
    const sharing = keyRoleFacts[role].isOfTeam ? others(record.team).map((each) => each.client.key) : [];
    const users = keptWith === undefined ? sharing : [keptWith, ...sharing.filter((each) => each !== keptWith)];
    return [{ role, record, users }];
  });
  return {
    keys: judged.filter(({ users }) => users.length === 0),
    profiles,
    stays: judged
      .filter(({ users }) => users.length > 0)
      .map(({ role, record, users }) => ({
        title: keyRoleFacts[role].title,
        why: `It is of the team ${record.team}, which signs the apps of ${users.join(", ")} too.`,
      })),
  };
}

/** What a hand-over holds, as whoever gets it reads it. @param given.files of each key or profile, by its name */
export function handOverList(
  { keys, profiles, stays }: HandOver,
  given: { name: string; agency: string; today: string; files: ReadonlyMap<string, readonly string[]> },
): string {
  const { name, agency, today, files } = given;
  const rows = (of: Readonly<Record<string, string | undefined>>) =>
    Object.entries(of)
      .filter(([, value]) => value)
      .map(([what, value]) => `  ${what.padEnd(12)} ${value}`);
  const filesOf = (of: string) => (files.get(of) ?? []).join(", ");
  const parts = [
    [
      `What signs ${name}`,
      `From ${agency}, on ${today}.`,
      "",
      "Whoever has these files and their passwords can publish in your name. Keep them where you keep what must not be",
      "lost, give them to nobody but those who build your app, and destroy this archive once they are there.",
    ],
    ...keys.map(({ role, record }) => {
      const { title, platform, says, loss } = keyRoleFacts[role];
      return [
        `${platformNames[platform]}: ${title}`,
        `  ${says}`,
        `  If it is lost: ${loss}`,
        ...rows({
          files: filesOf(record.name),
          alias: record.alias,
          kind: record.algorithm,
          subject: record.subject,
          from: record.from,
          until: record.until,
          "SHA-256": record.sha256,
          "SHA-1": record.sha1,
          "public half": record.point,
          team: record.team,
          "key ID": record.keyId,
          issuer: record.issuer,
        }),
      ];
    }),
    ...profiles.map((record) => [
      `${platformNames[record.platform]}: profile "${record.title}", ${profileKindNames[record.kind]}`,
      ...rows({
        files: filesOf(record.name),
        identifier: record.identifier,
        team: record.team,
        until: record.until,
        UUID: record.uuid,
      }),
    ]),
    ...(stays.length > 0
      ? [["Not in this archive", ...stays.map(({ title, why }) => `  ${title}: ${why}`), "  Ask for one of your own."]]
      : []),
  ];
  return `${parts.map((lines) => lines.join("\n")).join("\n\n")}\n`;
}
