/** What a reader of somebody else's gives, or nothing where it throws: of what is read, not of what is refused. */
export function attempted<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}
