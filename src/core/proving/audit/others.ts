import { type Resolved, suppliedArt } from "../../app/variant/variant.ts";
import { textIfAny } from "../../ground/files/reading/folder.ts";
import { problemOfFile } from "../../ground/problems/of-files.ts";
import { problem } from "../../ground/problems/problem.ts";
import { platforms } from "../../ground/values/platform.ts";
import { escapeRegExp } from "../../ground/values/regexp.ts";
import { type Place, placeAt } from "../../ground/values/source.ts";
import { alike, isPicture, likenessOf, unlikeness } from "../../pictures/artwork/likeness.ts";
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

/**
 * One search for all clients: what two of them have in common is neither's.
 * @param drawn SHA-256 of the pictures that were drawn for a client.
 */
export function searchForOthers(all: readonly Resolved[], drawn: (client: string) => readonly string[]): OthersSearch {
  const owners = new Map<string, Set<string>>();
  const files = new Map<string, Set<string>>();
  const own = (map: Map<string, Set<string>>, key: string, client: string) =>
    map.set(key, (map.get(key) ?? new Set()).add(client));
  for (const each of all) {
    for (const calling of callings(each)) own(owners, calling.toLowerCase(), each.client.key);
    for (const { picture } of suppliedArt(each.art)) own(files, picture.hash, each.client.key);
    for (const { hash } of each.variant?.supplied ?? []) own(files, hash, each.client.key);
    for (const hash of drawn(each.client.key)) own(files, hash, each.client.key);
  }
  const longestFirst = [...owners.keys()].sort((a, b) => b.length - a.length).map(escapeRegExp);
  const pattern =
    longestFirst.length > 0
      ? new RegExp(`(?<![\\p{L}\\p{N}.<])(?:${longestFirst.join("|")})(?![\\p{L}\\p{N}])`, "giu")
      : undefined;
  const pictures = all.flatMap(({ client: { key }, art }) =>
    suppliedArt(art).flatMap(({ picture: { file, likeness } }) => (likeness ? [{ key, file, likeness }] : [])),
  );
  const named = (clients: ReadonlySet<string>) => [...clients].join(", ");
  /** What was found in the template's own files, which all variants have: once, for all clients. */
  const said = new Map<string, Hit[]>();
  const seen = new Map<string, typeof pictures>();
  const lookalikes = async (bytes: Uint8Array) => {
    const look = await likenessOf(bytes);
    return look ? pictures.filter(({ likeness }) => unlikeness(likeness, look) <= alike) : [];
  };
  const calledIn = (bytes: Uint8Array, isKept: boolean): Hit[] => {
    const text = pattern ? textIfAny(bytes) : undefined;
    if (text === undefined || !pattern) return [];
    return [...text.matchAll(pattern)].flatMap((match): Hit[] => {
      const [what] = match;
      const owner = owners.get(what.toLowerCase());
      if (!owner) return [];
      // A page's path is one where it stands in quotes; elsewhere it is a folder's like others.
      if (what.startsWith("/") && !/["'`]/.test(text[match.index - 1] ?? "")) return [];
      // In the template's own texts a short word is most likely a word.
      if (isKept && !/[\s./]/.test(what) && what.length < longName) return [];
      return [{ what, owner, place: placeAt({ file: "", text }, match.index) }];
    });
  };
  return {
    async looks({ client, path, hash, bytes, shown, isKept }) {
      if (!isPicture(path)) return [];
      const near = seen.get(hash) ?? (await lookalikes(bytes()));
      if (isKept) seen.set(hash, near);
      const [first] = near;
      if (!first || near.some(({ key }) => key === client)) return [];
      const said = `looks like ${first.file}, a picture of ${first.key}.`;
      return [{ file: path, problem: problemOfFile("residue-client", { file: path, shown }, said) }];
    },
    inFile({ client, path, hash, bytes, shown, isKept }) {
      const holders = files.get(hash);
      if (holders && !holders.has(client)) {
        const said = `is a file of ${named(holders)}.`;
        return [{ file: path, problem: problemOfFile("residue-client", { file: path, shown }, said) }];
      }
      const hits = said.get(hash) ?? calledIn(bytes(), isKept);
      if (isKept) said.set(hash, hits);
      return hits.flatMap(({ what, owner, place }): Residue[] => {
        if (owner.has(client)) return [];
        const message = `"${what}", which is ${named(owner)}'s, is in ${shown}.`;
        const at = { ...place, file: shown };
        return [{ file: path, text: what, problem: problem("residue-client", message, { place: at }) }];
      });
    },
  };
}
