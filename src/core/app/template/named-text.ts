import type { Site } from "../../formats/splice/site.ts";
import { escapeRegExp } from "../../ground/values/regexp.ts";
import type { Fill } from "./found.ts";

/**
 * A text that holds the template's names, as whole words: the client's long name goes there, and the rest stays. Where
 * a file has the text letter by letter, each place of it is filled; otherwise the first.
 */
export function namedText(site: Site, names: readonly string[]): Fill[] {
  const [first, ...more] = placesIn(site.value, names);
  if (!first) return [];
  if (more.length > 0 && site.end - site.start === site.value.length)
    return [first, ...more].map(({ at, name }): Fill => {
      const start = site.start + at;
      return {
        holds: "app.name",
        site: { ...site, start, end: start + name.length, value: name },
        shape: "text",
      };
    });
  const [before, after] = [site.value.slice(0, first.at), site.value.slice(first.at + first.name.length)];
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

function placesIn(text: string, names: readonly string[]): { at: number; name: string }[] {
  const longestFirst = [...names].filter(Boolean).sort((a, b) => b.length - a.length);
  if (!longestFirst.some((name) => text.includes(name))) return [];
  const whole = new RegExp(
    `(?<![\\p{L}\\p{N}_.])(?:${longestFirst.map(escapeRegExp).join("|")})(?![\\p{L}\\p{N}_])`,
    "gu",
  );
  return [...text.matchAll(whole)].map(({ index, 0: name }) => ({ at: index, name }));
}

/**
 * What a further program is called by: behind the app's name it keeps what tells it apart, "Updater" of "Shop Updater".
 * @param names what apps are called, the one that counts first
 */
export function besideApp(fill: Fill, names: readonly string[]): Fill {
  const { value } = fill.site;
  const base = names.find((name) => value.startsWith(`${name} `));
  return base === undefined ? fill : { ...fill, after: value.slice(base.length) };
}
