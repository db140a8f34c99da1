import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { words } from "../derive/fields/words.ts";
import type { Cell, RowFault } from "./row.ts";

/** What somebody said of rows: whose row it is by the name or the key in it; undefined where it is somebody new. */
export type Said = ReadonlyMap<string, string | undefined>;

/** A name as it is compared. */
export const asSaid = (name: string): string => name.normalize("NFC").trim().toLowerCase();

/** The name or the key by which a row says whose it is. */
const nameIn = (cells: readonly Cell[]): string | undefined =>
  (
    cells.find(({ column }) => column.path.length === 0) ?? cells.find(({ column }) => column.heading === "app.name")
  )?.written.trim();

/**
 * The key that a row gives; without one, that of the client who has the name already, or the one that its name makes.
 */
function keyOf(cells: readonly Cell[], there: There, isKey: (key: string) => boolean) {
  const given = cells.find(({ column }) => column.path.length === 0);
  const language = String(cells.find(({ column }) => column.heading === "locale")?.value ?? there.language);
  if (given) {
    const key = String(given.value);
    if (there.keys.has(key)) return key;
    // People write names under a heading that says client.
    return there.named.get(asSaid(given.written)) ?? (isKey(key) ? key : keyFrom(given.written, language));
  }
  const name = cells.find(({ column }) => column.heading === "app.name");
  if (!name) return undefined;
  return there.named.get(asSaid(String(name.value))) ?? keyFrom(String(name.value), language);
}

/** Everybody whom a workspace knows, out of service too. */
interface There {
  keys: ReadonlySet<string>;
  /** Keys by the names of apps; of two that are called alike, the first. */
  named: ReadonlyMap<string, string>;
  /** Of whoever says none. */
  language: string | undefined;
}

function thereIn({ agency, clients, retired }: Workspace): There {
  const all = [...clients, ...retired];
  const names = all.flatMap(({ key, brief }) => {
    const name = brief?.data.app?.name;
    return name === undefined ? [] : [[asSaid(name), key] as const];
  });
  return {
    keys: new Set(all.map(({ key }) => key)),
    named: new Map(names.reverse()),
    language: agency.data.defaults.locale,
  };
}

/** A key made from a name, in the letters of its language; a text of which nothing is left makes none. */
const keyFrom = (name: string, language: string): string | undefined =>
  words.hyphenated?.apply(name.toLowerCase(), "", language).slice(0, 60).replace(/-+$/, "");

/** What tells a client whatever it is called, the surest first. */
const marks = [
  { heading: "domain", says: "the domain", of: ({ brief }: Client) => brief?.data.domain },
  { heading: "email", says: "the address", of: ({ brief }: Client) => brief?.data.email },
  { heading: "owner", says: "the owner", of: ({ brief }: Client) => brief?.data.owner },
  // A name under another key is an earlier key's, unless the row has a domain, which says otherwise.
  { heading: "app.name", says: "the name", of: ({ brief }: Client) => brief?.data.app?.name, unless: "domain" },
] as const;

/** A client that a row may be of, though it is called otherwise there, and what they have in common. */
interface Likely {
  client: Client;
  says: string;
  value: string;
}

/** @param missing clients of whom the sheet has no row otherwise */
function likelyIn(cells: readonly Cell[], missing: readonly Client[]): Likely | undefined {
  const has = (heading: string) => cells.some(({ column }) => column.heading === heading);
  for (const { heading, says, of, ...mark } of marks) {
    if ("unless" in mark && has(mark.unless)) continue;
    const cell = cells.find(({ column }) => column.heading === heading);
    const value = cell && String(cell.value);
    const same = value ? missing.filter((each) => asSaid(of(each) ?? "") === asSaid(value)) : [];
    const [client, another] = same;
    // What several have says nothing of one.
    if (client && !another && value) return { client, says, value };
  }
  return undefined;
}

/** Whose a row is: a key, or why that cannot be said. */
export type Whose = { key: string } | { fault: RowFault } | undefined;

/** Says of each row whose it is, with all others before it. */
export function whoseRows(
  rows: readonly (readonly Cell[])[],
  workspace: Workspace,
  said: Said,
  isKey: (key: string) => boolean,
): Whose[] {
  const there = thereIn(workspace);
  const keys = rows.map((cells) => keyOf(cells, there, isKey));
  const stated = new Set(keys);
  const missing = workspace.clients.filter(({ key }) => !stated.has(key));
  return rows.map((cells, at): Whose => {
    const key = keys[at];
    const name = nameIn(cells) ?? "";
    if (!key) return undefined;
    if (there.keys.has(key)) return { key };
    if (said.has(asSaid(name))) return { key: said.get(asSaid(name)) ?? key };
    const likely = likelyIn(cells, missing);
    if (!likely) return { key };
    return { fault: unsure(name, likely) };
  });
}

/** A row that may be of a client under another name, or under an earlier key. */
function unsure(name: string, { client, says, value }: Likely): RowFault {
  const called = client.brief?.data.app?.name ?? client.key;
  return {
    code: "row-unsure",
    message: `${name} has ${says} of ${called} (${client.key}), ${value}, and the sheet has no other row for it.`,
    expected: `--same "${name}=${client.key}" where it is the same client, --new "${name}" where it is another`,
  };
}

/** A client's logo: whose it is, and its file. */
export interface Logo {
  client: Client;
  file: string;
}

/**
 * The same of a new client whose logo is, to the byte, that of a client whom the sheet lacks.
 * @param found sums of the logos that were found for it @param logos of the clients whom the sheet lacks, by their sums
 */
export function unsureByLogo(
  cells: readonly Cell[],
  found: readonly string[],
  logos: ReadonlyMap<string, readonly Logo[]>,
  said: Said,
): RowFault | undefined {
  const name = nameIn(cells) ?? "";
  if (said.has(asSaid(name))) return undefined;
  const [first, ...others] = found.flatMap((sum) => logos.get(sum) ?? []);
  return first && others.every(({ client }) => client === first.client)
    ? unsure(name, { client: first.client, says: "the logo", value: first.file })
    : undefined;
}
