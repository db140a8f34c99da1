/** A value that differs by language: in the first one, and in further ones by their tags (BCP 47). */
export interface ByLanguage<T> {
  first?: T | undefined;
  further: Readonly<Record<string, T>>;
}

/** The value in a language; in the first one's, where no tag is given or that language has none. */
export const inLanguage = <T>({ first, further }: ByLanguage<T>, tag: string | undefined): T | undefined =>
  (tag === undefined ? undefined : further[tag]) ?? first;
