import { type ArgumentRow, flagOf, type Named, type OptionRow, type Row } from "./row.ts";
import { rows } from "./table.ts";

/** What values can be called by; asked for only where a value is completed. */
export type NamesOf = (kind: Named) => readonly string[];

/** What can stand for the last word of a line, the program's name left away. */
export function complete(words: readonly string[], names: NamesOf): string[] {
  const [command = "", ...behind] = words;
  const last = words.at(-1) ?? "";
  const [second, ...more] = behind;
  const isTwo = second !== undefined && more.length > 0 && Object.hasOwn(rows, `${command} ${second}`);
  const all =
    behind.length === 0
      ? Object.keys(rows).filter((each) => !each.includes(" "))
      : isTwo
        ? behindCommand(`${command} ${second}`, more, names)
        : [...(more.length === 0 ? below(command) : []), ...behindCommand(command, behind, names)];
  return all.filter((each) => each.startsWith(last));
}

/** Second words of the commands that begin with this one. */
const below = (command: string): string[] =>
  Object.keys(rows).flatMap((each) => (each.startsWith(`${command} `) ? [each.slice(command.length + 1)] : []));

function behindCommand(command: string, words: readonly string[], names: NamesOf): readonly string[] {
  const row: Row | undefined = Object.hasOwn(rows, command) ? rows[command as keyof typeof rows] : undefined;
  if (!row) return [];
  const options = Object.entries(row.options);
  const optionOf = (word: string | undefined): OptionRow | undefined =>
    options.find(([name, each]) => flagOf(name) === word || ("short" in each && each.short === word))?.[1];
  const takesValue = (word: string | undefined) => (optionOf(word)?.kind ?? "flag") !== "flag";
  const before = optionOf(words.at(-2));
  if (before && before.kind !== "flag") return valuesOf(before, names);
  if (words.at(-1)?.startsWith("-")) return options.map(([name]) => flagOf(name));
  const given = words.slice(0, -1).filter((word, at) => !word.startsWith("-") && !takesValue(words[at - 1]));
  const all = Object.values(row.arguments);
  const argument = all[given.length] ?? (all.at(-1)?.needed.match(/many|some/) ? all.at(-1) : undefined);
  return argument ? valuesOf(argument, names) : [];
}

function valuesOf(row: OptionRow | ArgumentRow, names: NamesOf): readonly string[] {
  if ("of" in row && row.of) return row.of;
  return "names" in row && row.names ? names(row.names) : [];
}
