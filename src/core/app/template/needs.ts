/** What is known to be needed, and what is declared besides: lists one behind the other. */
export function both<T extends object>(known: T | undefined, declared: object | undefined): Partial<T> {
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
