import * as z from "zod";

/** Answers to the stores' questions, by their names; which words each takes stands in their table. */
export const declaresSchema = z
  .record(z.string().regex(/^[a-z][a-z-]{0,39}$/, "a question's name"), z.union([z.string().max(40), z.boolean()]))
  .describe("Answers to the stores' questions about the app: age rating, data, advertising, encryption");
