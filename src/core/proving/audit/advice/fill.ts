import { type Doubt, occurrenceIn, type Term } from "../../../app/template/occurrence.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Settlement } from "../../../ground/problems/problem.ts";
import { replacedIn } from "../../../ground/values/replaced.ts";

import { type FillEntry, probeOf, type Surveyed, tryFill } from "./proof.ts";

type Where = { file: string; at: string } | { file: string; text: string; times: number };

/**
 * An entry that fills a place: tried in memory for a client with every mark in its name, read back by the file's own
 * format, with nothing of the template left in it. Otherwise why there is none.
 * @param written what stands there, as the entry has it
 */
export function provenFill(
  template: Surveyed,
  where: Where,
  written: string,
  { meant, own }: { meant: readonly Term[]; own: Term },
): Settlement | Doubt {
  const here = meant.filter(({ found }) => written.includes(found));
  const patternBy = (expressionOf: (each: Term) => string) =>
    here.reduce(
      (filled, each) => replacedIn(filled, each.found, expressionOf(each), { isWhole: each !== own }),
      written.replace(/[{}]/g, "$&$&"),
    );
  const plain = patternBy(({ field }) => `{${field}}`);
  const first = tryFill(template, { ...where, with: plain } as FillEntry);
  if (!first) return "unsafe";
  const expressions = new Map<Term, string>();
  for (const { before, after } of first.changed) {
    // What stands between tags is read, and what a file of texts holds.
    const isRead = ("text" in where && where.text.startsWith(">")) || ofTexts.test(where.file);
    if ((own.kind === "name" || own.kind === "owner") && !isRead && isFile(template, before)) return "file";
    if (own.kind === "identifier" && namesFiles(template, own.found)) return "file";
    // What is a part of a longer term goes with that.
    let rest = focused(before, after, here);
    for (const each of here) {
      if (!rest.includes(each.found)) continue;
      const occurrence = occurrenceIn(rest, each);
      if ("doubt" in occurrence) return occurrence.doubt;
      const known = expressions.get(each);
      if (known !== undefined && known !== occurrence.expression) return "part";
      expressions.set(each, occurrence.expression);
      rest = rest.replaceAll(each.found, " ".repeat(each.found.length));
    }
  }
  if (!expressions.has(own)) return "unsafe";
  const pattern = patternBy((each) => expressions.get(each) ?? `{${each.field}}`);
  const entry = { ...where, with: pattern };
  const tried = pattern === plain ? first : tryFill(template, entry);
  if (!tried || tried.changed.length !== first.changed.length) return "unsafe";
  const isRight = tried.changed.every(({ before, after }) =>
    [...expressions].every(
      ([{ found }, expression]) =>
        !focused(before, after, here).includes(found) ||
        (after.includes(probeOf(expression) ?? "\0") &&
          timesIn(after, found) <= timesIn(before, found) - timesIn(written, found)),
    ),
  );
  return isRight ? { list: "fill", entry } : "unsafe";
}

/** How often a part stands in a text. */
export const timesIn = (text: string, part: string): number => text.split(part).length - 1;

/**
 * A text of which a part is changed: what stands in the rest of it, as other lines of a long one do, is no matter here,
 * and goes under.
 */
function focused(before: string, after: string, terms: readonly Term[]): string {
  const most = Math.min(before.length, after.length);
  let start = 0;
  while (start < most && before[start] === after[start]) start++;
  let behind = 0;
  while (behind < most - start && before.at(-1 - behind) === after.at(-1 - behind)) behind++;
  const end = before.length - behind;
  const isTouched = (at: number, length: number) => at <= end && at + length >= start;
  return terms.reduce(
    (text, { found }) =>
      text.replaceAll(found, (each: string, at: number) =>
        isTouched(at, each.length) ? each : "n".repeat(each.length),
      ),
    before,
  );
}

/** Files whose values are texts that people read, in one language each. */
const ofTexts = /\.(?:strings|pot?|resw|resx|arb)$|(?:^|\/)(?:res|Resources)\/values[^/]*\/strings\.xml$/i;

/** Endings by which files are asked for. */
const ofFiles =
  /\.(?:png|jpe?g|webp|gif|svg|ico|icns|pdf|html?|[cm]?js|css|json|xml|plist|[ot]tf|mp[34]|wav|txt|md|xib)$/i;

/** Whether a text is the name of a file of the template's, or of what a file is asked for by. */
function isFile({ folder }: Surveyed, value: string): boolean {
  const name = value.trim().split(/[\\/]/).at(-1) ?? "";
  if (!/^[\w.@ -]{3,}$/.test(name)) return false;
  const stems = stemsOf(folder);
  return stems.has(name) || (ofFiles.test(name) && stems.has(name.replace(ofFiles, "")));
}

/** Whether files of the template are called by an identifier: it changes with all of them, or not at all. */
const namesFiles = ({ folder }: Surveyed, identifier: string): boolean =>
  [...stemsOf(folder)].some((stem) => stem === identifier || stem.startsWith(`${identifier}.`));

const known = new WeakMap<Folder, ReadonlySet<string>>();

/** Names of files, as they are and without their endings; of folders too. */
function stemsOf(folder: Folder): ReadonlySet<string> {
  const before = known.get(folder);
  if (before) return before;
  const stems = new Set(
    folder.list().flatMap((file) => file.split("/").flatMap((part) => [part, part.replace(/\.\w+$/, "")])),
  );
  known.set(folder, stems);
  return stems;
}
