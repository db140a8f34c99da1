import { drawnAs } from "../../../app/survey/own-pictures.ts";
import { type Doubt, isOfCode, type Term } from "../../../app/template/occurrence.ts";
import { namedSite } from "../../../app/template/places.ts";
import { pathByFormat } from "../../../formats/splice/known-ending.ts";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
import { type Problem, reasonToGive, type Settlement, type SharedCause } from "../../../ground/problems/problem.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { type Place, placeAt } from "../../../ground/values/source.ts";
import { isPicture } from "../../../pictures/artwork/likeness.ts";
import type { Identity } from "../identity/gather.ts";
import { shellName } from "../identity/keyed.ts";
import { besideInList, keysIn } from "../identity/leading.ts";
import { codeHit, mayBeKey } from "../search/context.ts";
import type { Residue } from "../search/search.ts";
import { provenFill, timesIn } from "./fill.ts";
import { identifierField } from "./identifier-field.ts";
import { openForMany } from "./many.ts";
import type { Surveyed } from "./proof.ts";
import { questionOf } from "./question.ts";
import { excerpt, foundAt, longest, withSetting } from "./quoted.ts";

/** What a finding has in common with others, and the lines for template.yaml that settle it. */
export type Adviser = (residue: Residue) => Pick<Problem, "cause" | "settle"> & Partial<Pick<Problem, "fix">>;

/** Which field goes where a term of a kind stands. */
const fieldsOf: Readonly<Record<Exclude<NonNullable<Residue["kind"]>, "identifier">, Field>> = {
  name: "app.name",
  email: "email",
  host: "domain",
  scheme: "scheme",
  owner: "owner",
  team: "signing.team",
  fingerprint: "signing.fingerprints",
  installer: "desktop.installerId",
  color: "colors.brand",
};

/** Prepares advice for a template: places are named as its own files have them. */
export function openAdviser(template: Surveyed, identity: Identity): Adviser {
  const known = new Map<string, Advice>();
  const forMany = openForMany(template);
  const terms = new Map(identity.terms.map(({ text, place }) => [text, place]));
  return (residue) => {
    const { file, inside, text, problem } = residue;
    const from = terms.get(text ?? "");
    const cause: SharedCause = {
      of: problem.code,
      file: inside === undefined ? file : `${file}, in ${inside}`,
      // Whoever says what is to become of pictures goes through all of them at once.
      ...(text === undefined || problem.code === "residue-picture" ? {} : { text }),
      ...(from === undefined ? {} : { from }),
      ...(problem.cause?.said === undefined ? {} : { said: problem.cause.said }),
    };
    if (text === undefined || problem.code === "residue-client" || !template.folder.has(file)) return { cause };
    // Where a team stands is known; what lacks is the client's.
    if (residue.kind === "team") return { cause, fix: givenTeam };
    if (residue.kind === "fingerprint") return { cause, fix: givenKey };
    const key = `${problem.code} ${file} ${text} ${problem.place?.line ?? ""} ${problem.place?.column ?? ""}`;
    const advice = known.get(key) ?? adviceFor(template, residue, { identity, forMany });
    known.set(key, advice);
    return { cause, ...advice };
  };
}

/** Lines that settle a finding, or what has to be asked before anybody can say. */
type Advice = { settle: Settlement } | { fix: string };

const givenTeam = "Give the client's own as `signing: { team: … }` in its brief, or under `defaults` in oxalis.yaml.";

const givenKey =
  "Make or adopt the client's upload key (`oxalis keys`), and give the store's as `signing: { appFingerprint: … }`.";

const nameless =
  "It is the package's own name, which may have no blanks and capitals, and the program is shown under it. Let the " +
  "developers give `productName` in package.json, and take that where the program is packed: it is filled then.";

/** What advice is given with, besides the template. */
interface Known {
  identity: Identity;
  forMany: ReturnType<typeof openForMany>;
}

/** What is compiled from texts beside it (Qt Linguist; gettext). */
const compiled = /\.(qm|g?mo)$/;

const compiledFrom =
  "It is compiled from translations: fill those, and let the build compile them anew; until it does, leave it out.";

function adviceFor(template: Surveyed, residue: Residue, known: Known): Advice {
  const { file, problem, kind } = residue;
  if (compiled.test(file)) return { fix: compiledFrom };
  if (residue.key === shellName) return { fix: nameless };
  if (problem.code === "residue-picture") {
    const isDrawn = isPicture(file) || /\.(ico|icns)$/i.test(file);
    const settle: Settlement = isDrawn
      ? { list: "pictures", entry: { file, draw: drawnAs(template.folder, file) } }
      : { list: "leave", entry: file };
    return { settle };
  }
  if (kind === undefined || problem.place === undefined || residue.inside !== undefined)
    return { settle: allowance(residue) };
  const settled = fillFor(template, residue, problem.place, known);
  return typeof settled === "string" ? { fix: questionOf(settled, residue) } : { settle: settled };
}

/** What is written as code's own names are; an app's scheme is often its name. */
const mayBeOfCode: ReadonlySet<Residue["kind"]> = new Set(["name", "scheme", "owner"]);

