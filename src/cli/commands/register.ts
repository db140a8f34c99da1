import { Argument, type Command, Option } from "commander";
import { platforms } from "../../core/values/platform.ts";
import { loadWork } from "../load-work.ts";
import type { Settings } from "../view/terminal.ts";

/** What a command's module exports: the work, given its arguments and the options of the whole line. */
type Run<Options> = (keys: string[], options: Settings & Options) => Promise<number>;

const inWorkspace = (command: Command): Command =>
  command
    .option(
      "-C, --workspace <dir>",
      "the workspace; otherwise the nearest folder upward that holds oxalis.yaml",
    )
    .option("--json", "print the result as JSON (docs/commands.md has the shape)")
    .addOption(new Option("-q, --quiet", "only what is wrong").conflicts("verbose"))
    .option("-v, --verbose", "more: every file, every step");

/** The same for a command that can look at another form of the apps than the store's. */
const atStage = (command: Command): Command =>
  inWorkspace(command).option(
    "--stage <name>",
    "not the store's form of the app, but this one of oxalis.yaml",
  );

/** Declares the commands; each one's work is loaded when it is called, so that starting stays quick. */
export function register(program: Command): void {
  const run = (name: keyof ReturnType<typeof loadWork>["commands"]) =>
    async function (this: Command, ...given: unknown[]) {
      const keys = given
        .slice(0, -2)
        .flat()
        .filter((each) => each !== undefined) as string[];
      const { run: work } = (await loadWork(name).commands[name]()) as { run: Run<object> };
      process.exitCode = await work(keys, this.optsWithGlobals());
    };
  program
    .command("demo")
    .argument("<folder>", "a folder that is not there yet, or is empty")
    .description("write a full example into a new folder: an agency, its template, eight clients")
    .action(run("demo"));
  program
    .command("init")
    .argument("[folder]", "where the workspace is to be", ".")
    .requiredOption("--template <dir>", "the shared app: any folder, also a git checkout")
    .option("--agency <name>", "the agency's name; otherwise the folder's")
    .option("--dry-run", "say what is found, and write nothing")
    .option("--json", "print the result as JSON (docs/commands.md has the shape)")
    .addOption(new Option("-q, --quiet", "only what is left to decide").conflicts("verbose"))
    .option("-v, --verbose", "more: every place")
    .description("survey a shared app, say what is found where, and write a workspace around it")
    .action(run("init"));
  inWorkspace(program.command("import"))
    .argument("<file>", "a sheet: CSV or XLSX")
    .option("--map <heading=field>", "which field a column holds; may be given several times", together, [])
    .option("--encoding <name>", "what a CSV file is written in, where that cannot be told")
    .option("--partial", "take the good rows though others are refused")
    .option("--dry-run", "show what would change, and write nothing")
    .description("take a roster in: new clients are made, known ones updated field by field")
    .action(run("import"));
  inWorkspace(program.command("export"))
    .argument("<file>", "where to write it: .csv or .xlsx")
    .argument("[clients...]", "keys of clients; none for all")
    .description("write the roster: every field as given and as worked out")
    .action(run("export"));
  inWorkspace(program.command("clients"))
    .argument("[clients...]", "keys of clients; none for all")
    .option("--csv", "print the list as CSV")
    .option("--state <state>", "only clients in this state: errors, ready, generated, released")
    .option("--group <group>", "only clients of this group")
    .description("list the clients with their names, identifiers and versions")
    .action(run("clients"));
  atStage(program.command("explain"))
    .argument("<client>", "key of a client")
    .argument("[field]", "a field, such as identifiers.android; none for all")
    .option("--pattern <pattern>", "try a pattern on the client, and show what it gives")
    .description("show where each value of a client came from")
    .action(run("explain"));
  inWorkspace(program.command("art"))
    .addOption(
      new Option("--platform <platform>", "only pictures of this platform").choices([
        "android",
        "ios",
        "windows",
        "web",
      ]),
    )
    .option("--role <role>", "only pictures of this role, such as maskable")
    .option("--csv", "print the list as CSV")
    .option("--guide <file.html>", "write the page for a client's designer")
    .description("list every picture a platform wants: size, source, safe zone, rule")
    .action(run("art"));
  atStage(program.command("check"))
    .argument("[clients...]", "keys of clients; none for all")
    .description("look at all inputs before anything is made: what is missing or wrong, for whom")
    .action(run("check"));
  atStage(program.command("generate"))
    .argument("[clients...]", "keys of clients; none for all")
    .option("--dry-run", "say what would be done, and do nothing")
    .addOption(
      new Option("--layout <layout>", "whole projects, or only what differs from the template").choices([
        "tree",
        "overlay",
      ]),
    )
    .option("--smallest", "press every picture as small as it goes; takes longer")
    .option("--locked", "fail, and write nothing, where a ledger would have to change")
    .description("make the variants; only what changed is made again")
    .action(run("generate"));
  atStage(program.command("audit"))
    .argument("[clients...]", "keys of clients; none for all")
    .option("--report <file>", "also write the findings for a build server: .sarif, or .xml for JUnit's form")
    .description("prove that the variants are whole, and that nothing of the template is left in them")
    .action(run("audit"));
  atStage(program.command("proof"))
    .argument("[clients...]", "keys of clients; none for all")
    .option("-o, --output <file>", "where to write the page", "variants/proof.html")
    .description("write the page to look at and sign off")
    .action(run("proof"));
  inWorkspace(program.command("release"))
    .argument("<clients...>", "keys of clients")
    .addOption(new Option("--major", "the next major version").conflicts(["minor", "patch", "rebuild"]))
    .addOption(new Option("--minor", "the next minor version").conflicts(["major", "patch", "rebuild"]))
    .addOption(new Option("--patch", "the next patch version").conflicts(["major", "minor", "rebuild"]))
    .addOption(
      new Option("--rebuild", "the same version again, under the next build number").conflicts([
        "major",
        "minor",
        "patch",
      ]),
    )
    .option("--note <text>", "what changed; with a language in front, de=…, for that language", together, [])
    .option("--dry-run", "say what would be released, and write nothing")
    .description("take the next version and build number, all named clients or none")
    .action(run("release"));
  inWorkspace(program.command("rename-identifier"))
    .argument("<client>", "key of a client")
    .addArgument(new Argument("<platform>", "the platform").choices(platforms))
    .argument("<identifier>", "the new identifier")
    .option("--yes", "do it, knowing what it breaks")
    .description("change an identifier that is in use; says what that breaks")
    .action(run("rename-identifier"));
  inWorkspace(program.command("clean"))
    .option("--lock", "take the hold on the workspace away from a run on a machine that is no more")
    .description("empty the cache of pictures that were drawn before; variants stay")
    .action(run("clean"));
  program
    .command("schema")
    .addArgument(
      new Argument("<file>", "the kind of file").choices(["brief", "oxalis", "template", "ledger"]),
    )
    .description("print the JSON Schema of a file, for editors")
    .action(run("schema"));
}

const together = (value: string, before: string[]): string[] => [...before, value];
