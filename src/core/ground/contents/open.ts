import type { Secret } from "../values/secret.ts";
import { type Contents, nearBy } from "./contents.ts";
import { folderContents } from "./folder.ts";
import { servedContents } from "./http.ts";

const isServed = (where: string): boolean => /^https?:\/\//.test(where);

/** Opens contents. @param where an address, or a folder, absolute @param token that an address wants */
export const openContents = (where: string, token: Secret | undefined): Contents =>
  isServed(where) ? servedContents(where, token) : folderContents(where);

/**
 * Contents as a machine works with them: what was asked for once lies nearby from then on, in a folder of its own; or
 * they are a folder themselves. @param own absolute
 */
export function openNearby(
  where: string,
  token: Secret | undefined,
  own: string,
): { contents: Contents; near: string } {
  const far = openContents(where, token);
  return isServed(where) ? { contents: nearBy(folderContents(own), far), near: own } : { contents: far, near: where };
}
