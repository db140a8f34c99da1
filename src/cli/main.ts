import { Command, CommanderError, Option } from "commander";
import { examples } from "./rows/examples.ts";
import { register } from "./rows/register.ts";
import { type CommandName, rows } from "./rows/table.ts";
import { version } from "./version.ts";

/** Exit codes: 0 fine, 1 findings or a failure, 2 wrong use, 130 interrupted. */
const wrongUse = 2;

process.stdout.on("error", (error: NodeJS.ErrnoException) => {
  if (error.code === "EPIPE") process.exit(0);
  throw error;
});
// So that whatever was started ends too. A shell tells a signal by its number (POSIX, sh).
const signals = { SIGHUP: 1, SIGINT: 2, SIGTERM: 15 } as const;
for (const [signal, number] of Object.entries(signals)) process.once(signal, () => process.exit(128 + number));

function openProgram(): Command {
  const program = new Command("oxalis")
    .description(
      "Makes many branded apps out of one shared template, and proves that nothing of the template's identity is left.",
    )
    .version(version, "-V, --version", "print the version")
    .helpOption("-h, --help", "print this help")
    .helpCommand("help [command]", "print the help of a command")
    .addOption(
      new Option("--color <when>", "colour: on a terminal, always, never")
        .choices(["auto", "always", "never"])
        .default("auto"),
    )
    .configureHelp({
      showGlobalOptions: true,
      minWidthToWrap: 20,
      subcommandTerm: (command) => command.name(),
    })
    .configureOutput({ outputError: () => {} })
    .exitOverride();
  for (const name of Object.keys(rows) as CommandName[])
    register(program, name, rows[name], examples[name], async (args, options) => {
      const { loadWork } = await import("./load-work.ts");
      process.exitCode = await loadWork(name).call(name, args, options);
    });
  return program;
}

/** `help keys make` is `keys make --help`: a command of two words is asked for by both. */
function asWritten([node = "", script = "", first, ...more]: readonly string[]): string[] {
  const given = first === undefined ? more : [first, ...more];
  return [node, script, ...(first === "help" && more.length > 1 ? [...more, "--help"] : given)];
}

/** Does what a command line asks for. @param argv as the process has it; the exit code becomes the process's */
export async function start(argv: readonly string[]): Promise<void> {
  const program = openProgram();
  try {
    await program.parseAsync(asWritten(argv));
  } catch (error) {
    if (error instanceof CommanderError) {
      process.exitCode = error.exitCode === 0 ? 0 : wrongUse;
      // Asking for help is no fault.
      if (error.exitCode === 0 || error.code === "commander.help") return;
      const { loadWork } = await import("./load-work.ts");
      loadWork().reportWrongUse(error.message, argv.slice(2));
      return;
    }
    const { loadWork } = await import("./load-work.ts");
    process.exitCode = loadWork().reportFailure(error, program.opts());
  }
}

// Whoever loads it as a module starts it as often as they like.
if (require.main === module) void start(process.argv);
