/** What a value can be called by, where a workspace knows it. */
export type Named = "clients" | "groups" | "stages" | "collections" | "fields" | "roles";

/** Whether something is wanted. */
interface Flag {
  kind: "flag";
  says: string;
  short?: string;
  /** Options that contradict it. */
  conflicts?: readonly string[];
}

/** A text; absent where it is not given and has no value of its own. */
interface Text {
  kind: "text";
  says: string;
  short?: string;
  /** What its value is called, as help shows it. */
  value: string;
  standard?: string;
  required?: true;
  names?: Named;
}

/** Texts: the option may be given several times. */
interface Texts {
  kind: "texts";
  says: string;
  value: string;
  /** Words that each has to be one of. */
  of?: readonly string[];
}

/** One of several words. */
interface Choice {
  kind: "choice";
  says: string;
  value: string;
  of: readonly string[];
  standard?: string;
}

export type OptionRow = Flag | Text | Texts | Choice;

/** What stands behind a command's name. */
export interface ArgumentRow {
  says: string;
  /** Optional where it is not required; `many` takes all that follow, `some` at least one. */
  needed: "required" | "optional" | "many" | "some";
  standard?: string;
  of?: readonly string[];
  names?: Named;
}

/** A command as everything is made from it: how it is parsed, its help, its documentation, its tests. */
export interface Row {
  says: string;
  arguments: Readonly<Record<string, ArgumentRow>>;
  options: Readonly<Record<string, OptionRow>>;
}

type OptionValue<O> = O extends { kind: "flag" }
  ? boolean
  : O extends { kind: "texts" }
    ? readonly (O extends { of: readonly (infer W)[] } ? W : string)[]
    : O extends { kind: "choice"; of: readonly (infer W)[] }
      ? W | (O extends { standard: string } ? never : undefined)
      : string | (O extends { standard: string } | { required: true } ? never : undefined);

type ArgumentValue<A> = A extends { needed: "many" | "some" }
  ? readonly string[]
  : A extends { of: readonly (infer W)[] }
    ? W
    : string | (A extends { needed: "required" } | { standard: string } ? never : undefined);

/** What a command is given: its arguments and options by their names, each in the type that its row says. */
export type Given<R extends Row> = {
  readonly [K in keyof R["arguments"]]: ArgumentValue<R["arguments"][K]>;
} & { readonly [K in keyof R["options"]]: OptionValue<R["options"][K]> };

/** What was parsed, by a row: every flag is there, and every list. */
export function given<R extends Row>(
  row: R,
  args: readonly unknown[],
  options: Readonly<Record<string, unknown>>,
): Given<R> {
  const values: Record<string, unknown> = {};
  for (const [at, name] of Object.keys(row.arguments).entries()) values[name] = args[at];
  for (const [name, { kind }] of Object.entries(row.options))
    values[name] = kind === "flag" ? options[name] === true : options[name];
  // Commander has held every value against the row that declared it.
  return values as Given<R>;
}

/** An option's name as it is written: dryRun is --dry-run. */
export const flagOf = (name: string): string => `--${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`;
