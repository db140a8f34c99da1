import { type Resolved, suppliedArt } from "../../app/variant/variant.ts";
import { textIfAny } from "../../ground/files/reading/folder.ts";
import { problemOfFile } from "../../ground/problems/of-files.ts";
import { problem } from "../../ground/problems/problem.ts";
import { platforms } from "../../ground/values/platform.ts";
import { escapeRegExp } from "../../ground/values/regexp.ts";
import { type Place, placeAt } from "../../ground/values/source.ts";
import { alike, isPicture, type Likeness, likenessOf, unlikeness } from "../../pictures/artwork/likeness.ts";
import type { Residue } from "./search/search.ts";

/** A file of a variant, as it is searched. */
interface Searched {
  client: string;
  path: string;
  hash: string;
  bytes(): Uint8Array;
  shown: string;
  /** Whether it is the template's, unchanged. */
  isKept: boolean;
}

/** Where a client is called by its name or identifier. */
interface Hit {
  what: string;
  owner: ReadonlySet<string>;
  place: Place;
}

/** Finds in one client's variant what belongs to another: identifiers, names, pictures and files. */
export interface OthersSearch {
  inFile(file: Searched): Residue[];
  /** Whether a picture that was not drawn for the client looks like one that another client supplied. */
  looks(file: Searched): Promise<Residue[]>;
}

/** Shorter names are words like others. */
const shortest = 5;

/** So long a single word is no common one. */
const longName = 9;

/** What a client is called, by which nobody else may be. */
const callings = ({ values }: Resolved): string[] => [
  ...platforms.flatMap((platform) => values[`identifiers.${platform}`]?.value ?? []),
  ...[values["app.name"]?.value ?? ""].filter((name) => name.length >= shortest),
];

/** A picture that a client supplied, and what it looks like. */
interface SuppliedPicture {
  key: string;
  file: string;
  likeness: Likeness;
}

/** Clients, by what belongs to them. */
type Owners = ReadonlyMap<string, ReadonlySet<string>>;

/** What belongs to clients: what they are called, in small letters; files, by SHA-256; pictures. */
interface Belongings {
  callings: Owners;
  files: Owners;
  pictures: readonly SuppliedPicture[];
}

function belongingsOf(all: readonly Resolved[], drawn: (client: string) => readonly string[]): Belongings {
  const filesOf = ({ client, art, variant }: Resolved): string[] => [
    ...suppliedArt(art).map(({ picture }) => picture.hash),
    ...(variant?.supplied ?? []).map(({ hash }) => hash),
    ...drawn(client.key),
  ];
  return {
    callings: ownersOf(all, (each) => callings(each).map((calling) => calling.toLowerCase())),
    files: ownersOf(all, filesOf),
    pictures: all.flatMap(({ client: { key }, art }) =>
      suppliedArt(art).flatMap(({ picture: { file, likeness } }) => (likeness ? [{ key, file, likeness }] : [])),
    ),
  };
}

function ownersOf(all: readonly Resolved[], things: (each: Resolved) => readonly string[]): Owners {
  const owners = new Map<string, Set<string>>();
  for (const each of all)
    for (const thing of things(each)) owners.set(thing, (owners.get(thing) ?? new Set()).add(each.client.key));
  return owners;
}

/** Finds any of some callings in a text, the longest first; undefined where there are none. */
function patternOf(callings: Iterable<string>): RegExp | undefined {
  const longestFirst = [...callings].sort((a, b) => b.length - a.length).map(escapeRegExp);
  return longestFirst.length > 0
    ? new RegExp(`(?<![\\p{L}\\p{N}.<])(?:${longestFirst.join("|")})(?![\\p{L}\\p{N}])`, "giu")
    : undefined;
}

/** Where a file calls a client by its name or identifier. */
function hitsIn({ bytes, isKept }: Searched, pattern: RegExp, callings: Owners): Hit[] {
  const text = textIfAny(bytes());
  if (text === undefined) return [];
  return [...text.matchAll(pattern)].flatMap((match): Hit[] => {
    const [what] = match;
    const owner = callings.get(what.toLowerCase());
    if (!owner) return [];
    // A page's path is one where it stands in quotes; elsewhere it is a folder's like others.
    if (what.startsWith("/") && !/["'`]/.test(text[match.index - 1] ?? "")) return [];
    // In the template's own texts a short word is most likely a word.
    if (isKept && !/[\s./]/.test(what) && what.length < longName) return [];
    return [{ what, owner, place: placeAt({ file: "", text }, match.index) }];
  });
}

/** The template's own files stand in all variants: what is found in one of them is found once, for all clients. */
function onceIfKept<T>(look: (file: Searched) => T): (file: Searched) => T {
  const known = new Map<string, T>();
  return (file) => {
    const found = file.isKept ? known.get(file.hash) : undefined;
    if (found !== undefined) return found;
    const now = look(file);
    if (file.isKept) known.set(file.hash, now);
    return now;
  };
}

/**
 * One search for all clients: what two of them have in common is neither's.
 * @param drawn SHA-256 of the pictures that were drawn for a client.
 */
export function searchForOthers(all: readonly Resolved[], drawn: (client: string) => readonly string[]): OthersSearch {
  const { callings, files, pictures } = belongingsOf(all, drawn);
  const pattern = patternOf(callings.keys());
  const hits = onceIfKept((file) => (pattern ? hitsIn(file, pattern, callings) : []));
  const lookalikes = onceIfKept(async ({ bytes }): Promise<readonly SuppliedPicture[]> => {
    const look = await likenessOf(bytes());
    return look ? pictures.filter(({ likeness }) => unlikeness(likeness, look) <= alike) : [];
  });
  const residue = ({ path, shown }: Searched, said: string): Residue => ({
    file: path,
    problem: problemOfFile("residue-client", { file: path, shown }, said),
  });
  return {
    async looks(file) {
      if (!isPicture(file.path)) return [];
      const near = await lookalikes(file);
      const [first] = near;
      if (!first || near.some(({ key }) => key === file.client)) return [];
      return [residue(file, `looks like ${first.file}, a picture of ${first.key}.`)];
    },
    inFile(file) {
      const { client, path, shown } = file;
      const holders = files.get(file.hash);
      if (holders && !holders.has(client)) return [residue(file, `is a file of ${[...holders].join(", ")}.`)];
      return hits(file).flatMap(({ what, owner, place }): Residue[] => {
        if (owner.has(client)) return [];
        const message = `"${what}", which is ${[...owner].join(", ")}'s, is in ${shown}.`;
        const at = { ...place, file: shown };
        return [{ file: path, text: what, problem: problem("residue-client", message, { place: at }) }];
      });
    },
  };
}
