import { basename, extname, join } from "node:path";
import pLimit from "p-limit";
import { parseDocument } from "yaml";
import type { Workspace } from "../../../agency/workspace/workspace.ts";
import { receiptFile } from "../../../app/variant/receipt-file.ts";
import { entriesOf, isFolder, isThere, readInside } from "../../../ground/files/reading/folder.ts";
import { lookAt } from "../../../ground/files/writing/door.ts";
import type { Problem } from "../../../ground/problems/problem.ts";
import { attempt, attemptAsync, type Result, refuse } from "../../../ground/problems/result.ts";
import { sha256 } from "../../../ground/values/hash.ts";
import type { Art } from "../../../pictures/artwork/art.ts";
import { judgeArt } from "../../../pictures/artwork/judge.ts";
import { type ArtRole, artRoleNames, rolePath } from "../../../pictures/slots/art-roles.ts";
import type { PlannedClient } from "../import.ts";
import { put } from "../row.ts";
import { type KnownAs, ownerOf } from "./owner.ts";
import { roleOf } from "./role.ts";

/** A picture that goes to a client: what it was taken for, and why. */
export interface FoundPicture {
  client: string;
  role: ArtRole;
  why: string;
  /** Within the folder that was looked through. */
  from: string;
  /** Within the client's folder. */
  to: string;
}

/** A picture that goes to nobody, and why. */
export interface LeftPicture {
  from: string;
  why: string;
}

export interface FoundPictures {
  pictures: readonly FoundPicture[];
  left: readonly LeftPicture[];
  problems: readonly Problem[];
}

const pictureName = /\.(svg|png|jpe?g|webp)$/i;

/** Most files and folders that are looked through. */
const mostFiles = 20_000;

/** Folders of a workspace whose pictures Oxalis made, or that are the template's or clients' already. */
const ownFolders = ["variants", "letters", ".oxalis", "clients"] as const;

/** A folder that is looked through, absolute, and as somebody named it. */
interface LookedThrough {
  folder: string;
  shown: string;
}

/**
 * Pictures in a folder, and in those below it; links are not followed, and what is the workspace's own is passed over.
 * Stops: file-missing, file-too-large.
 */
function picturesIn({ folder, shown }: LookedThrough, { root, template }: Workspace): string[] {
  const own = new Set([template, ...ownFolders.map((each) => join(root, each))]);
  if (!isFolder(folder)) refuse("file-missing", `The folder ${shown} is not there.`);
  // What somebody names is looked through, whatever it is, but for what Oxalis made.
  const isOwn = (path: string) =>
    (path !== "" && own.has(join(folder, path))) || isThere(join(folder, path, receiptFile));
  const entriesIn = (path: string) => (isOwn(path) ? [] : entriesOf(join(folder, path), shown));
  let seen = 0;
  const below = (path: string): string[] =>
    entriesIn(path).flatMap((entry) => {
      if (++seen > mostFiles) refuse("file-too-large", `${shown} holds more than ${mostFiles} files.`);
      const file = path ? `${path}/${entry.name}` : entry.name;
      if (entry.isFolder) return below(file);
      return pictureName.test(file) && !entry.isLink ? [file] : [];
    });
  return below("");
}

/** A picture with its owner, before it is looked at; with its role where the sheet names the file. */
interface Owned {
  file: string;
  client: PlannedClient;
  named?: { role: ArtRole; to: string };
}

/**
 * Finds the pictures of the clients of a sheet: by the file's name in the sheet, or by the client's key, name or domain
 * in the names of folders and files. Decides by looking what each is. A role that a brief fills already stays as it is.
 */
export async function findPictures(
  from: LookedThrough,
  clients: readonly PlannedClient[],
  workspace: Workspace,
): Promise<FoundPictures> {
  const { folder } = from;
  const { root } = workspace;
  const left: LeftPicture[] = [];
  const owned = picturesIn(from, workspace).flatMap((file): Owned[] => {
    const named = namedBySheet(file, clients);
    if (named.length > 0) return named;
    const { key, also } = ownerOf(file, clients.map(calledBy));
    const client = clients.find((each) => each.key === key);
    if (client) return [{ file, client }];
    left.push({ from: file, why: also ? `it may be ${also.join("'s or ")}'s` : "its name is nobody's" });
    return [];
  });
  const limit = pLimit(4);
  const looked = await Promise.all(owned.map((each) => limit(() => lookAtOne(folder, each))));
  // Its name says where it is: it has no lines.
  const problems = looked.flatMap(({ art }) => (art.ok ? [] : art.problems.map(({ place: _, ...each }) => each)));
  const pictures: FoundPicture[] = [];
  for (const client of clients) {
    const own = looked.flatMap(({ art, ...each }) =>
      each.client === client && art.ok ? [{ ...each, art: art.value }] : [],
    );
    const chosen = chooseOf(client, own, root, left);
    pictures.push(...chosen);
  }
  return { pictures, left, problems };
}

