import { plain } from "../../core/clients/roster/columns.ts";
import type { ImportPlan, PlannedClient } from "../../core/clients/roster/import.ts";
import type { Matched } from "../../core/clients/roster/match.ts";
import type { FoundPicture, FoundPictures } from "../../core/clients/roster/pictures/find.ts";
import type { Problem } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import { importRoster } from "../../core/operations/import.ts";
import type { Event } from "../../core/operations/running/ports.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { showProblems } from "../view/problems.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"import"> = async (given, { terminal, ports }) => {
  const on = (event: Event) => noteReading(event, terminal);
  return mapResult(await importRoster(given, { ...ports, on }), ({ plan, changed, foreseen, pictures, taken }) => {
    const open = plan.clients.flatMap(({ conflicts }) => conflicts.filter(({ isOpen }) => isOpen));
    if (given.json) terminal.json({ ...asData(plan, changed, foreseen, taken), ...picturesData(pictures) });
    else {
      showReading(plan.matched, terminal);
      if (!given.quiet) showChanges(changed, terminal);
      showPictures(pictures, terminal);
      showConflicts(plan, terminal);
      showPassed(plan, terminal);
      if (plan.refused.length > 0) terminal.note(`\n${showProblems(plan.refused, terminal.err)}`);
      showForeseen(foreseen, terminal);
      if (!given.quiet) terminal.print(summary(plan, changed, taken, given.dryRun, terminal));
    }
    return plan.refused.length > 0 || open.length > 0 || pictures.problems.length > 0 ? 1 : 0;
  });
};

function noteReading(event: Event, { note, err, settings }: Terminal): void {
  if (settings.json || settings.quiet) return;
  if (event.what === "encoding")
    note(
      `${err.yellow("read as")}  ${event.guessed}, since it is not UTF-8. Is a word wrong? --encoding says what it is.`,
    );
  if (event.what === "quote")
    note(`${err.yellow("taken as it stands")}  a quote in the middle of a cell, line ${event.line}.`);
}

const asData = (
  { matched, clients, refused, retired, sums, struck }: ImportPlan,
  changed: readonly PlannedClient[],
  foreseen: readonly Problem[],
  taken: boolean,
): object => ({
  taken,
  headingRow: matched.headingRow + 1,
  columns: columnsTaken(matched),
  unknown: matched.unknown,
  twice: matched.twice,
  clients: changed.map(({ key, isNew, row, changes }) => ({ key, isNew, row, changes })),
  conflicts: clients.flatMap(({ key, row, conflicts }) => conflicts.map((each) => ({ client: key, row, ...each }))),
  refused: refused.map(placeData),
  retired,
  sums,
  struck,
  foreseen: foreseen.map(placeData),
});

const columnsTaken = ({ headings, columns }: Matched) =>
  columns.flatMap((column, at) => (column ? [{ heading: headings[at] ?? "", field: column.heading }] : []));

/** Which column was taken for which field, and which for none. */
function showReading(matched: Matched, { note, err, settings }: Terminal): void {
  if (!settings.quiet) {
    if (matched.headingRow > 0)
      note(`${err.dim("headings")}  in row ${matched.headingRow + 1}; above is no client: ${quotedTitles(matched)}.`);
    const renamed = columnsTaken(matched).filter(
      ({ heading, field }) => settings.verbose || plain(heading) !== plain(field),
    );
    const longest = Math.max(0, ...renamed.map(({ heading }) => heading.length));
    if (renamed.length > 0) note(err.dim("columns taken as"));
    for (const { heading, field } of renamed) note(`    ${heading.padEnd(longest)}  ${field}`);
  }
  for (const { heading, near } of matched.unknown) {
    const hint = near ? `--map "${heading}=${near}"?` : `--map "${heading}=…" says what it holds.`;
    note(`${err.yellow("passed over")}  the column "${heading}". ${hint}`);
  }
  for (const { heading, field } of matched.twice)
    note(`${err.yellow("passed over")}  the column "${heading}": an earlier one gives ${field} already.`);
}

/** What stands above the headings, each row by its beginning. */
const quotedTitles = ({ above }: Matched): string =>
  above.map((row) => `"${row.length > longestTitle ? `${row.slice(0, longestTitle).trimEnd()} …` : row}"`).join(", ");

const longestTitle = 40;

