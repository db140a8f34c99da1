import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { formOf, inCurrentForm, type Migration } from "../../ground/values/forms.ts";
import { keptFile } from "./kept-file.ts";

const letterSchema = z.strictObject({
  on: day,
  to: z.string(),
  until: day,
  /** What was asked for: fields of the record, questions, pictures. */
  things: z.array(z.string()),
  /** What the message is known by to mail programs; none of a letter that nobody sent by Oxalis. */
  id: z.string().optional(),
  /** Unsure: it was about to be handed over, and nobody knows what came of it. It may have arrived. */
  state: z.enum(["sent", "unsure"]),
});

const schema = z.strictObject({ form: z.literal(2), letters: z.array(letterSchema) });

/** A letter that was sent, or may have been: when, to whom, what it asked for. */
export type Letter = z.infer<typeof letterSchema>;

/** Form 1: what stood there was sent. */
const firstForm = z.strictObject({
  form: z.literal(1),
  letters: z.array(letterSchema.omit({ id: true, state: true })),
});

const migrations: readonly Migration[] = [
  ({ letters }: z.infer<typeof firstForm>): z.infer<typeof schema> => ({
    form: 2,
    letters: letters.map((each) => ({ ...each, state: "sent" })),
  }),
];

/** Letters that each client got, oldest first. Stops: history-damaged */
export const askedOf = keptFile({
  name: "asked.json",
  damaged: "history-damaged",
  schemaOf: (data): typeof firstForm | typeof schema => (formOf(data) === 1 ? firstForm : schema),
  understood: (written): readonly Letter[] => (inCurrentForm(written, migrations) as z.infer<typeof schema>).letters,
  textOf: (letters) => `${JSON.stringify({ form: 2, letters }, null, 2)}\n`,
});

/** Letters that were sent for sure, oldest first. */
export const sentOf = (letters: readonly Letter[]): Letter[] => letters.filter(({ state }) => state === "sent");

/** That nobody knows what came of a letter. */
export const unsureSaid = ({ on, to }: Letter): string => `A letter of ${on} to ${to} may have arrived.`;

/** By what a thing is remembered: where a brief has it, without the language of a text. */
export const askedName = (at: string): string => at.replace(/^store\.(?:texts\.[^.]+\.)?/, "");