const lookAtOne = async (folder: string, each: Owned): Promise<Owned & { art: Result<Art> }> => ({
  ...each,
  art: await attemptAsync(() => judgeArt(folder, each.file, { file: each.file, line: 1, column: 1, text: "" })),
});

/** Clients whose row names this file in a column for a picture. */
function namedBySheet(file: string, clients: readonly PlannedClient[]): Owned[] {
  return clients.flatMap((client) =>
    client.cells.flatMap(({ column, written }): Owned[] => {
      const role = artRoleNames.find((each) => rolePath(each).join(".") === column.heading);
      const isSame = basename(written).toLowerCase() === basename(file).toLowerCase();
      return role && isSame ? [{ file, client, named: { role, to: written } }] : [];
    }),
  );
}

function calledBy({ key, text }: PlannedClient): KnownAs {
  const brief = parseDocument(text).toJS() as { app?: { name?: unknown }; domain?: unknown } | null;
  const said = (value: unknown) => (typeof value === "string" ? value : undefined);
  return { key, name: said(brief?.app?.name), domain: said(brief?.domain) };
}

/** One picture for each role: what the sheet names, then vectors, then what has the most pixels. */
function chooseOf(
  client: PlannedClient,
  own: readonly (Owned & { art: Art })[],
  root: string,
  left: LeftPicture[],
): FoundPicture[] {
  const brief = parseDocument(client.text);
  const taken = new Map<ArtRole, string>();
  const size = ({ art }: { art: Art }) => (art.format === "svg" ? Number.MAX_SAFE_INTEGER : art.width * art.height);
  const seen = own
    .map((each) => {
      const judged = roleOf(each.file, each.art);
      return each.named
        ? { ...each, seen: { role: each.named.role, why: "the sheet names it" } }
        : { ...each, seen: judged };
    })
    .sort((a, b) => Number(b.named !== undefined) - Number(a.named !== undefined) || size(b) - size(a));
  const chosen: FoundPicture[] = [];
  for (const { file, art, named, seen: judged } of seen) {
    if (!judged) {
      left.push({ from: file, why: "it is neither a logo on nothing, nor square, nor a screen's picture" });
      continue;
    }
    // A logo that is there in one colour alone is the logo.
    const isOnly = judged.role === "mono" && !seen.some((other) => other.seen?.role === "mark");
    const role: ArtRole = isOnly ? "mark" : judged.role;
    const to = named?.to ?? `art/${role.replace(".", "-")}${extname(file).toLowerCase()}`;
    const before = brief.getIn(rolePath(role));
    const given = typeof before === "string" ? before : undefined;
    const earlier = taken.get(role);
    if (earlier !== undefined) left.push({ from: file, why: `${earlier} is taken for the same, ${role}` });
    else if (given !== undefined && given !== to) left.push({ from: file, why: `the brief has a picture for ${role}` });
    else {
      taken.set(role, file);
      const there = whatIsThere(root, client.key, to, art.hash);
      if (there === "other") left.push({ from: file, why: `clients/${client.key}/${to} is another picture` });
      else if (there === "nothing" || given === undefined)
        chosen.push({ client: client.key, role, why: judged.why, from: file, to });
    }
  }
  return chosen;
}

/** What lies where a picture of a client is to go: nothing, this very picture, or another. */
function whatIsThere(root: string, client: string, file: string, hash: string): "nothing" | "same" | "other" {
  const path = `clients/${client}/${file}`;
  if (!lookAt(root, path)) return "nothing";
  const read = attempt(() => readInside(root, path, path));
  return read.ok && sha256(read.value) === hash ? "same" : "other";
}

/** A client with its pictures named in its brief. */
export function withPictures(client: PlannedClient, pictures: readonly FoundPicture[]): PlannedClient {
  const own = pictures.filter((each) => each.client === client.key);
  const document = parseDocument(client.text);
  const added = own.filter(({ role, to }) => document.getIn(rolePath(role)) !== to);
  for (const { role, to } of added) put(document, rolePath(role), to);
  if (added.length === 0) return client;
  const changes = added.map(({ role, to }) => ({ field: rolePath(role).join("."), before: undefined, after: to }));
  return { ...client, changes: [...client.changes, ...changes], text: document.toString({ lineWidth: 0 }) };
}
