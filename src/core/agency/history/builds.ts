import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { sumForm } from "../../ground/values/hash.ts";
import { resultKinds } from "../../ground/values/package.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";
import { receivers } from "../../ground/values/receiver.ts";
import { latestOf } from "./latest.ts";

const builtFile = z.strictObject({
  kind: z.enum(resultKinds),
  /** Below the build's folder. */
  path: z.string(),
  size: z.int().nonnegative(),
  sha256: z.string().regex(sumForm),
});

export type BuiltFile = z.infer<typeof builtFile>;

const buildSchema = z.strictObject({
  form: z.literal(1),
  stage: z.string(),
  platform: z.enum(platforms),
  version: z.string(),
  build: z.int().min(1),
  on: day,
  by: z.string().optional(),
  /** The sum of what it is made from, but for its number. */
  variant: z.string(),
  /** One that is begun and of which no more is known was broken off: its number is spent all the same. */
  state: z.enum(["begun", "good", "failed"]),
  /** It was built elsewhere, and taken in. */
  isAdopted: z.literal(true).optional(),
  /** The job that other machines have it by, where it was given to them. */
  job: z.string().optional(),
  /** The machine that has built it, where that is another. */
  machine: z.string().optional(),
  /** How long it took, in seconds. */
  seconds: z.number().nonnegative().optional(),
  files: z.array(builtFile).default([]),
  /** SHA-256 of the certificate that signs what goes to the store, where it says so. */
  signer: z.string().optional(),
  /** Why it failed, in a sentence. */
  why: z.string().optional(),
  /** Who has it, and since when: what was given to somebody is never removed. */
  given: z.array(z.strictObject({ to: z.enum(receivers), on: day, by: z.string().optional() })).default([]),
  /** The day on which its files were removed, so that others have room. */
  removed: day.optional(),
});

/** One build of a client's app on a platform, at a stage. */
export type BuildRecord = Omit<z.infer<typeof buildSchema>, "form">;

/** A client's builds, by stage, platform and number. */
export type BuildRecords = Readonly<Record<string, BuildRecord>>;

/** The builds that each client has: an entry a stage, platform and number. Stops: history-damaged */
export const buildsOf = latestOf("package-", buildSchema);

/** What a build is kept under: two of one thing and number are the same file, which version control does not merge. */
export const buildSlot = ({ stage, platform, build }: Pick<BuildRecord, "stage" | "platform" | "build">): string =>
  `${stage}-${platform}-${build}`;

/** How far a platform is: its last good build for the store, and the number of a later one that failed. */
export interface PlatformBuilt {
  platform: Platform;
  good?: BuildRecord;
  failed?: number;
}

/** How far each platform is that was built for the store. */
export const lastBuilt = (all: BuildRecords): PlatformBuilt[] =>
  platforms.flatMap((platform) => {
    const own = buildsAt(all, "store", platform).filter(({ state }) => state !== "begun");
    const [last] = own;
    if (!last) return [];
    const good = own.find(({ state }) => state === "good");
    return [{ platform, ...(good ? { good } : {}), ...(last.state === "failed" ? { failed: last.build } : {}) }];
  });

/** The builds of a stage and platform, the latest first. */
export const buildsAt = (all: BuildRecords, stage: string, platform: Platform): BuildRecord[] =>
  Object.values(all)
    .filter((each) => each.stage === stage && each.platform === platform)
    .sort((a, b) => b.build - a.build);

/** The last good build of the same thing before one. */
export const goodBefore = (
  all: BuildRecords,
  { stage, platform, build }: Pick<BuildRecord, "stage" | "platform" | "build">,
): BuildRecord | undefined =>
  buildsAt(all, stage, platform).find((each) => each.state === "good" && each.build < build);
