import { codesByName } from "./named.ts";

/** Not countries, though codes of regions: unions, and what stands for no place (ISO 3166-1, reserved codes). */
const noCountries: ReadonlySet<string> = new Set(["eu", "ez", "un", "zz", "qo", "xa", "xb"]);

let named: ReadonlyMap<string, string> | undefined;

/** The code of a country by its name in a language that pages come in; undefined of what is called by none. */
export function countryNamed(name: string): string | undefined {
  named ??= codesByName("region");
  const code = named.get(name.trim().toLowerCase());
  return code === undefined || noCountries.has(code) ? undefined : code.toUpperCase();
}
