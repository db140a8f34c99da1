import * as z from "zod";
import { lookAt } from "../files/writing/door.ts";
import { day } from "../values/day.ts";
import { readKept } from "../workspace/kept-file.ts";

const letterSchema = z.strictObject({
  on: day,
  to: z.string(),
  until: day,
  /** What was asked for: fields of the record, questions, pictures. */
  things: z.array(z.string()),
});

const schema = z.strictObject({ form: z.literal(1), letters: z.array(letterSchema) });

/** A letter that was sent: when, to whom, what it asked for. */
export type Letter = z.infer<typeof letterSchema>;

export const askedFile = (key: string): string => `clients/${key}/asked.json`;

/** Letters that a client got, oldest first. Stops: history-damaged. */
export function readAsked(root: string, key: string): readonly Letter[] {
  const file = askedFile(key);
  return lookAt(root, file) ? readKept(root, file, "history-damaged", () => schema).letters : [];
}

/** By what a thing is remembered: where a brief has it, without the language of a text. */
export const askedName = (at: string): string => at.replace(/^store\.(?:texts\.[^.]+\.)?/, "");

export const askedText = (letters: readonly Letter[]): string => `${JSON.stringify({ form: 1, letters }, null, 2)}\n`;
