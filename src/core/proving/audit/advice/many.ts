import { filesOf, sitesIn } from "../../../app/survey/noted-places.ts";
import type { Term } from "../../../app/template/occurrence.ts";
import { pathByFormat } from "../../../formats/splice/known-ending.ts";
import { applyEdits } from "../../../formats/splice/site.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
import type { Settlement } from "../../../ground/problems/problem.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { placeAt } from "../../../ground/values/source.ts";
import type { Residue } from "../search/search.ts";
import { timesIn } from "./fill.ts";
import { type Surveyed, tryPlaces } from "./proof.ts";

/** What has a meaning in a glob. */
const readByGlobs = /[[\](){}*?!+@\\]/;

/** So few files have an entry each, and so few places of one file. */
const fewest = { files: 4, places: 8 };

/** Files of texts alone, which come in many languages. */
const ofTexts = longPattern("i")`
  \.(po|strings|resw|resx|arb|ftl|xlf|xliff|ts\.xml)$
  |(^|/|_)[a-z]{2}([_-][a-z]{2,4})?\.properties$
  |(^|/)[a-z]{2}([_-][a-z]{2,4})?\.(xml|ya?ml|ini|lng|lang)$
  |(^|/)(lang|langs|languages?|locales?|i18n|l10n|translations?|intl)/(.+/)?[^/]+\.(txt|json|ya?ml|properties|ini|lng
  |lang)$
`;

/** Files that hold a text in all languages. */
const inAllLanguages = /\.desktop$|\.(appdata|metainfo)\.xml$/i;

/** An entry for a text in many files of one kind, and every place that it settles. */
interface Group {
  settlement: Settlement;
  places: ReadonlySet<string>;
}

const keyOf = (file: string, line: string, column: number): string => `${file}:${column}:${line}`;

/**
 * Advises one entry for what people read in many files of texts, tried in all of them; undefined of a place that such
 * an entry would not reach.
 */
export function openForMany(template: Surveyed): (residue: Residue, meant: Term) => Settlement | undefined {
  const known = new Map<string, Group | undefined>();
  return ({ file, problem: { place } }, { kind, found, field }) => {
    if (!place || !(kind === "name" || kind === "owner" || kind === "host" || kind === "email")) return undefined;
    const source = textOf(template.folder, file);
    const path = source ? pathByFormat(source) : "";
    const files = inAllLanguages.test(path) ? file : ofTexts.test(path) ? globFor(file) : undefined;
    if (files === undefined || readByGlobs.test(files.replace(/(^|\/)\*/g, "$1"))) return undefined;
    const entry = { files, text: found, with: `{${field}}` };
    const key = JSON.stringify(entry);
    if (!known.has(key)) known.set(key, groupOf(template, entry));
    const group = known.get(key);
    return group?.places.has(keyOf(file, place.text, place.column)) ? group.settlement : undefined;
  };
}

/** The glob of a file's likes in other languages. */
function globFor(file: string): string {
  const parts = file.split("/");
  const name = parts.pop() ?? "";
  const folders = parts.map((part, at) =>
    part.endsWith(".lproj")
      ? "*.lproj"
      : /^[a-z]{2,3}([_@-][A-Za-z0-9]+)*$/.test(part) &&
          /^(po|lang|langs|languages?|locales?|i18n|l10n)$/i.test(parts[at - 1] ?? "")
        ? "*"
        : part,
  );
  const isByFolder = folders.some((folder, at) => folder !== parts[at]);
  return [...folders, isByFolder ? name : name.replace(/^.*?(?=\.[^.]+$)/, "*")].join("/");
}

function groupOf(template: Surveyed, entry: { files: string; text: string; with: string }): Group | undefined {
  const { folder } = template;
  const places = new Set<string>();
  let count = 0;
  for (const file of filesOf(folder, entry.files)) {
    const source = textOf(folder, file);
    const sites = sitesIn(folder, file, entry);
    if (!source || sites.length === 0) continue;
    count++;
    const tried = tryPlaces(source, sites, entry.with);
    if (!tried) return undefined;
    const after = applyEdits(source.text, tried.edits);
    if (timesIn(after, entry.text) !== timesIn(source.text, entry.text) - sites.length) return undefined;
    for (const { site } of sites) {
      const { text, column } = placeAt(source, site.start);
      places.add(keyOf(file, text, column));
    }
  }
  const isWorthIt = count >= fewest.files || (places.size >= fewest.places && count > 0);
  return isWorthIt ? { settlement: { list: "fill", entry }, places } : undefined;
}
