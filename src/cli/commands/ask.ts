import { relative } from "node:path";
import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import { askClients, type WrittenLetter } from "../../core/operations/ask.ts";
import { askDesigner, type DesignerAsked } from "../../core/operations/designer.ts";
import { startWords } from "../../core/operations/words.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"ask"> = async (given, { terminal, ports }) => {
  if (given.newWords !== undefined)
    return mapResult(await startWords({ ...given, language: given.newWords }, ports), ({ file }) => {
      if (given.json) terminal.json({ file });
      else if (!given.quiet) terminal.print(`${file}: the words in English, to be translated.`);
      return 0;
    });
  if (given.designer)
    return mapResult(await askDesigner(given, ports), (asked) => {
      showDesigner(asked, given, ports.folder, terminal);
      return 0;
    });
  return mapResult(await askClients(given, ports), ({ letters, problems }) => {
    if (given.json) terminal.json({ letters: letters.map(asData), problems: problems.map(placeData) });
    else for (const each of letters) show(each, given, ports.folder, terminal);
    const asked = letters.filter(({ asked }) => asked.groups.length > 0);
    const of = (state: WrittenLetter["state"]) => letters.filter((each) => each.state === state).length;
    const unsure = of("unsure") > 0 ? `, ${of("unsure")} may have arrived` : "";
    if (!given.json && !given.quiet)
      terminal.print(
        `${countOf(asked.length, "client")} to be asked, ${letters.length - asked.length} not` +
          `${given.send && !given.dryRun ? `; ${countOf(of("sent"), "letter")} sent${unsure}` : ""}.`,
      );
    if (!given.json && problems.length > 0) terminal.note(showProblems(problems, terminal.err));
    return [...problems, ...letters.flatMap((each) => each.problems)].some(isError) ? 1 : 0;
  });
};

function showDesigner(
  { clients, text, files }: DesignerAsked,
  { json, quiet, dryRun }: { json: boolean; quiet: boolean; dryRun: boolean },
  folder: string,
  { out, print, json: printJson }: Terminal,
): void {
  const told = clients.map(({ client, name, pictures }) => ({
    client,
    name,
    pictures: pictures.map(({ label, reasons, isNeeded }) => ({ file: label, reasons, isNeeded })),
  }));
  const count = clients.reduce((sum, { pictures }) => sum + pictures.length, 0);
  const where = files.map((each) => relative(folder, each)).find((each) => each.endsWith(".txt")) ?? "";
  const of = `${countOf(count, "picture")} of ${countOf(clients.length, "client")}`;
  if (json) printJson({ clients: told, files });
  else if (quiet) return;
  else if (count === 0) print("Nothing to ask a designer for.");
  else if (dryRun) print(text.trimEnd());
  else print(`${out.green("✓")} ${of}  ${where.replace(/\.txt$/, ".{txt,html}")}`);
}

const asData = ({ asked, files, state, problems }: WrittenLetter): object => ({
  ...asked,
  files,
  state,
  problems: problems.map(placeData),
});

/** What became of a letter, behind its line. */
function becameOf(state: WrittenLetter["state"], send: boolean, to: string | undefined): string {
  if (state === "sent") return `  sent to ${to}`;
  if (state === "unsure") return `  may have arrived at ${to}`;
  return send ? "  not sent" : "";
}

function show(
  { asked, text, files, state, problems }: WrittenLetter,
  { dryRun, send }: { dryRun: boolean; send: boolean },
  folder: string,
  terminal: Terminal,
): void {
  const { out, err, print, note, settings } = terminal;
  if (problems.length > 0) note(showProblems(problems, err));
  if (settings.quiet) return;
  const things = asked.groups.reduce((sum, group) => sum + group.things.length, 0);
  if (things === 0) {
    if (settings.verbose) print(`${out.green("✓")} ${asked.client}  ${out.dim("nothing to ask for")}`);
    return;
  }
  if (dryRun) {
    print(`${out.bold(asked.client)}  ${out.dim(`to ${asked.to ?? "nobody: no e-mail is given"}`)}\n`);
    print(
      text
        .trimEnd()
        .split("\n")
        .map((line) => (line ? `    ${line}` : line))
        .join("\n"),
    );
    print("");
    return;
  }
  if (state === "nothing") return;
  const [first] = files;
  const where = first === undefined ? "" : `  ${relative(folder, first).replace(/\.txt$/, ".{txt,html,xlsx}")}`;
  const isDone = state === "sent" || (state === "written" && !send);
  const sign = isDone ? out.green("✓") : out.yellow("?");
  print(`${sign} ${asked.client}  ${countOf(things, "thing")}${where}${becameOf(state, send, asked.to)}`);
}
