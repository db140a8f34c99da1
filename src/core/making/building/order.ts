import * as z from "zod";
import { buildSchema } from "../../agency/workspace/schema/builds.ts";
import { leadsDown, lookAt } from "../../ground/files/writing/door.ts";
import { firstIssue } from "../../ground/problems/issue.ts";
import { systems } from "../../ground/systems/system.ts";
import { sumForm } from "../../ground/values/hash.ts";
import { platforms } from "../../ground/values/platform.ts";
import { readReceipt } from "../jobs/receipt.ts";
import type { Input } from "../plan/plan.ts";
import { environmentOf } from "./environment.ts";
import type { PlannedBuild } from "./prepare.ts";
import { type SigningPlan, signingPlanSchema } from "./signing.ts";

const sum = z.string().regex(sumForm);
const path = z.string().max(4096).refine(leadsDown, "a path that leads down");
const { steps, gives, passes, secrets } = buildSchema.shape;

const orderSchema = z.strictObject({
  form: z.literal(1),
  client: z.string(),
  stage: z.string(),
  platform: z.enum(platforms),
  version: z.string(),
  build: z.int().min(1),
  on: z.enum(systems).optional(),
  /** The folder of the platform's part, which steps work in where they do not say; empty for the variant's own. */
  part: z.union([z.literal(""), path]),
  /** The variant's files, by their paths in it. */
  inputs: z.record(path, z.strictObject({ sha256: sum, executable: z.boolean() })),
  ...{ steps, gives, passes, secrets },
  /** What template.yaml gives, filled, and what is built. */
  environment: z.record(z.string(), z.string()),
  /** What is signed with, named and not opened; absent where nothing is. */
  signing: signingPlanSchema.optional(),
});

/** A build as any machine can carry it out: plain data, its inputs and keys by name alone. */
export type BuildOrder = z.infer<typeof orderSchema>;

/** What a machine is to do for a build. @param signing what it is signed with; undefined where nothing is */
export function orderOf(root: string, build: PlannedBuild, signing: SigningPlan | undefined): BuildOrder {
  const { folder, client, part, variant, platform, stage, place, version } = build;
  const { on, passes, secrets, gives, steps } = build.steps;
  const inputs = Object.entries(readReceipt(root, folder, client).files).flatMap(([path, { sha256 }]) => {
    const executable = ((lookAt(root, `${folder}/${path}`)?.mode ?? 0) & 0o111) !== 0;
    return sha256 === null ? [] : [[path, { sha256, executable }] as const];
  });
  return {
    ...{ form: 1, client, stage, platform, version, build: build.build, part },
    ...(on === undefined ? {} : { on }),
    inputs: Object.fromEntries(inputs),
    ...{ steps, gives, passes, secrets },
    environment: environmentOf(build.steps, variant, platform, { stage, place }),
    ...(signing === undefined ? {} : { signing }),
  };
}

/** What an order is made from. */
export const inputsOfOrder = ({ inputs }: BuildOrder): Input[] =>
  Object.entries(inputs).map(([path, { sha256 }]) => ({ of: "client", path, sha256 }));

/** An order, read by whoever is given one; what is wrong with it otherwise. */
export function readOrder(data: unknown): BuildOrder | { wrong: string } {
  const read = orderSchema.safeParse(data);
  if (read.success) return read.data;
  return { wrong: firstIssue(read.error) };
}
