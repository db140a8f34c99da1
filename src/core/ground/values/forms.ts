/** Brings data from one form into the next. */
export type Migration = (earlier: never) => unknown;

/**
 * Brings what was written in an earlier form into the current one, a form at a time: the first migration takes form 1
 * to form 2. What is of no form, or of a later one, stays as it is: whoever reads it refuses it.
 */
export function inCurrentForm(data: unknown, migrations: readonly Migration[]): unknown {
  const form = formOf(data);
  if (form === undefined || form < 1 || form > migrations.length) return data;
  return migrations.slice(form - 1).reduce<unknown>((earlier, migrate) => migrate(earlier as never), data);
}

/** The form that data says it is in; undefined where it says none. */
export const formOf = (data: unknown): number | undefined => {
  const form = typeof data === "object" && data !== null && "form" in data ? data.form : undefined;
  return Number.isInteger(form) ? (form as number) : undefined;
};
