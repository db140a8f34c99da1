import * as z from "zod";
import { readInside } from "../files/reading/folder.ts";
import { lookAt } from "../files/writing/door.ts";

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);

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

/** Letters that a client got, oldest first; none where that cannot be read. */
export function readAsked(root: string, key: string): readonly Letter[] {
  const file = askedFile(key);
  if (!lookAt(root, file)?.isFile()) return [];
  try {
    return schema.parse(JSON.parse(new TextDecoder().decode(readInside(root, file, file)))).letters;
  } catch {
    return [];
  }
}

export const askedText = (letters: readonly Letter[]): string => `${JSON.stringify({ form: 1, letters }, null, 2)}\n`;
