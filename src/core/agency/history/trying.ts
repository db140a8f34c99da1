import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { latestOf } from "./latest.ts";

const schema = z.strictObject({
  form: z.literal(1),
  /** The day on which somebody was invited; unsure where nobody knows whether the letter arrived. */
  invited: day.optional(),
  state: z.enum(["invited", "unsure"]).optional(),
  /** The version that they were invited to. */
  version: z.string().optional(),
  /** The day on which they took part, and the last build that they have, as a store says it. */
  came: day.optional(),
  build: z.int().min(1).optional(),
});

/** How somebody who tries a client's app stands: nothing in it says who that is. */
export type Trying = Omit<z.infer<typeof schema>, "form">;

/** How those stand who try each client's app: an entry a person, named by a mark. Stops: history-damaged */
export const tryingOf = latestOf("tester-", schema);