/** What would fill a place, proven; or why nobody can say. */
function fillFor(
  template: Surveyed,
  residue: Residue,
  { text: line, column }: Place,
  { identity: { terms }, forMany }: Known,
): Settlement | Doubt {
  const { file, key } = residue;
  const content = textOf(template.folder, file)?.text ?? "";
  const found = foundAt(line, column - 1, residue.text ?? "");
  // What has blanks is no name of code's.
  if (mayBeOfCode.has(residue.kind) && key !== undefined && isOfCode(key) && !/\s/.test(found)) return "code";
  const standing = { file, kind: "name", found, line, column: column - 1, key } as const;
  if ((residue.kind === "name" || residue.kind === "owner") && mayBeKey(standing)) return "code";
  // Each of several people has an address of their own: the client's one would make one of them all.
  if (residue.kind === "email" && besideInList(template.folder, file, key ?? "").some((other) => other.includes("@")))
    return "person";
  const own: Term = {
    kind: residue.kind ?? "name",
    found,
    // Written so, the template is known by it, too.
    text: terms.some(({ kind, text }) => kind === residue.kind && text === found) ? found : (residue.text ?? ""),
    field: fieldFor(template, residue),
  };
  const settlesMany = forMany(residue, own);
  if (settlesMany) return settlesMany;
  // All that the template is known by goes at once: half a place filled is not settled.
  const others = terms
    .filter((term) => !term.weak && term.text !== residue.text)
    .map(
      ({ text, kind }): Term => ({
        ...{ kind, text, found: foundAt(line, 0, text) },
        field: fieldFor(template, { ...residue, kind }),
      }),
    );
  const meant = [own, ...others].sort((one, other) => other.found.length - one.found.length);
  // Named by its own form where the whole value is one that a place can be named by.
  const at = key === undefined ? undefined : namedSite(template.folder, file, key);
  if (key !== undefined && at?.value.includes(found)) {
    const proven = provenFill(template, { file, at: key }, at.value, { meant, own });
    if (proven !== "unsafe") return proven;
  }
  // As it stands in the variant, where lines above may have come or gone.
  const near = excerpt(line, column - 1, found);
  // The whole line only where nothing else of it is another entry's.
  const isAlone = meant.every((each) => timesIn(line, each.found) === timesIn(near, each.found));
  const quotable = [near, withSetting(line, near), ...(isAlone ? [line.trim()] : [])].filter(
    (each) => each.length <= longest,
  );
  const text = quotable.find((each) => !meansOthers(template, residue, each, found));
  // The same stands where something else is meant, and nothing beside it tells the one from the other.
  if (text === undefined) return near === found ? "part" : "code";
  const times = timesIn(content, text);
  if (times > 0) return provenFill(template, { file, text, times }, text, { meant, own });
  return content.includes(found) ? "unsafe" : "changed";
}

/** What cannot be reached in place can be allowed, with a reason that somebody gives. */
const allowance = ({ file, text }: Residue): Settlement => ({
  list: "allow",
  entry: { file, ...(text === undefined ? {} : { text }), reason: reasonToGive },
});

/**
 * Whether a text stands in a file elsewhere, too, where only code refers to what it holds, where another value belongs,
 * or within what another entry would quote.
 */
function meansOthers(template: Surveyed, residue: Residue, text: string, found: string): boolean {
  const { file, kind, problem } = residue;
  const known = elsewhere(template.folder.source(file));
  const key = JSON.stringify([kind, text, found]);
  const places = known.get(key) ?? placesOfText(template, residue, text, found);
  known.set(key, places);
  const own = fieldFor(template, residue);
  // The very place that is asked about is none.
  return places.some(({ line, isOther, field }) => line !== problem.place?.text && (isOther || field !== own));
}

/** A line in which a text stands, what belongs there, and whether something else is meant. */
interface Elsewhere {
  line: string;
  field: Field;
  isOther: boolean;
}

/** A file's texts are asked for many times, and looked for once. */
const elsewhere = parsedOnce(() => new Map<string, readonly Elsewhere[]>());

function placesOfText(template: Surveyed, residue: Residue, text: string, found: string): Elsewhere[] {
  const { file, kind, problem } = residue;
  const source = template.folder.source(file);
  const keyAt = keysIn(template.folder, file);
  const places: Elsewhere[] = [];
  for (let at = source.text.indexOf(text); at !== -1; at = source.text.indexOf(text, at + text.length)) {
    const start = at + Math.max(0, text.indexOf(found));
    const { text: line, column } = placeAt(source, start);
    const field = fieldFor(template, {
      ...residue,
      problem: { ...problem, place: { file, line: 1, column, text: line } },
    });
    const key = keyAt(start);
    const hit = {
      file: pathByFormat(source),
      kind: kind === "color" || kind === undefined ? "name" : kind,
      found,
      line,
      key,
    } as const;
    const isOfCode = kind !== "color" && codeHit({ ...hit, column: column - 1 }) !== undefined;
    const quoted = excerpt(line, column - 1, found);
    places.push({ line, field, isOther: isOfCode || (quoted !== text && quoted.includes(text)) });
  }
  return places;
}

/** Which field goes where a term of the template stands. */
const fieldFor = ({ parts }: Surveyed, { file, kind, text = "", problem: { place } }: Residue): Field =>
  kind === "identifier" ? identifierField(parts, file, { text, line: place?.text ?? "" }) : fieldsOf[kind ?? "name"];
