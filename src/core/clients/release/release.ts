import { emptyLedger, type Ledger, lastRelease, type Release } from "../../agency/history/ledger.ts";
import type { Client } from "../../agency/workspace/workspace.ts";
import { definitions } from "../../app/platforms/all.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { fieldOf } from "../../app/variant/variant.ts";
import { isError, type Problem, type ProblemDetail, problem, stoppedPlatforms } from "../../ground/problems/problem.ts";
import { fail, type Result, succeed } from "../../ground/problems/result.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { allStores } from "../../stores/all.ts";
import { fixIdentifiers, reserveIdentifiers } from "./reserve.ts";

/** How the next version follows from the last; `rebuild` keeps it and only uses the next build number. */
export type Kind = "major" | "minor" | "patch" | "rebuild";

export interface ReleaseRequest {
  /** Absent for a first release, which takes the version that brief and defaults give. */
  kind?: Kind;
  /** By language. */
  notes: Readonly<Record<string, string>>;
  /** As 2026-03-01. */
  today: string;
  /** Who takes it, where that is known. */
  by?: string;
  /** Check sum of the template's files. */
  template: string;
  /** What the client is released for. */
  platforms: readonly Platform[];
  /** The sum of its variant; absent where there is none. */
  variant?: string;
}

/** A release, decided and not yet written. */
export interface PlannedRelease {
  client: string;
  before?: Release;
  after: Release;
  /** For every platform that the client wants. */
  isWhole: boolean;
  ledger: Ledger;
}

/** Notes that a store of a platform in use would not take. */
export function judgeNotes({ notes, platforms }: Pick<ReleaseRequest, "notes" | "platforms">): Problem[] {
  const used = allStores.filter(({ takes }) => takes.some((each) => platforms.includes(each)));
  return Object.entries(notes).flatMap(([language, text]) => {
    const length = [...text].length;
    const strict = used.filter(({ mostNotes }) => length > mostNotes);
    if (strict.length === 0) return [];
    const limits = strict.map(({ title, mostNotes }) => `${mostNotes} for the ${title}`).join(", ");
    const message = `The notes in ${language} have ${length} characters.`;
    return [problem("notes-long", message, { expected: `at most ${limits}` })];
  });
}

/**
 * Takes a client's last release back, as long as there is no later one; identifiers that no other release has fixed
 * are free again.
 */
export function planTakingBack({ client, ledger }: Pick<Client, "ledger"> & { client: string }): Result<TakenBack> {
  const last = ledger && lastRelease(ledger);
  if (!last) {
    const message = `${client} has taken no number: there is nothing to take back.`;
    return fail(problem("release-refused", message, { client, fix: "Name clients that have taken a number." }));
  }
  const releases = ledger.releases.slice(0, -1);
  const isReleased = (platform: string) =>
    releases.some(({ platforms }) => platforms?.some((each) => each === platform) ?? true);
  const identifiers = Object.entries(ledger.identifiers).map(([platform, held]) => {
    const { fixed: _, ...free } = held;
    return [platform, isReleased(platform) || held.fixed !== last.on ? held : { reserved: last.on, ...free }];
  });
  const before = releases.at(-1);
  return succeed({
    client,
    taken: last,
    ...(before ? { before } : {}),
    ledger: { ...ledger, releases, identifiers: Object.fromEntries(identifiers) },
  });
}

/** A release that is taken back, decided and not yet written. */
export interface TakenBack {
  client: string;
  taken: Release;
  /** The release that is the last one then. */
  before?: Release;
  ledger: Ledger;
}

const following: Readonly<Record<Kind, (parts: readonly [number, number, number]) => number[]>> = {
  major: ([major]) => [major + 1, 0, 0],
  minor: ([major, minor]) => [major, minor + 1, 0],
  patch: ([major, minor, patch]) => [major, minor, patch + 1],
  rebuild: (parts) => [...parts],
};

/** Decides a client's next release, or says why it cannot be made. Pure. */
export function planRelease({ client, variant, problems }: Resolved, request: ReleaseRequest): Result<PlannedRelease> {
  const named = (message: string, detail: ProblemDetail = {}) =>
    fail(problem("release-refused", message, { ...detail, client: client.key }));
  if (!variant) return fail(...problems.filter(isError));
  const ledger = client.ledger ?? emptyLedger;
  const before = lastRelease(ledger);
  if (before && !request.kind) {
    return named(`${client.key} is at ${before.version}: say how the next version follows.`, {
      expected: "--major, --minor, --patch or --rebuild",
    });
  }
  if (!before && request.kind === "rebuild")
    return named(`${client.key} has taken no number yet: there is nothing to build again.`);
  if (request.platforms.length === 0)
    return named(`${client.key} is made for none of the platforms that are asked for.`, {
      expected: variant.platforms.join(", "),
      fix: "Name one of those with --platform, or none for all of them.",
    });
  const version = before && request.kind ? bump(before.version, request.kind) : fieldOf(variant, "version");
  const build = before ? before.build + 1 : Number(fieldOf(variant, "build"));
  const most = Math.min(...request.platforms.map((each) => definitions[each].mostBuilds));
  if (build > most)
    return named(`${client.key}: build number ${build} is more than ${most}, the most a platform in use takes.`);
  const after: Release = {
    version,
    build,
    on: request.today,
    ...(request.by === undefined ? {} : { by: request.by }),
    template: request.template,
    ...(request.variant === undefined ? {} : { variant: request.variant }),
    platforms: [...request.platforms],
    // The same version says what it said.
    notes: { ...(request.kind === "rebuild" ? before?.notes : {}), ...request.notes },
  };
  const reserved = reserveIdentifiers(variant, request.platforms, ledger, request.today) ?? ledger;
  const released = fixIdentifiers(reserved, request.platforms, request.today);
  return succeed({
    client: client.key,
    ...(before ? { before } : {}),
    after,
    isWhole:
      stoppedPlatforms(problems).length === 0 && variant.platforms.every((each) => request.platforms.includes(each)),
    ledger: { ...released, releases: [...released.releases, after] },
  });
}

function bump(version: string, kind: Kind): string {
  const [major = 0, minor = 0, patch = 0] = version.split(".").map(Number);
  return following[kind]([major, minor, patch]).join(".");
}
