/** What a resource is in one configuration. */
export interface ResourceValue {
  /** The language of it, as a BCP 47 tag; empty where it is for all. */
  language: string;
  /** A text, the path of a file within the package, or a colour and the like as it is written. */
  text: string;
  /** The resource that it stands for, where it stands for another. */
  reference?: number;
}

/** An Android package's compiled resources. */
export interface Resources {
  /** What a resource is, in each configuration. @param number such as 0x7f0a0001 */
  find(number: number): readonly ResourceValue[];
  /** Every text of them. */
  texts(): readonly string[];
}

/** So often one resource may stand for another. */
const deepest = 8;

/** What a resource comes to in the end, by configuration: whatever stands for another is followed. */
export function valuesOf(resources: Resources, number: number, depth = 0): ResourceValue[] {
  return resources.find(number).flatMap((each) => {
    if (each.reference === undefined || depth >= deepest) return [each];
    return valuesOf(resources, each.reference, depth + 1).map((found) =>
      found.language === "" ? { ...found, language: each.language } : found,
    );
  });
}

/** What a resource says in each language: the first of each. */
export function byLanguage(resources: Resources, number: number): Record<string, string> {
  const found: Record<string, string> = {};
  for (const { language, text } of valuesOf(resources, number)) found[language] ??= text;
  return found;
}
