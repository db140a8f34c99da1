import * as z from "zod";

const word = z.string().max(40);
/** Words that answer together: a list, or a text with commas between them. */
const several = z.union([z.string().max(400), z.array(word).max(30)]);

/** Which data leaves the device: none, or of each kind that does what holds of it. */
const dataSchema = z.union([
  z.enum(["none"]),
  z.record(z.string().regex(/^[a-z][a-z-]{0,39}$/, "a kind of data"), z.union([several, z.boolean()])),
]);

/** Answers to the stores' questions, by their names; which words each takes stands in their table. */
export const declaresSchema = z
  .object({ data: dataSchema.describe("Which data leaves the device: none, or by kind what holds of it").optional() })
  .catchall(z.union([several, z.boolean()]))
  .describe("Answers to the stores' questions about the app: age rating, data, advertising, encryption");

export type Declares = z.infer<typeof declaresSchema>;
