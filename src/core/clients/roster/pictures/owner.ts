import { domainToUnicode } from "node:url";
import { plain } from "../columns.ts";

/** What a client is called by, in names of files and folders. */
export interface KnownAs {
  key: string;
  name?: string | undefined;
  domain?: string | undefined;
}

/** Each way of calling a client, as words between blanks. */
function callings({ key, name, domain }: KnownAs): string[] {
  const host = domain === undefined ? "" : domainToUnicode(domain) || domain;
  const [first = ""] = host.split(".");
  return [...new Set([key, name ?? "", host, first].map(plain))].filter((each) => each.length > 1);
}

/**
 * Whose a picture is, by the names of its folders and its own: the client who is called by the most of them. Undefined
 * where nobody is, or two are.
 */
export function ownerOf(path: string, clients: readonly KnownAs[]): { key?: string; also?: readonly string[] } {
  const words = ` ${plain(path.replace(/\.[^./]+$/, ""))} `;
  const joined = words.replaceAll(" ", "");
  const found = clients
    .map((client) => ({
      key: client.key,
      length: Math.max(0, ...callings(client).map((each) => reach(each, words, joined))),
    }))
    .filter(({ length }) => length > 0)
    .sort((a, b) => b.length - a.length);
  const best = found.filter(({ length }) => length === found[0]?.length).map(({ key }) => key);
  if (best.length > 1) return { also: best };
  return best[0] === undefined ? {} : { key: best[0] };
}

/** How many letters of a calling stand in a path: as words of their own, or, where they are many, run together. */
function reach(calling: string, words: string, joined: string): number {
  const letters = calling.replaceAll(" ", "");
  if (words.includes(` ${calling} `)) return letters.length;
  return letters.length >= 6 && joined.includes(letters) ? letters.length : 0;
}
