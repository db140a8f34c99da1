import { Argument, type Command, Option } from "commander";
import { type ArgumentRow, flagOf, type OptionRow, type Row } from "./row.ts";

/** Called with what was parsed of a command. */
export type OnParsed = (args: readonly unknown[], options: Readonly<Record<string, unknown>>) => Promise<void>;

/**
 * Declares a command by its row; one of two words stands below the one that is called as its first.
 * @param examples calls of it, as they are typed behind `oxalis`.
 */
export function register(
  program: Command,
  name: string,
  row: Row,
  examples: readonly string[],
  called: OnParsed,
): void {
  const [first = "", second] = name.split(" ");
  const above = second === undefined ? program : program.commands.find((each) => each.name() === first);
  const command = (above ?? program).command(second ?? first).description(row.says);
  for (const [argument, each] of Object.entries(row.arguments)) command.addArgument(argumentOf(argument, each));
  for (const [option, each] of Object.entries(row.options)) command.addOption(optionOf(option, each));
  command.addHelpText("after", `\nExamples:\n${examples.map((each) => `  oxalis ${each}`).join("\n")}`);
  command.action(async function (this: Command) {
    await called(this.processedArgs, this.optsWithGlobals());
  });
}

const terms: Readonly<Record<ArgumentRow["needed"], (name: string) => string>> = {
  required: (name) => `<${name}>`,
  optional: (name) => `[${name}]`,
  many: (name) => `[${name}...]`,
  some: (name) => `<${name}...>`,
};

function argumentOf(name: string, { needed, says, standard, of }: ArgumentRow): Argument {
  const argument = new Argument(terms[needed](name), says);
  if (standard !== undefined) argument.default(standard);
  return of ? argument.choices(of) : argument;
}

function optionOf(name: string, row: OptionRow): Option {
  const short = "short" in row && row.short ? `${row.short}, ` : "";
  const value = row.kind === "flag" ? "" : ` ${row.value}`;
  const option = new Option(`${short}${flagOf(name)}${value}`, row.says);
  switch (row.kind) {
    case "flag":
      return row.conflicts ? option.conflicts([...row.conflicts]) : option;
    case "texts":
      if (row.of) option.choices(row.of);
      return option.argParser(together(option.parseArg)).default([]);
    case "choice":
      option.choices(row.of);
      break;
    case "text":
      option.makeOptionMandatory(row.required === true);
  }
  return row.standard === undefined ? option : option.default(row.standard);
}

/** Takes an option that is given several times. @param check stops what is none of its words */
const together =
  (check: Option["parseArg"]) =>
  (value: string, before: readonly string[]): string[] => {
    check?.(value, undefined);
    return [...before, value];
  };
