import * as z from "zod";
import { leadsDown } from "../files/writing/door.ts";
import { problem } from "../problems/problem.ts";
import { fail, type Result, succeed } from "../problems/result.ts";
import { layouts } from "../values/layout.ts";
import type { Plan } from "./plan.ts";

const sum = z.string().regex(/^[0-9a-f]{64}$/);
const path = z.string().refine(leadsDown);
const input = z.strictObject({ of: z.enum(["template", "client"]), path, sha256: sum });
const edit = z.strictObject({ start: z.int().min(0), end: z.int().min(0), text: z.string() });
const every = { path, fingerprint: z.string() };

/** Drawings are plain data that only the renderer looks into; what it reads, it reads by its sum. */
const drawings = z.array(z.looseObject({ width: z.int().positive(), height: z.int().positive() }));

const entry = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("keep"), ...every, input, executable: z.boolean() }),
  z.strictObject({
    kind: z.literal("splice"),
    ...every,
    input,
    executable: z.boolean(),
    edits: z.array(edit),
  }),
  z.strictObject({ kind: z.literal("write"), ...every, text: z.string() }),
  z.strictObject({
    kind: z.literal("supply"),
    ...every,
    input,
    picture: z.boolean(),
    opaque: z.literal(true).optional(),
  }),
  z.strictObject({
    kind: z.literal("draw"),
    ...every,
    drawings,
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
    const [issue] = read.error.issues;
    return damaged(`${issue?.path.join(".") ?? ""}: ${issue?.message ?? ""}`);
  }
  const { form: _, ...plan } = read.data;
  return succeed({ ...plan, gaps: [] } as unknown as Plan);
}
