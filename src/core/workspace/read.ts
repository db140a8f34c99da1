import { join, resolve } from "node:path";
import { lookAt } from "../files/door.ts";
import { entriesOf, isFolder, readInside } from "../files/folder.ts";
import { isInside } from "../files/listing.ts";
import type { Place } from "../files/source.ts";
import { problemKinds } from "../problems/catalogue.ts";
import { type Problem, problem, Refusal, refuse } from "../problems/problem.ts";
import { type Document, parseYaml } from "./document.ts";
import { hasLedger, type Ledger, ledgerFile, ledgerSchema } from "./ledger.ts";
import { agencyFile } from "./locate.ts";
import { type Agency, agencySchema } from "./schema/agency.ts";
import { type Brief, briefSchema } from "./schema/brief.ts";
import { type TemplateNotes, templateSchema } from "./schema/template.ts";
import type { Stage } from "./stage.ts";
import { validate } from "./validate.ts";

/** A validated file with the way back to its lines. */
export interface Written<T> {
  data: T;
  document: Document;
}

export interface Client {
  key: string;
  /** Absolute path of the client's folder. */
  folder: string;
  /** Absent when the brief cannot be used; `problems` then says why. */
  brief?: Written<Brief>;
  /** What has been in use; absent where nothing has. */
  ledger?: Ledger;
  problems: Problem[];
}

export interface Workspace {
  /** Absolute path. */
  root: string;
  agency: Written<Agency>;
  notes: Written<TemplateNotes>;
  /** Absolute path of the template. */
  template: string;
  clients: Client[];
  /** What is made is not for the store, but for this stage. */
  stage?: Stage;
}

const utf8 = new TextDecoder("utf-8", { fatal: true });
const clientKeyForm = /^[a-z0-9][a-z0-9-]{0,59}$/;
/** Names that a file system keeps for itself (Microsoft, "Naming Files, Paths, and Namespaces"). */
const reservedNames = /^(con|prn|aux|nul|com\d|lpt\d)$/;

export const isClientKey = (key: string): boolean => clientKeyForm.test(key) && !reservedNames.test(key);

const notesFile = "template.yaml";

/** Reads and validates a workspace. A broken brief does not stop the others; a broken oxalis.yaml does. */
export function readWorkspace(root: string): Workspace {
  const agency = readYaml(root, agencyFile, agencySchema);
  const notes = lookAt(root, notesFile)
    ? readYaml(root, notesFile, templateSchema)
    : { data: templateSchema.parse({}), document: parseYaml({ file: notesFile, text: "" }) };
  const template = resolve(root, agency.data.template);
  if (!isFolder(template)) {
    refuse("template-empty", `The template's folder ${agency.data.template} is not there.`, {
      place: agency.document.placeOf(["template"]),
    });
  }
  return { root, agency, notes, template, clients: readClients(root) };
}

function readClients(root: string): Client[] {
  return entriesOf(join(root, "clients"), "clients")
    .filter(({ name, isFolder }) => isFolder && !name.startsWith("."))
    .map(({ name }) => readClient(root, name));
}

function readClient(root: string, key: string): Client {
  const folder = join(root, "clients", key);
  const client: Client = { key, folder, problems: [] };
  if (!isClientKey(key)) {
    client.problems.push(
      problem("client-key-invalid", `clients/${key} cannot be a client's key.`, { client: key }),
    );
    return client;
  }
  try {
    if (hasLedger(root, key)) client.ledger = readLedger(root, key);
    client.brief = readYaml(root, `clients/${key}/brief.yaml`, briefSchema);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    client.problems.push(...error.problems.map((each) => ({ ...each, client: key })));
  }
  return client;
}

/** A damaged ledger is told with its line, and never replaced. */
function readLedger(root: string, key: string): Ledger {
  const file = ledgerFile(key);
  try {
    // Read with its lines, which takes ten times as long, only where something is to be told about one.
    const ledger = plainLedger(readInside(root, file, file)) ?? readYaml(root, file, ledgerSchema).data;
    refuseFalling(ledger, file);
    return ledger;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const { fix } = problemKinds["ledger-damaged"];
    throw new Refusal(
      error.problems.map((each) =>
        each.code === "ledger-damaged" ? each : { ...each, code: "ledger-damaged" as const, fix },
      ),
    );
  }
}

/** A build number is used once, and rises: a merge of two branches that both released makes others. */
function refuseFalling({ releases }: Ledger, file: string): void {
  for (const [at, { build, version }] of releases.entries()) {
    const before = releases[at - 1];
    if (before && build <= before.build)
      refuse(
        "ledger-damaged",
        `${file} has build ${build} (version ${version}) behind build ${before.build} (version ${before.version}).`,
        {
          expected: "build numbers that rise from one release to the next",
          fix: "Two branches have released: put their releases in order, and give each that no store has yet the next free build number.",
        },
      );
  }
}

function plainLedger(bytes: Uint8Array): Ledger | undefined {
  try {
    return ledgerSchema.safeParse(JSON.parse(utf8.decode(bytes))).data;
  } catch {
    return undefined;
  }
}

function readYaml<
  S extends typeof agencySchema | typeof briefSchema | typeof templateSchema | typeof ledgerSchema,
>(root: string, file: string, schema: S): Written<ReturnType<S["parse"]>> {
  const bytes = readInside(root, file, file);
  let text: string;
  try {
    text = utf8.decode(bytes);
  } catch {
    refuse("file-unreadable", `${file} is not UTF-8 text.`);
  }
  const document = parseYaml({ file, text });
  return { data: validate(document, schema) as ReturnType<S["parse"]>, document };
}

/** A file that a brief names, as an absolute path; refuses what leads out of the client's folder. */
export function clientFile(client: Client, named: string, place: Place): string {
  const path = resolve(client.folder, named);
  if (!isInside(client.folder, path)) {
    refuse("path-outside", `${named} lies outside ${client.key}'s folder.`, { place, client: client.key });
  }
  return path;
}

/** Picks clients by key; none named means all. Refuses keys that nobody has. */
export function pickClients(workspace: Workspace, keys: readonly string[]): Client[] {
  if (workspace.clients.length === 0) refuse("no-clients", "There is no client in clients/ yet.");
  const known = new Map(workspace.clients.map((client) => [client.key, client]));
  const unknown = keys.filter((key) => !known.has(key));
  if (unknown.length > 0) {
    throw new Refusal(unknown.map((key) => problem("client-unknown", `No client is called "${key}".`)));
  }
  return keys.length === 0
    ? workspace.clients
    : workspace.clients.filter((client) => keys.includes(client.key));
}
