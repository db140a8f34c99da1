import { relative } from "node:path";
import { stripVTControlCharacters as plain } from "node:util";
import { missingKinds } from "../../core/app/platforms/all.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import { fields } from "../../core/ground/values/fields.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import type { Place } from "../../core/ground/values/source.ts";
import type { Account } from "../../core/operations/init/account.ts";
import type { Elsewhere } from "../../core/operations/init/elsewhere.ts";
import type { Initiated } from "../../core/operations/init/init.ts";
import { initWorkspace } from "../../core/operations/init.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { table } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"init"> = async (given, { terminal, ports }) =>
  mapResult(await initWorkspace(given, ports), (done) => {
    if (given.json) terminal.json(asData(done));
    else show(done, relative(ports.folder, done.folder) || ".", given.dryRun, terminal);
    return 0;
  });

function show(done: Initiated, shown: string, dryRun: boolean, terminal: Terminal): void {
  const { settings, note, err } = terminal;
  if (!settings.quiet) for (const account of done.accounts) tell(account, terminal);
  tellElsewhere(done, terminal);
  const problems = [...done.accounts.flatMap(({ gaps }) => gaps), ...done.secrets, ...done.unclear];
  if (problems.length > 0) note(`\n${showProblems(problems, err)}`);
  if (!settings.quiet) close(shown, done, dryRun, terminal);
}

const at = ({ file, line, column }: Place): string => `${file}:${line}:${column}`;

function tell({ platform, folder, values, pictures, missing }: Account, terminal: Terminal): void {
  const { out, print } = terminal;
  if (values.length + pictures.length + missing.length === 0) return;
  print(`${out.bold(platformNames[platform])}  ${out.dim(folder ? `${folder}/` : "in the template's own folder")}`);
  const rows = values.map(
    ({ field, value, place, places }): Row => [
      `  ${shortly(fields[field].says)}`,
      shorten(value),
      `${at(place)}${places > 1 ? `, and ${places - 1} more` : ""}`,
    ],
  );
  const drawn = pictures.map(
    ({ role, files, first }): Row => [`  Picture ${role}`, `${countOf(files, "file")}, drawn anew`, first],
  );
  const lacking = missing.map(
    ({ kind, added, place }): Row => [
      `  ${out.yellow("None:")} ${missingKinds[kind]?.says}`,
      added ? "added" : "left out",
      at(place),
    ],
  );
  print(`${headless([...rows, ...drawn, ...lacking], terminal)}\n`);
}

/** What a field is, up to the first comma. */
const shortly = (says: string): string => says.replace(/[,;].*$/, "");

/** What it is, what stands there, and where. */
type Row = readonly [string, string, string];

/** Columns that keep their widths from one platform to the next. */
const widths = [44, 34] as const;

/** Rows of three columns; the last one, a place, is cut at its front where the terminal is too narrow for it. */
function headless(rows: readonly Row[], { out, width, room: columns }: Terminal): string {
  const room = Math.max(24, width - widths[0] - widths[1] - 4);
  const padded = rows.map(([first, second, third]) => [
    first.padEnd(widths[0] + first.length - plain(first).length),
    second.padEnd(widths[1]),
    out.dim(third.length > room ? `…${third.slice(third.length - room + 1)}` : third),
  ]);
  return table(["", "", ""], padded, out, columns).replace(/^.*\n/, "");
}

const longest = 34;

const shorten = (value: string): string => {
  const line = value.replace(/\s+/g, " ");
  return line.length > longest ? `${line.slice(0, longest - 1)}…` : line;
};

function tellElsewhere({ left, suggestions, colors, content }: Initiated, terminal: Terminal): void {
  const { out, print, settings } = terminal;
  if (suggestions.length > 0 && !settings.quiet) {
    print(out.bold("Filled through template.yaml"));
    const rows = suggestions.map(({ file, at: path, with: pattern }): Row => [`  ${file}`, path, shorten(pattern)]);
    print(`${headless(rows, terminal)}\n`);
  }
  if (colors.length > 0 && !settings.quiet) {
    print(
      `${out.bold("Colours of its own")}  ${out.dim("say under colors in template.yaml which are to be a client's")}`,
    );
    const rows = colors
      .slice(0, settings.verbose ? colors.length : 12)
      .map(({ name, value, place }): Row => [`  ${name}`, shorten(value), at(place)]);
    print(headless(rows, terminal));
    if (colors.length > rows.length) print(out.dim(`  and ${colors.length - rows.length} more; --verbose lists them`));
    print("");
  }
  tellContent(content, terminal);
  if (left.length === 0) return;
  print(
    `${out.bold("Names the template, and is yours to decide")}  ${out.dim("fill, leave or allow it in template.yaml")}`,
  );
  const most = settings.verbose ? left.length : 12;
  const rows = left
    .slice(0, most)
    .map((each): Row => [`  ${each.text}`, shorten(each.place.text.trim()), at(each.place)]);
  print(headless(rows, terminal));
  if (left.length > most) print(out.dim(`  and ${left.length - most} more; --verbose lists them`));
  print("");
}

function tellContent(content: Initiated["content"], terminal: Terminal): void {
  const { out, print, settings } = terminal;
  if (content.length === 0 || settings.quiet) return;
  const what = "say under shared in template.yaml which all apps have in common";
  print(`${out.bold("Content that people see, and is yours to decide")}  ${out.dim(what)}`);
  const most = settings.verbose ? content.length : 12;
  const rows = content
    .slice(0, most)
    .map(({ file, kind, says }): Row => [`  ${contentKinds[kind]}`, shorten(says), file]);
  print(headless(rows, terminal));
  if (content.length > most) print(out.dim(`  and ${content.length - most} more; --verbose lists them`));
  print("");
}

const contentKinds = { photo: "Picture", list: "List", text: "Text" } as const;

function close(shown: string, { files }: Initiated, dryRun: boolean, { out, print }: Terminal): void {
  if (dryRun) {
    print(`Nothing is written. Would be: ${[...files.keys()].join(", ")}`);
    return;
  }
  const way = shown === "." ? "" : `cd ${shown}, `;
  print(`Written: ${[...files.keys()].map((file) => (shown === "." ? file : `${shown}/${file}`)).join(", ")}`);
  print(out.dim(`Next: ${way}oxalis import <your roster>, oxalis check`));
}

const asData = ({ accounts, unclear, secrets, left, suggestions, colors, content, files }: Initiated): object => ({
  parts: accounts.map(({ values, missing, gaps, ...rest }) => ({
    ...rest,
    values: values.map(placeData),
    missing: missing.map(placeData),
    gaps: gaps.map(placeData),
  })),
  unclear: unclear.map(placeData),
  secrets: secrets.map(placeData),
  fill: suggestions,
  colors: colors.map(placeData),
  content,
  left: left.map(({ text, place }: Elsewhere) => placeData({ text, place })),
  files: [...files.keys()],
});
