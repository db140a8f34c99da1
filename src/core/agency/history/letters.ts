import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { formOf, inCurrentForm, type Migration } from "../../ground/values/forms.ts";
import { historyOf } from "./entries.ts";

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
  /** Who sent it, where that is known. */
  by: z.string().optional(),
});

/** A letter that was sent, or may have been: when, to whom, what it asked for. */
export type Letter = z.infer<typeof letterSchema>;

const formerSchema = z.strictObject({ form: z.literal(2), letters: z.array(letterSchema) });

/** Form 1: what stood there was sent. */
const firstForm = z.strictObject({
  form: z.literal(1),
  letters: z.array(letterSchema.omit({ id: true, state: true })),
});

const migrations: readonly Migration[] = [
  ({ letters }: z.infer<typeof firstForm>): z.infer<typeof formerSchema> => ({
    form: 2,
    letters: letters.map((each) => ({ ...each, state: "sent" })),
  }),
];

const entry = letterSchema.extend({ form: z.literal(1) });

/** Each under its day; further ones of one day are counted. */
const entriesOf = (letters: readonly Letter[]) =>
  new Map(
    letters.map((letter, at) => {
      const before = letters.slice(0, at).filter(({ on }) => on === letter.on).length;
      return [`letter-${letter.on}${before > 0 ? `-${before + 1}` : ""}`, { form: 1 as const, ...letter }];
    }),
  );

/** Letters that each client got, oldest first: an entry each. Stops: history-damaged */
export const lettersTo = historyOf({
  damaged: "history-damaged",
  schemaOf: (name) => (name.startsWith("letter-") ? entry : undefined),
  former: {
    name: "asked.json",
    schemaOf: (data): typeof firstForm | typeof formerSchema => (formOf(data) === 1 ? firstForm : formerSchema),
    entriesOf: (written: z.infer<typeof firstForm> | z.infer<typeof formerSchema>) =>
      entriesOf((inCurrentForm(written, migrations) as z.infer<typeof formerSchema>).letters),
  },
  understood: (entries): readonly Letter[] =>
    [...entries]
      .sort(([one], [other]) => one.localeCompare(other, "en", { numeric: true }))
      .map(([, { form: _, ...letter }]) => letter),
  entriesOf,
});

/** Letters that were sent for sure, oldest first. */
export const sentOf = (letters: readonly Letter[]): Letter[] => letters.filter(({ state }) => state === "sent");

/** That nobody knows what came of a letter. */
export const unsureSaid = ({ on, to }: Letter): string => `A letter of ${on} to ${to} may have arrived.`;

/** By what a thing is remembered: where a brief has it, without the language of a text. */
export const askedName = (at: string): string => at.replace(/^store\.(?:texts\.[^.]+\.)?/, "");
