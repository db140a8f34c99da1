import { pageLanguages } from "./page-language.ts";

const letters = [..."abcdefghijklmnopqrstuvwxyz"];

/** Every pair of letters: languages and countries have codes of two. */
const codes = letters.flatMap((one) => letters.map((other) => one + other));

/** Whether a code is the one in use: of those that were replaced, people mean the one that came after. */
function isInUse(type: "language" | "region", code: string): boolean {
  try {
    const locale = new Intl.Locale(type === "region" ? `und-${code}` : code);
    return (type === "region" ? locale.region?.toLowerCase() : locale.language) === code;
  } catch {
    return false;
  }
}

/**
 * Codes by the names that they have in the languages that pages come in (Unicode CLDR, as the runtime carries it), in
 * small letters; of two that are called alike, the first. @param also a further language to ask for a code's name
 */
export function codesByName(
  type: "language" | "region",
  { also }: { also?: (code: string) => string } = {},
): ReadonlyMap<string, string> {
  const spoken = (speaker: string) => new Intl.DisplayNames(speaker, { type, fallback: "none" });
  const inPages = pageLanguages.map(spoken);
  const names = new Map<string, string>();
  for (const code of codes.filter((each) => isInUse(type, each)))
    for (const speaker of also ? [...inPages, spoken(also(code))] : inPages) {
      const name = speaker.of(type === "region" ? code.toUpperCase() : code)?.toLowerCase();
      if (name !== undefined && !names.has(name)) names.set(name, code);
    }
  return names;
}
