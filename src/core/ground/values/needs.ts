/** What a feature needs of each platform's build files. */
export interface Needs {
  android?:
    | {
        /** Names of `uses-permission` and `uses-feature` elements. */
        permissions?: readonly string[] | undefined;
        /** Filters of activities that open the app by an address. */
        links?: boolean | undefined;
        /** Names of activities, services, receivers, providers and meta-data that are there for this feature alone. */
        components?: readonly string[] | undefined;
      }
    | undefined;
  ios?:
    | {
        /** Keys that hold the text which people read when the app asks for something; none of them may be empty. */
        usage?: readonly string[] | undefined;
        /** Keys of an entitlements file. */
        entitlements?: readonly string[] | undefined;
        /** Entries of UIBackgroundModes. */
        background?: readonly string[] | undefined;
        /** Further keys of a property list. */
        keys?: readonly string[] | undefined;
      }
    | undefined;
  windows?:
    | {
        /** Names of capabilities, device capabilities included. */
        capabilities?: readonly string[] | undefined;
        /** Categories of an application's extensions. */
        extensions?: readonly string[] | undefined;
      }
    | undefined;
  web?:
    | {
        /** Members of the web manifest. */
        members?: readonly string[] | undefined;
        /** Ids of elements in the app's pages. */
        elements?: readonly string[] | undefined;
      }
    | undefined;
}

/** A feature of a template: its name, which may tell what it needs, and what template.yaml says that it needs. */
export interface Feature {
  name: string;
  declared: Needs;
}

/** What is known to be needed, and what is declared besides: lists one behind the other. */
export function both<T extends object>(known: T | undefined, declared: T | undefined): Partial<T> {
  const merged: Record<string, unknown> = { ...declared };
  for (const [key, value] of Object.entries(known ?? {})) {
    const more: unknown = merged[key];
    merged[key] = Array.isArray(value) && Array.isArray(more) ? [...value, ...more] : value;
  }
  return merged as Partial<T>;
}

/** A row of a table by its name; names that every object has are none. */
export const rowOf = <T>(table: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(table, name) ? table[name] : undefined;
