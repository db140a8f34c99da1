import * as z from "zod";
import { latestOf } from "./latest.ts";

const texts = z.record(z.string(), z.string());

const schema = z.strictObject({
  form: z.literal(1),
  /** What the app is called, and the name under its icon, by language. */
  names: texts,
  labels: texts,
  /** SHA-256 of each picture that it is drawn from, by role. */
  pictures: texts,
  /** What its Android manifest asks for. */
  permissions: z.array(z.string()),
  /** The least system that it runs on, by platform. */
  systems: texts.default({}),
  /** Bytes of the template's files that it is made of, by platform. */
  sizes: z.record(z.string(), z.int().min(0)).default({}),
  /** What people read when it asks, by feature. */
  purposes: texts,
  features: z.array(z.string()),
  /** How the stores' questions are answered. */
  answers: texts,
});

/** What people who use a client's app saw of it at a build. */
export type Seen = Omit<z.infer<typeof schema>, "form">;

/** What was seen of each client's app, by build number: an entry a number. Stops: history-damaged */
export const seenAt = latestOf("seen-", schema);
