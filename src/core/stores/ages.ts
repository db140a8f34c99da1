import type { audiences } from "./categories.ts";

/** Ages that an app may be for, as Google Play divides them (Play Console help, "Target audience and app content"). */
export const ageBands = ["0-5", "6-8", "9-12", "13-15", "16-17", "18+"] as const;

type AgeBand = (typeof ageBands)[number];

/** Those of children, for whom the policy for families holds. */
export const childBands: readonly AgeBand[] = ["0-5", "6-8", "9-12"];

/** Words that clients know: whom each means. */
const inWords: Readonly<Record<(typeof audiences)[number], readonly AgeBand[]>> = {
  all: ageBands,
  teenagers: ["13-15", "16-17"],
  adults: ["18+"],
};

const isWord = (part: string): part is (typeof audiences)[number] => Object.hasOwn(inWords, part);

/** The ages that a text names, one a line or with commas between them, and what of it is none. */
export function agesIn(text: string): { bands: AgeBand[]; odd: string[] } {
  const parts = text.split(/[,\n]/).map((part) => part.trim().replace("–", "-"));
  const found = parts.filter(Boolean).flatMap((part): readonly string[] => (isWord(part) ? inWords[part] : [part]));
  return {
    bands: ageBands.filter((band) => found.includes(band)),
    odd: found.filter((each) => !ageBands.some((band) => band === each)),
  };
}

/** As the store's form shows them. */
const shown: Readonly<Partial<Record<AgeBand, string>>> = { "0-5": "5 and under", "18+": "18 and over" };

export const agesSaid = (text: string): string =>
  agesIn(text)
    .bands.map((band) => shown[band] ?? band)
    .join(", ");
