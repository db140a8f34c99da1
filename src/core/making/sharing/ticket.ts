import { basename } from "node:path";
import * as z from "zod";
import { problemKinds } from "../../ground/problems/catalogue.ts";
import { firstIssue } from "../../ground/problems/issue.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { fail, type Result, succeed } from "../../ground/problems/result.ts";
import type { Machine, Ticket } from "../../ground/queue/queue.ts";
import type { System } from "../../ground/systems/system.ts";
import { fingerprint, sumForm } from "../../ground/values/hash.ts";
import { resultKinds } from "../../ground/values/package.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";
import type { BuildOrder } from "../building/order.ts";
import { rendererVersion } from "../render/version.ts";

const sum = z.string().regex(sumForm);

const ticketSchema = z.strictObject({
  form: z.literal(1),
  /** The version of the program that put it in; no other carries it out. */
  version: z.string(),
  what: z.enum(["drawing", "build"]),
  /** Whom it is for, as a list shows it. */
  client: z.string(),
  says: z.string(),
  /** What is to be done, as JSON in contents: a plan or an order. */
  order: sum,
  /** Pictures are pressed as small as they go. */
  smallest: z.boolean().default(false),
});

/** What a ticket says. */
export type TicketData = z.infer<typeof ticketSchema>;

export function readTicket({ name, data }: Pick<Ticket, "name" | "data">): Result<TicketData> {
  const read = ticketSchema.safeParse(data);
  if (read.success) return succeed(read.data);
  return fail(problem("job-invalid", `${name} is no job: ${firstIssue(read.error)}.`));
}

const carriedSchema = z.strictObject({
  form: z.literal(1),
  machine: z.string(),
  /** How long it took there. */
  seconds: z.number().nonnegative(),
  /** What was made, by its path, in contents. */
  results: z.array(z.strictObject({ kind: z.enum(resultKinds).optional(), path: z.string(), sha256: sum })),
  problems: z.array(
    z.object({
      code: z.string().refine((code): code is keyof typeof problemKinds => code in problemKinds),
      message: z.string(),
      expected: z.string().optional(),
      fix: z.string(),
    }),
  ),
  /** What stopped it would stop every client's. */
  isShared: z.boolean(),
  /** What programs have printed, in contents. */
  log: sum.optional(),
});

type Answer = z.infer<typeof carriedSchema>;

/** What a machine has made of a job. */
export type Carried = Omit<Answer, "problems" | "form"> & { problems: readonly Problem[] };

/** As a queue keeps it. */
export const answerOf = ({ problems, ...carried }: Carried): Answer => ({
  form: 1,
  ...carried,
  problems: problems.map(({ code, message, expected, fix }) => ({
    ...{ code, message, fix },
    ...(expected === undefined ? {} : { expected }),
  })),
});

/** What a machine has answered; whoever that was. */
export function readAnswer(name: string, result: unknown): Result<Carried> {
  const read = carriedSchema.safeParse(result);
  if (!read.success) return fail(problem("job-invalid", `What has come back for ${name} cannot be read.`));
  const { form: _, problems, ...carried } = read.data;
  return succeed({
    ...carried,
    problems: problems.map(({ code, message, expected, fix }) =>
      problem(code, message, { fix, ...(expected === undefined ? {} : { expected }) }),
    ),
  });
}

/** What the program is called where several machines have to have the same: another one may draw otherwise. */
export const programVersion = (version: string): string =>
  `${version} (${fingerprint({ rendererVersion, program: basename(import.meta.url) }).slice(0, 7)})`;

/** What a machine has to be able to do for a drawing. */
export const drawingKind = "drawing";

/** What it has to be able to do for a build: the platform, the system that its steps want, a vault where it signs. */
export const buildKind = ({ platform, on, signing }: Pick<BuildOrder, "platform" | "on" | "signing">): string =>
  kindFor(platform, on, signing !== undefined && signing.files.length > 0);

const kindFor = (platform: Platform, on: System | undefined, isSigned: boolean): string =>
  [platform, on ?? "any", isSigned ? "signed" : "plain"].join(".");

/** All that a machine can do. */
export const kindsTaken = (given: {
  platforms: readonly Platform[];
  system: System;
  hasKeys: boolean;
  draws: boolean;
}): string[] => [
  ...(given.draws ? [drawingKind] : []),
  ...(given.platforms.length === 0 ? platforms : given.platforms).flatMap((platform) =>
    [undefined, given.system].flatMap((on) =>
      (given.hasKeys ? [true, false] : [false]).map((isSigned) => kindFor(platform, on, isSigned)),
    ),
  ),
];

/** Whether a machine takes a kind. */
export const takes = ({ kinds }: Machine, kind: string): boolean => kinds.includes(kind);
