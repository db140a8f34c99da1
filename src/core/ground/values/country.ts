import { pageLanguages } from "./page-language.ts";

/** Not countries, though codes of regions: unions, and what stands for no place (ISO 3166-1, reserved codes). */
const noCountries: ReadonlySet<string> = new Set(["EU", "EZ", "UN", "ZZ", "QO", "XA", "XB"]);

let named: ReadonlyMap<string, string> | undefined;

/** The code of a country by its name in a language that pages come in; undefined of what is called by none. */
export function countryNamed(name: string): string | undefined {
  named ??= namesOfCountries();
  return named.get(name.trim().toLowerCase());
}

function namesOfCountries(): Map<string, string> {
  const letters = [..."ABCDEFGHIJKLMNOPQRSTUVWXYZ"];
  const codes = letters.flatMap((one) => letters.map((other) => one + other)).filter((code) => !noCountries.has(code));
  const spoken = pageLanguages.map((tag) => new Intl.DisplayNames(tag, { type: "region", fallback: "none" }));
  const names = codes.flatMap((code) =>
    spoken.flatMap((each) => {
      const name = each.of(code);
      return name === undefined ? [] : [[name.toLowerCase(), code] as const];
    }),
  );
  return new Map(names);
}
