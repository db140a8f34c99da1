import { basename, dirname, resolve } from "node:path";
import { parseDocument } from "yaml";
import { imports } from "../agency/history/imported.ts";
import { agencyFile } from "../agency/workspace/locate.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { jsonSchema } from "../app/survey/json-schema.ts";
import { readAnswers } from "../clients/roster/answers.ts";
import type { Column } from "../clients/roster/column.ts";
import { columnOfField, columnsOf } from "../clients/roster/columns.ts";
import { foresee } from "../clients/roster/foresee.ts";
import { type ImportPlan, lastImports, type PlannedClient, planImport } from "../clients/roster/import.ts";
import { collectionOf, noItems, readItems, sheetsOfItems } from "../clients/roster/items.ts";
import { asSaid, type Said } from "../clients/roster/known.ts";
import { judgeMapping, type Mapping, matchColumns, readMapping } from "../clients/roster/match.ts";
import { type FoundPictures, findPictures, withPictures } from "../clients/roster/pictures/find.ts";
import { askByLogo } from "../clients/roster/pictures/same-logo.ts";
import { atCell, type Settling } from "../clients/roster/row.ts";
import { type ReadSheet, readSheet } from "../clients/roster/sheet.ts";
import { readInside } from "../ground/files/reading/folder.ts";
import { lookAt } from "../ground/files/writing/door.ts";
import { type Change, writeTogether } from "../ground/files/writing/together.ts";
import { expectedAmong } from "../ground/problems/nearest.ts";
import type { Problem } from "../ground/problems/problem.ts";
import { refuse, unwrap } from "../ground/problems/result.ts";
import { operation } from "./running/operation.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At {
  file: string;
  /** Pairs such as "Trading name=app.name". */
  map: readonly string[];
  /** Pairs such as "Hill Shop=hill": rows that are of a client there is, under another name. */
  same: readonly string[];
  /** Names or keys of rows that are somebody new, whatever they have in common with a client there is. */
  new: readonly string[];
  /** The sheet holds the items of this collection. */
  collection?: string | undefined;
  /** Whose word counts where a field was changed both in its brief and in the sheet. */
  conflicts?: Settling | undefined;
  /** Where the clients' pictures are looked for. */
  pictures?: string | undefined;
  /** What a CSV file is written in, where that cannot be told. */
  encoding?: string | undefined;
  /** Take nothing where a cell or a row cannot be taken. */
  strict: boolean;
  dryRun: boolean;
}

interface Imported {
  plan: ImportPlan;
  /** Clients that are new or that it changes. */
  changed: readonly PlannedClient[];
  /** What will be wrong with what was imported. */
  foreseen: readonly Problem[];
  pictures: FoundPictures;
  taken: boolean;
}

/** Takes a roster in; decided while the workspace is held. */
export const importRoster = operation(async (input: Input, ports): Promise<Imported> => {
  const path = resolve(ports.folder, input.file);
  const read = await readSheet(dirname(path), basename(path), input.encoding);
  if (read.guessed) ports.on({ what: "encoding", guessed: read.guessed });
  for (const line of read.quotes) ports.on({ what: "quote", line });
  return inWorkspace(input, ports, { writes: !input.dryRun }, async (workspace) => {
    const from = resolve(ports.folder, input.pictures ?? "");
    const said = saidOf(workspace, input);
    const rows = decide(workspace, { read, file: basename(path), said }, input);
    const found: FoundPictures =
      input.pictures === undefined
        ? { pictures: [], left: [], problems: [] }
        : await findPictures({ folder: from, shown: input.pictures }, rows.clients, workspace);
    const decided = askByLogo(workspace, rows, found, { said, from });
    const taken = new Set(decided.clients.map(({ key }) => key));
    const pictures = { ...found, pictures: found.pictures.filter(({ client }) => taken.has(client)) };
    const clients = decided.clients.map((client) => withPictures(client, pictures.pictures));
    const plan = { ...decided, clients };
    const changed = plan.clients.filter((client) => client.isNew || client.changes.length > 0);
    const isTaken = !input.dryRun && (plan.refused.length === 0 || !input.strict);
    const foreseen = await foresee(workspace, { ...plan, clients: changed }, pictures.pictures);
    if (isTaken) {
      const art = pictures.pictures.map(
        ({ client, from: file, to }): Change => [`clients/${client}/${to}`, readInside(from, file, file)],
      );
      const changes = [...filesOf(workspace, plan, input), ...art];
      if (changes.length > 0) writeTogether(workspace.root, changes);
    }
    return { plan, changed, foreseen, pictures, taken: isTaken };
  });
});

