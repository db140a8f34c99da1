import type { ProfileRecord } from "../../agency/history/profiles.ts";
import { againstProfile, isProfileOf, type ProfileKind, profileKindNames } from "../../app/platforms/apple/profile.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { daysAfter } from "../../ground/values/day.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { KeyRole } from "./roles.ts";

/** What is signed with a profile of its own: the app, or what it brings along. */
export interface SignedApp {
  /** By its target's name; absent of the app itself. */
  target?: string;
  platform: Platform;
  identifier: string;
  /** What it asks for, as the variant has it; undefined where that cannot be read. */
  entitlements?: Readonly<Record<string, unknown>>;
}

/** How a client stands with one of its profiles. */
export interface ProfileStanding {
  target?: string;
  platform: Platform;
  identifier: string;
  kind: ProfileKind;
  record?: ProfileRecord;
  problems: readonly Problem[];
}

/** What a client's profiles are held against. */
export interface ProfilesGiven {
  client: string;
  apps: readonly SignedApp[];
  team: string | undefined;
  /** The profile that the brief names for the app. */
  named: string | undefined;
  /** SHA-256 of the certificates that are kept for the team, by what they are for. */
  certificates: Readonly<Partial<Record<KeyRole, string>>>;
  today: string;
  notice: number;
}

/** The certificate that signs with a profile of a kind. */
const signsWith: Readonly<Partial<Record<ProfileKind, KeyRole>>> = {
  store: "apple-distribution",
  testers: "apple-distribution",
  development: "apple-development",
};

/**
 * How a client stands with its provisioning profiles: one for the store for each target, and what else there is.
 * Nothing is missing of one whose team is not known.
 */
export function profileStandings(profiles: readonly ProfileRecord[], given: ProfilesGiven): ProfileStanding[] {
  const { apps, team } = given;
  const standing = apps.flatMap((app): ProfileStanding[] => {
    const own = profiles.filter(
      (each) => each.platform === app.platform && isProfileOf(each.identifier, app.identifier),
    );
    const exact = own.filter((each) => each.identifier === app.identifier);
    const fit = exact.length > 0 ? exact : own;
    const told = fit.map((record) => standingOf(app, record, given));
    const lacks = team !== undefined && !fit.some(({ kind }) => kind === "store");
    return [...(lacks ? [absent(app, fit, given.client)] : []), ...told];
  });
  const known = new Set(standing.map(({ record }) => record));
  // Of a stage's own identifier: nothing is known of what it has to hold.
  const others = profiles.filter((each) => !known.has(each));
  return [
    ...standing,
    ...others.map(
      (record): ProfileStanding => ({
        platform: record.platform,
        identifier: record.identifier,
        kind: record.kind,
        record,
        problems: judged(record, "a profile of a stage", given),
      }),
    ),
  ];
}

const nameOf = ({ target }: Pick<SignedApp, "target">): string => (target === undefined ? "the app" : target);

function absent(app: SignedApp, others: readonly ProfileRecord[], client: string): ProfileStanding {
  const [other] = others;
  const but = other ? ` The one that there is, "${other.title}", is ${profileKindNames[other.kind]}.` : "";
  const message = `There is no profile for the store for ${nameOf(app)}, ${app.identifier}.${but}`;
  return {
    ...placeOf(app),
    kind: "store",
    problems: [problem("profile-absent", message, { client, platform: app.platform, severity: "warning" })],
  };
}

const placeOf = ({ target, platform, identifier }: SignedApp) => ({
  ...(target === undefined ? {} : { target }),
  platform,
  identifier,
});

function standingOf(app: SignedApp, record: ProfileRecord, given: ProfilesGiven): ProfileStanding {
  const { client, named } = given;
  const of = `the profile "${record.title}" of ${nameOf(app)}`;
  const { lacks, exceeds } = againstProfile(app.entitlements ?? {}, record);
  const tell = (code: "profile-lacks" | "profile-exceeds" | "profile-unfit", message: string) =>
    problem(code, message, {
      client,
      platform: app.platform,
      severity: code === "profile-exceeds" ? "warning" : "error",
    });
  const isNamed = app.target === undefined && named === record.title && record.kind !== "store";
  return {
    ...placeOf(app),
    kind: record.kind,
    record,
    problems: [
      ...judged(record, of, given),
      ...(isNamed
        ? [tell("profile-unfit", `The brief names ${of} for the store; it is ${profileKindNames[record.kind]}.`)]
        : []),
      ...(lacks.length > 0
        ? [tell("profile-lacks", `${capital(nameOf(app))} asks for ${list(lacks)}, and ${of} does not grant that.`)]
        : []),
      ...(app.entitlements && exceeds.length > 0
        ? [tell("profile-exceeds", `${capital(of)} grants ${list(exceeds)}, which ${nameOf(app)} does not ask for.`)]
        : []),
    ],
  };
}

const list = (keys: readonly string[]): string => keys.join(", ");
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What is wrong with a profile by itself: its days, its team, and the certificates that may sign with it. */
function judged(record: ProfileRecord, of: string, { client, team, certificates, today, notice }: ProfilesGiven) {
  const { platform, until, kind } = record;
  const role = signsWith[kind];
  const certificate = role && certificates[role];
  const tell = (code: "profile-ends" | "profile-foreign" | "profile-unsigned", message: string, isError = true) =>
    problem(code, message, { client, platform, severity: isError ? "error" : "warning" });
  return [
    ...(until < today ? [tell("profile-ends", `${capital(of)} has ended on ${until}.`)] : []),
    ...(until >= today && until <= daysAfter(today, notice)
      ? [tell("profile-ends", `${capital(of)} ends on ${until}.`, false)]
      : []),
    ...(team !== undefined && record.team !== team
      ? [tell("profile-foreign", `${capital(of)} is of the team ${record.team}; the app is signed by ${team}.`)]
      : []),
    ...(certificate !== undefined && !record.certificates.includes(certificate)
      ? [
          tell(
            "profile-unsigned",
            `${capital(of)} does not hold the certificate that is kept, ${certificate.slice(0, 11)}….`,
          ),
        ]
      : []),
  ];
}
