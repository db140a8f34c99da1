import type { Site } from "../../formats/splice/site.ts";
import type { Fill } from "./found.ts";

/**
 * A text that holds one of the template's names, as a whole word: the client's long name goes there, and the rest
 * stays.
 */
export function namedText(site: Site, names: readonly string[]): Fill[] {
  const longestFirst = [...names].sort((a, b) => b.length - a.length);
  for (const name of longestFirst) {
    const at = site.value.indexOf(name);
    if (at === -1) continue;
    const [before, after] = [site.value.slice(0, at), site.value.slice(at + name.length)];
    if (/[\p{L}\p{N}_.]$/u.test(before) || /^[\p{L}\p{N}_]/u.test(after)) continue;
    return [
      {
        holds: "app.name",
        site,
        shape: "text",
        ...(before ? { before } : {}),
        ...(after ? { after } : {}),
      },
    ];
  }
  return [];
}
