/**
 * A value that differs by language or by store: what holds where nothing else is said, and what does for a language (by
 * its BCP 47 tag) or for a store (by its name).
 */
export interface Varying<T> {
  first?: T | undefined;
  further: Readonly<Record<string, T>>;
}

/** The value for a language or a store; what holds otherwise, where it has none of its own. */
export const valueFor = <T>({ first, further }: Varying<T>, which: string | undefined): T | undefined =>
  (which === undefined ? undefined : further[which]) ?? first;
