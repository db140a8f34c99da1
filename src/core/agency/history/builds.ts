import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { sumForm } from "../../ground/values/hash.ts";
import { resultKinds } from "../../ground/values/package.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";
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

/** The last good build of each platform for the store, the latest first. */
export function lastGood(all: BuildRecords): BuildRecord[] {
  const found = platforms.flatMap(
    (platform) => buildsAt(all, "store", platform).find(({ state }) => state === "good") ?? [],
  );
  return found.sort((a, b) => b.build - a.build);
}

/** The builds of a stage and platform, the latest first. */
export const buildsAt = (all: BuildRecords, stage: string, platform: Platform): BuildRecord[] =>
  Object.values(all)
    .filter((each) => each.stage === stage && each.platform === platform)
    .sort((a, b) => b.build - a.build);
