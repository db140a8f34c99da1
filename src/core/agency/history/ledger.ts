import * as z from "zod";
import { refuse } from "../../ground/problems/result.ts";
import { day } from "../../ground/values/day.ts";
import { formOf, inCurrentForm, type Migration } from "../../ground/values/forms.ts";
import { platforms } from "../../ground/values/platform.ts";
import { keptFile } from "./kept-file.ts";

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
  /**
   * The sum of the variant that was there for it. Of two branches that release one number of different variants, the
   * entries differ, and version control asks.
   */
  variant: z.string().optional(),
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

/** Each client's ledger. Stops: ledger-damaged */
export const ledgers = keptFile({
  name: "ledger.json",
  damaged: "ledger-damaged",
  /** Of a form that there is not, the current one. */
  schemaOf: (data): typeof firstForm | typeof ledgerSchema => (formOf(data) === 1 ? firstForm : ledgerSchema),
  understood(written, file): Ledger {
    const ledger = inCurrentForm(written, migrations) as Ledger;
    refuseFalling(ledger, file);
    return ledger;
  },
  textOf: ledgerText,
});

/** A build number is used once, and rises: a merge of two branches that both released makes others. */
function refuseFalling({ releases }: Ledger, file: string): void {
  for (const [at, { build, version }] of releases.entries()) {
    const before = releases[at - 1];
    if (before && build <= before.build)
      refuse(
        "ledger-damaged",
        `${file} has build ${build} (version ${version}) behind build ${before.build} (version ${before.version}).`,
        {
          expected: "build numbers that rise from one release to the next",
          fix:
            "Two branches have released: put their releases in order, and give each that no store has yet the " +
            "next free build number.",
        },
      );
  }
}

export const emptyLedger: Ledger = { form: 2, identifiers: {}, releases: [] };

/** A ledger as text: one line a value, so that version control shows what changed. */
function ledgerText(ledger: Ledger): string {
  const identifiers = Object.fromEntries(
    platforms.flatMap((each) => (ledger.identifiers[each] ? [[each, ledger.identifiers[each]]] : [])),
  );
  return `${JSON.stringify({ form: 2, identifiers, releases: ledger.releases }, null, 2)}\n`;
}

/** The newest release; undefined where there has been none. */
export const lastRelease = ({ releases }: Ledger): Release | undefined => releases.at(-1);
