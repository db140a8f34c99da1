import * as z from "zod";
import { lookAt } from "../files/writing/door.ts";
import { day } from "../values/day.ts";
import { inCurrentForm, type Migration } from "../values/forms.ts";
import { platforms } from "../values/platform.ts";

/** An identifier in use: the days on which a variant was first made with it, and on which a release fixed it. */
const heldIdentifier = z.strictObject({
  value: z.string().min(1),
  reserved: day.optional(),
  /** From then on it no longer follows the brief. */
  fixed: day.optional(),
});

const release = z.strictObject({
  version: z.string().regex(/^\d+\.\d+\.\d+$/, "three numbers, such as 1.0.0"),
  build: z.int().min(1),
  on: day,
  /** Check sum of the template's files. */
  template: z.string(),
  /** What it was for; all that the client wanted, where that was not kept yet. */
  platforms: z.array(z.enum(platforms)).optional(),
  /** What changed, by language. */
  notes: z.record(z.string(), z.string()).default({}),
});

/** clients/<key>/ledger.json: what has been in use. Written by Oxalis, kept in version control. */
export const ledgerSchema = z.strictObject({
  form: z.literal(2),
  identifiers: z.partialRecord(z.enum(platforms), heldIdentifier).default({}),
  /** Oldest first; each build number is used once. */
  releases: z.array(release).default([]),
});

export type Ledger = z.infer<typeof ledgerSchema>;
export type Release = z.infer<typeof release>;

/** Form 1: an identifier was reserved or fixed, since one day. */
const firstForm = ledgerSchema.extend({
  form: z.literal(1),
  identifiers: z
    .partialRecord(
      z.enum(platforms),
      z.strictObject({ value: z.string().min(1), state: z.enum(["reserved", "fixed"]), since: day }),
    )
    .default({}),
});

const migrations: readonly Migration[] = [
  ({ identifiers, ...rest }: z.infer<typeof firstForm>): Ledger => ({
    ...rest,
    form: 2,
    identifiers: Object.fromEntries(
      Object.entries(identifiers).map(([platform, { value, state, since }]) => [platform, { value, [state]: since }]),
    ),
  }),
];

/** What a ledger of a form is held against; of a form that there is not, the current one. */
export const ledgerSchemaOf = (form: number | undefined): typeof firstForm | typeof ledgerSchema =>
  form === 1 ? firstForm : ledgerSchema;

/** A ledger as it is kept now, whatever form it was written in. @param written held against the schema of its form */
export const currentLedger = (written: z.infer<typeof firstForm> | Ledger): Ledger =>
  inCurrentForm(written, migrations) as Ledger;

export const ledgerFile = (key: string): string => `clients/${key}/ledger.json`;

export const hasLedger = (root: string, key: string): boolean => lookAt(root, ledgerFile(key)) !== undefined;

export const emptyLedger: Ledger = { form: 2, identifiers: {}, releases: [] };

/** A ledger as text: one line a value, so that version control shows what changed. */
export function ledgerText(ledger: Ledger): string {
  const identifiers = Object.fromEntries(
    platforms.flatMap((each) => (ledger.identifiers[each] ? [[each, ledger.identifiers[each]]] : [])),
  );
  return `${JSON.stringify({ form: 2, identifiers, releases: ledger.releases }, null, 2)}\n`;
}

/** The newest release; undefined where there has been none. */
export const lastRelease = ({ releases }: Ledger): Release | undefined => releases.at(-1);