function decide(
  workspace: Workspace,
  { read, file, said }: { read: ReadSheet; file: string; said: Said },
  input: Input,
): ImportPlan {
  const { notes, agency, clients } = workspace;
  const known = columnsOf(
    notes.data,
    clients.flatMap(({ brief }) => brief?.data ?? []),
  );
  const remembered = Object.entries(agency.data.roster.headings).map(([heading, field]) => `${heading}=${field}`);
  const mapping = mappingOf([...remembered, ...input.map], known, workspace);
  const isItems = input.collection !== undefined;
  const answers = isItems
    ? undefined
    : readAnswers(read.sheet, (name) => columnOfField(name, notes.data) !== undefined);
  const sheet = isItems ? [] : (answers?.sheet ?? read.sheet);
  const matched = matchColumns(sheet, { known, mapped: mapping, notes: notes.data });
  if (!isItems) unwrap(judgeMapping(input.map, matched));
  const sheets = isItems
    ? new Map([[collectionOf(notes.data, input.collection ?? ""), { name: file, sheet: read.sheet }]])
    : sheetsOfItems(read.sheets, notes.data);
  const items = sheets.size === 0 ? noItems : readItems(sheets, notes.data);
  const settling = input.conflicts;
  const plan = planImport(workspace, {
    ...{ file, sheet, lineOf: answers?.lineOf },
    struck: isItems || answers ? [] : read.struck,
    matched: { ...matched, unknown: [...matched.unknown, ...items.unknown] },
    items,
    settling,
    said,
    lastImport: lastImports(workspace),
  });
  const aside = (answers?.aside ?? []).map(({ line, fault }) => atCell("row-aside", file, line, fault));
  return { ...plan, refused: [...plan.refused, ...aside] };
}

/** What is said of rows, now and before. Stops: client-unknown */
function saidOf({ agency, clients }: Workspace, input: Pick<Input, "same" | "new">): Said {
  const pairs = [...Object.entries(agency.data.roster.same), ...input.same.map(pairIn)];
  const keys = clients.map(({ key }) => key);
  for (const [name, key] of input.same.map(pairIn))
    if (!keys.includes(key))
      refuse("client-unknown", `"${name}=${key}": no client is called "${key}".`, {
        expected: expectedAmong(key, keys, "the key of a client"),
      });
  return new Map([
    ...pairs.map(([name, key]) => [asSaid(name), key] as const),
    ...input.new.map((name) => [asSaid(name), undefined] as const),
  ]);
}

const pairIn = (pair: string): readonly [string, string] => {
  const at = pair.lastIndexOf("=");
  return [pair.slice(0, at).trim(), pair.slice(at + 1).trim()];
};

const mappingOf = (pairs: readonly string[], known: readonly Column[], { notes }: Workspace): Mapping =>
  unwrap(readMapping(pairs, known, notes.data));

/** What an import writes: briefs, what is remembered of each, the schema that briefs point at, headings of --map. */
function filesOf(workspace: Workspace, { clients }: ImportPlan, input: Input): Change[] {
  const { root } = workspace;
  const files: Change[] = [];
  for (const { key, isNew, changes, text, imported } of clients) {
    if (isNew || changes.length > 0) files.push([`clients/${key}/brief.yaml`, text]);
    const before = lastImports(workspace)(key);
    const isRemembered = Object.keys(before).length > 0;
    if ((isNew || changes.length > 0 || isRemembered) && JSON.stringify(before) !== JSON.stringify(imported))
      files.push(...imports.changes(root, key, imported));
  }
  const schema = "schemas/brief.json";
  if (clients.some(({ isNew }) => isNew) && !lookAt(root, schema)) files.push([schema, jsonSchema("brief")]);
  const agency = withRemembered(workspace, input);
  if (agency !== undefined) files.push([agencyFile, agency]);
  return files;
}

/** What oxalis.yaml says once it remembers what --map and --same said; undefined where it does already. */
function withRemembered({ agency }: Workspace, { map, same }: Pick<Input, "map" | "same">): string | undefined {
  const { roster } = agency.data;
  const added = [
    ...map.map((pair) => ["headings", ...pairIn(pair)] as const),
    ...same.map((pair) => ["same", ...pairIn(pair)] as const),
  ].filter(([list, name, meant]) => roster[list][name] !== meant);
  if (added.length === 0) return undefined;
  const document = parseDocument(agency.document.source.text);
  for (const [list, name, meant] of added) document.setIn(["roster", list, name], meant);
  return document.toString({ lineWidth: 0 });
}
