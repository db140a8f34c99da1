import * as z from "zod";
import type { Edit } from "../../formats/splice/site.ts";
import { leadsDown } from "../../ground/files/writing/door.ts";
import { firstIssue } from "../../ground/problems/issue.ts";
import { problem } from "../../ground/problems/problem.ts";
import { fail, type Result, succeed } from "../../ground/problems/result.ts";
import { sumForm } from "../../ground/values/hash.ts";
import { layouts } from "../../ground/values/layout.ts";
import { drawingForm } from "./drawing-form.ts";
import type { Plan } from "./plan.ts";

const sum = z.string().regex(sumForm);
const path = z.string().refine(leadsDown);
const input = z.strictObject({ of: z.enum(["template", "client"]), path, sha256: sum });
const edit = z
  .strictObject({ start: z.int().min(0), end: z.int().min(0), text: z.string() })
  .refine(({ start, end }) => start <= end);

/** Most pictures in one file: an icon file has ten. */
const mostDrawings = 32;

/** Whether no range begins before the one in front of it ends. */
const isApart = (edits: readonly Edit[]): boolean =>
  [...edits]
    .sort((a, b) => a.start - b.start || a.end - b.end)
    .every(({ start }, at, all) => start >= (all[at - 1]?.end ?? 0));
const every = { path, fingerprint: z.string() };

const entry = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("keep"), ...every, input, executable: z.boolean() }),
  z.strictObject({
    kind: z.literal("splice"),
    ...every,
    input,
    executable: z.boolean(),
    edits: z.array(edit).refine(isApart, "they overlap"),
  }),
  z.strictObject({ kind: z.literal("write"), ...every, text: z.string() }),
  z.strictObject({
    kind: z.literal("supply"),
    ...every,
    input,
    picture: z.boolean(),
    opaque: z.literal(true).exactOptional(),
  }),
  z.strictObject({
    kind: z.literal("draw"),
    ...every,
    drawings: z.array(drawingForm).min(1).max(mostDrawings),
    container: z.enum(["png", "ico", "icns", "svg", "jpeg", "webp"]),
  }),
]);

const planSchema = z.strictObject({
  form: z.literal(1),
  client: z.string(),
  layout: z.enum(layouts),
  revision: z.string().optional(),
  entries: z.array(entry),
});

/** A plan as text, for whoever carries it out elsewhere. What is only told, such as gaps, stays here. */
export const planText = ({ client, layout, revision, entries }: Plan): string =>
  `${JSON.stringify({ form: 1, client, layout, ...(revision ? { revision } : {}), entries })}\n`;

/** Reads a plan; whoever wrote it, none of its paths leads out of the folder that it is carried out in. */
export function readPlan(text: string): Result<Plan> {
  const damaged = (why: string) => fail(problem("plan-damaged", `The plan cannot be read: ${why}.`));
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return damaged("it is not JSON");
  }
  const read = planSchema.safeParse(data);
  if (!read.success) {
    return damaged(firstIssue(read.error));
  }
  const { form: _, revision, ...plan } = read.data;
  return succeed({ ...plan, ...(revision === undefined ? {} : { revision }), gaps: [] });
}
