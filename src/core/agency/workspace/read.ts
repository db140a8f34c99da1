import { join, resolve } from "node:path";
import picomatch from "picomatch";
import { entriesOf, isFolder, readInside } from "../../ground/files/reading/folder.ts";
import { lookAt } from "../../ground/files/writing/door.ts";
import { nearest } from "../../ground/problems/nearest.ts";
import { ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt, refuse, stop } from "../../ground/problems/result.ts";
import { keptByWindows } from "../../ground/systems/system.ts";
import { type Document, parseYaml } from "../documents/document.ts";
import { soundPartOf, validate } from "../documents/validate.ts";
import { textOf } from "../history/kept-file.ts";
import { keysOf } from "../history/keys.ts";
import { ledgers } from "../history/ledger.ts";
import { profilesOf } from "../history/profiles.ts";
import { requestsOf } from "../history/requests.ts";
import { retirements } from "../history/retired.ts";
import { agencyFile } from "./locate.ts";
import { agencySchema } from "./schema/agency.ts";
import { briefSchema } from "./schema/brief.ts";
import type { TemplateSchema } from "./schema/template.ts";
import type { Client, OwnKeys, Parsed, Workspace } from "./workspace.ts";

const clientKeyForm = /^[a-z0-9][a-z0-9-]{0,59}$/;

export const isClientKey = (key: string): boolean => clientKeyForm.test(key) && !keptByWindows.test(key);

const notesFile = "template.yaml";

/** Reads and validates the files of a workspace. A broken brief does not stop the others; a broken oxalis.yaml does. */
export function readFiles(root: string, templateSchema: TemplateSchema): Workspace {
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
  return { root, agency, notes, template, ...readClients(root) };
}

function readClients(root: string): Pick<Workspace, "clients" | "retired"> {
  const all = entriesOf(join(root, "clients"), "clients")
    .filter(({ name, isFolder }) => isFolder && !name.startsWith("."))
    .map(({ name }) => {
      const client = readClient(root, name);
      const since = attempt(() => (isClientKey(name) ? retirements.read(root, name) : undefined));
      if (!since.ok)
        return { client: { ...client, problems: [...client.problems, ...ofClient(name, since.problems)] } };
      return { client, since: since.value };
    });
  return {
    clients: all.flatMap(({ client, since }) => (since ? [] : [client])),
    retired: all.flatMap(({ client, since }) => (since ? [{ ...client, since }] : [])),
  };
}

function readClient(root: string, key: string): Client {
  const folder = join(root, "clients", key);
  if (!isClientKey(key)) {
    const invalid = problem("client-key-invalid", `clients/${key} cannot be a client's key.`, {
      client: key,
      ...(keptByWindows.test(key)
        ? { fix: "Rename the folder: Windows keeps this name for itself, as con, aux and nul." }
        : {}),
    });
    return { key, folder, problems: [invalid] };
  }
  const ledger = attempt(() => ledgers.read(root, key));
  const document = ledger.ok ? attempt(() => readDocument(root, `clients/${key}/brief.yaml`)) : ledger;
  const keys = attempt(() => readKeys(root, key));
  const brief = document.ok ? attempt(() => asWritten(document.value, briefSchema)) : document;
  return {
    key,
    folder,
    ...(ledger.ok && ledger.value ? { ledger: ledger.value } : {}),
    ...(brief.ok ? { brief: brief.value } : document.ok ? restOf(document.value) : {}),
    keys,
    problems: [...(brief.ok ? [] : ofClient(key, brief.problems)), ...(keys.ok ? [] : ofClient(key, keys.problems))],
  };
}

const readKeys = (root: string, key: string): OwnKeys => ({
  records: keysOf.read(root, key) ?? {},
  requests: requestsOf.read(root, key) ?? {},
  profiles: profilesOf.read(root, key) ?? {},
});

function restOf(document: Document): Pick<Client, "rest"> {
  const part = soundPartOf(document, briefSchema);
  return part ? { rest: { ...part, document: { ...document, data: part.data } } } : {};
}

function readYaml<S extends typeof agencySchema | typeof briefSchema | TemplateSchema>(
  root: string,
  file: string,
  schema: S,
): Parsed<ReturnType<S["parse"]>> {
  return asWritten(readDocument(root, file), schema);
}

const readDocument = (root: string, file: string): Document =>
  parseYaml({ file, text: textOf(readInside(root, file, file), file) });

const asWritten = <S extends typeof agencySchema | typeof briefSchema | TemplateSchema>(
  document: Document,
  schema: S,
): Parsed<ReturnType<S["parse"]>> => ({ data: validate(document, schema) as ReturnType<S["parse"]>, document });

/** That a file which a brief names lies outside the client's folder. */
export const outside = (client: string, named: string): Problem =>
  problem("path-outside", `${named} lies outside ${client}'s folder.`, { client });

/** That a client is out of service, and how it comes back. */
const retiredProblem = ({ key, since }: Workspace["retired"][number]): Problem =>
  problem("client-retired", `${key} is out of service since ${since.on}.`, {
    client: key,
    fix: `Bring it back by oxalis retire ${key} --back, or leave it out.`,
  });

/** Picks clients by key, or by a pattern of keys; none named means all. Refuses what is nobody's. */
export function pickClients(workspace: Workspace, keys: readonly string[]): Client[] {
  const { clients, retired } = workspace;
  const gone = retired.filter(({ key }) => keys.includes(key));
  if (gone.length > 0) stop(gone.map(retiredProblem));
  if (clients.length === 0 && retired.length > 0) refuse("client-retired", "Every client is out of service.");
  if (clients.length === 0) refuse("no-clients", "There is no client in clients/ yet.");
  if (keys.length === 0) return clients;
  const meant = keys.map((key) => ({
    key,
    isMeant: /[*?[\]{}!]/.test(key) ? picomatch(key) : (own: string) => own === key,
  }));
  const unknown = meant.filter(({ isMeant }) => !clients.some((client) => isMeant(client.key)));
  if (unknown.length > 0)
    stop(
      unknown.map(({ key }) => {
        const near = nearest(
          key,
          clients.map((client) => client.key),
        );
        return problem("client-unknown", `No client is called "${key}".`, near === undefined ? {} : { expected: near });
      }),
    );
  return clients.filter((client) => meant.some(({ isMeant }) => isMeant(client.key)));
}
