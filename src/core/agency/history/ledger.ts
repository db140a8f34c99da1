import * as z from "zod";
import { refuse } from "../../ground/problems/result.ts";
import { day } from "../../ground/values/day.ts";
import { formOf, inCurrentForm, type Migration } from "../../ground/values/forms.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";
import { type ByName, historyOf } from "./entries.ts";

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
  /** Who took it, where that is known. */
  by: z.string().optional(),
  /** Check sum of the template's files. */
  template: z.string(),
  /** The sum of the variant that was there for it. */
  variant: z.string().optional(),
  /** What it was for; all that the client wanted, where that was not kept yet. */
  platforms: z.array(z.enum(platforms)).optional(),
  /** What changed, by language. */
  notes: z.record(z.string(), z.string()).default({}),
});

/** What of a client's app has been in use. */
export interface Ledger {
  readonly identifiers: Readonly<Partial<Record<Platform, z.infer<typeof heldIdentifier>>>>;
  /** Oldest first; each build number is used once. */
  readonly releases: readonly Release[];
}
export type Release = z.infer<typeof release>;

/** A file a client, before each had a history. */
const secondForm = z.strictObject({
  form: z.literal(2),
  identifiers: z.partialRecord(z.enum(platforms), heldIdentifier).default({}),
  releases: z.array(release.omit({ by: true })).default([]),
});

/** Form 1: an identifier was reserved or fixed, since one day. */
const firstForm = secondForm.extend({
  form: z.literal(1),
  identifiers: z
    .partialRecord(
      z.enum(platforms),
      z.strictObject({ value: z.string().min(1), state: z.enum(["reserved", "fixed"]), since: day }),
    )
    .default({}),
});

const migrations: readonly Migration[] = [
  ({ identifiers, ...rest }: z.infer<typeof firstForm>): z.infer<typeof secondForm> => ({
    ...rest,
    form: 2,
    identifiers: Object.fromEntries(
      Object.entries(identifiers).map(([platform, { value, state, since }]) => [platform, { value, [state]: since }]),
    ),
  }),
];

const ofIdentifier = heldIdentifier.extend({ form: z.literal(1) });
const ofRelease = release.extend({ form: z.literal(1) });

/** One entry of a ledger. */
export const ledgerEntry = z.union([ofIdentifier, ofRelease]);

type LedgerEntry = z.infer<typeof ledgerEntry>;

const identifierName = (platform: Platform): string => `identifier-${platform}`;
const buildName = (build: number): string => `build-${build}`;

const entriesOf = ({ identifiers, releases }: Ledger): ByName<LedgerEntry> =>
  new Map<string, LedgerEntry>([
    ...platforms.flatMap((each): [string, LedgerEntry][] => {
      const held = identifiers[each];
      return held ? [[identifierName(each), { form: 1, ...held }]] : [];
    }),
    ...releases.map((each): [string, LedgerEntry] => [buildName(each.build), { form: 1, ...each }]),
  ]);

/**
 * Each client's ledger: an entry for each identifier in use, named by its platform, and one for each release, named by
 * the build number that it has spent. Stops: ledger-damaged
 */
export const ledgers = historyOf({
  damaged: "ledger-damaged",
  schemaOf(name): typeof ofIdentifier | typeof ofRelease | undefined {
    if (name.startsWith("identifier-")) return ofIdentifier;
    return name.startsWith("build-") ? ofRelease : undefined;
  },
  former: {
    name: "ledger.json",
    /** Of a form that there is not, the last. */
    schemaOf: (data): typeof firstForm | typeof secondForm => (formOf(data) === 1 ? firstForm : secondForm),
    entriesOf(written: z.infer<typeof firstForm> | z.infer<typeof secondForm>, file) {
      const ledger = inCurrentForm(written, migrations) as z.infer<typeof secondForm>;
      refuseFalling(ledger.releases, file);
      return entriesOf(ledger);
    },
  },
  understood(entries, folder): Ledger {
    const held = [...entries].flatMap(([name, entry]) => ("value" in entry ? [{ name, entry }] : []));
    for (const { name } of held)
      if (!platforms.some((each) => name === identifierName(each)))
        refuse("ledger-damaged", `${folder}/${name}.json is named by no platform.`, {
          expected: `identifier-…, with one of ${platforms.join(", ")}`,
        });
    const spent = [...entries].flatMap(([name, entry]) => ("build" in entry ? [{ name, entry }] : []));
    for (const { name, entry } of spent)
      if (name !== buildName(entry.build))
        refuse("ledger-damaged", `${folder}/${name}.json has build ${entry.build}.`, {
          expected: `build ${name.slice("build-".length)}: a number is spent once, by the entry that is named by it`,
          fix: "Give what no store has yet the next free build number, in its name and in it.",
        });
    const releases = spent.map(({ entry: { form: _, ...rest } }) => rest).sort((one, other) => one.build - other.build);
    refuseFalling(releases, folder);
    return {
      identifiers: Object.fromEntries(
        held.map(({ name, entry: { form: _, ...rest } }) => [name.slice("identifier-".length), rest]),
      ),
      releases,
    };
  },
  entriesOf,
});

/** A build number is used once, and a version rises with it: what branches that both released can make other. */
function refuseFalling(releases: readonly Release[], where: string): void {
  for (const [at, { build, version }] of releases.entries()) {
    const before = releases[at - 1];
    if (before && (build <= before.build || isBelow(version, before.version)))
      refuse(
        "ledger-damaged",
        `${where} has build ${build} (version ${version}) behind build ${before.build} (version ${before.version}).`,
        {
          expected: "build numbers and versions that rise from one release to the next",
          fix:
            "Two branches have taken numbers: put their releases in order, and give each that no store has yet the " +
            "next free build number.",
        },
      );
  }
}

/** Whether a version is below another, number by number. */
const isBelow = (version: string, other: string): boolean => version.localeCompare(other, "en", { numeric: true }) < 0;

export const emptyLedger: Ledger = { identifiers: {}, releases: [] };

/** The newest release; undefined where there has been none. */
export const lastRelease = ({ releases }: Ledger): Release | undefined => releases.at(-1);