function showChanges(changed: readonly PlannedClient[], { print, out }: Terminal): void {
  for (const { key, isNew, changes } of changed) {
    print(`${isNew ? out.green("new") : out.cyan("changed")}  ${out.bold(key)}`);
    const longest = Math.max(0, ...changes.map((change) => change.field.length));
    for (const { field, before, after } of changes) {
      const from = before === undefined ? "" : `${out.dim(before)} → `;
      print(`    ${field.padEnd(longest)}  ${from}${after}`);
    }
  }
}

const picturesData = ({ pictures, left, problems }: FoundPictures): object => ({
  pictures,
  left,
  unusable: problems.map(placeData),
});

/** Which picture went to whom, for what and why; and which to nobody. */
function showPictures(
  { pictures, left, problems }: FoundPictures,
  { print, note, out, err, settings }: Terminal,
): void {
  if (problems.length > 0) note(`\n${showProblems(problems, err)}\n`);
  if (settings.quiet) return;
  const longest = (of: (each: FoundPicture) => string) => Math.max(0, ...pictures.map((each) => of(each).length));
  const [client, role] = [longest((each) => each.client), longest((each) => each.role)];
  for (const each of pictures)
    print(
      `${out.green("picture")}  ${out.bold(each.client.padEnd(client))}  ${each.role.padEnd(role)}  ` +
        `${each.from}  ${out.dim(each.why)}`,
    );
  for (const { from, why } of left) note(`${err.yellow("left")}  ${from}: ${why}.`);
}

/** Fields that were edited in a brief since the last import, and of which the sheet says something else. */
function showConflicts({ clients, file }: ImportPlan, { note, err, settings }: Terminal): void {
  const all = clients.flatMap(({ key, row, conflicts }) => conflicts.map((each) => ({ key, row, ...each })));
  for (const { key, row, field, before, after, last, isOpen } of all) {
    if (!isOpen && settings.quiet) continue;
    const label = isOpen ? err.red(err.bold("conflict")) : err.yellow("kept");
    note(`${label}  ${err.bold(key)} ${field}: edited in the brief since the last import, and not overwritten.`);
    note(`    in the brief    ${before ?? "nothing"}`);
    note(`    ${`in ${file}`.padEnd(16)}${after}  ${err.dim(`(row ${row})`)}`);
    if (isOpen) note(`    last import     ${last}`);
  }
  const settling = "--conflicts brief keeps the brief's from now on, --conflicts sheet takes the sheet's.";
  if (all.length > 0) note(`    ${err.dim("to do")}           ${settling}`);
}

/** Rows of which nothing was taken: sums, and clients out of service, once for all of them. */
function showPassed({ retired, sums, struck }: ImportPlan, { note, err, settings }: Terminal): void {
  if (settings.quiet) return;
  for (const row of sums) note(`${err.yellow("passed over")}  row ${row}: a sum of the others.`);
  for (const row of struck)
    note(
      `${err.yellow("passed over")}  row ${row}: it is struck out. \`oxalis retire\` takes a client out of service.`,
    );
  if (retired.length === 0) return;
  note(`${err.yellow("passed over")}  ${retired.join(", ")}: out of service.`);
}

function showForeseen(foreseen: readonly Problem[], { note, err, settings }: Terminal): void {
  if (foreseen.length === 0 || settings.quiet) return;
  note(`\n${showGrouped(foreseen, settings.verbose === true, err)}\n`);
}

function summary(
  plan: ImportPlan,
  changed: readonly PlannedClient[],
  taken: boolean,
  dryRun: boolean,
  { out }: Terminal,
): string {
  const created = changed.filter((client) => client.isNew).length;
  const same = plan.clients.length - changed.length;
  const counts = `${countOf(created, "new client")}, ${changed.length - created} changed, ${same} as before`;
  const refused = [
    ...(plan.rowsRefused > 0 ? [out.red(`, ${countOf(plan.rowsRefused, "row")} refused`)] : []),
    ...(plan.cellsLeft > 0 ? [out.red(`, ${countOf(plan.cellsLeft, "cell")} left out`)] : []),
  ].join("");
  const end = taken
    ? ""
    : dryRun
      ? " Nothing was written."
      : " Nothing was taken: correct the sheet, or leave out --strict.";
  return `${counts}${refused}.${end}`;
}
