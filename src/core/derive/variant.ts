import type { Art } from "../artwork/judge.ts";
import type { Place } from "../files/source.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { type NoColor, parseColor, readableOn } from "../values/color.ts";
import { type Field, type FieldFact, fieldNames, fields } from "../values/fields.ts";
import { type Step, type Traced, traced, withStep } from "../values/trail.ts";
import type { Document, Path } from "../workspace/document.ts";
import type { Client, Workspace } from "../workspace/read.ts";
import { asciiDomain, fitWindows, settleBase } from "./identifier.ts";
import { fieldsOf, fillPattern, patternProblem, readPattern } from "./pattern.ts";
import { judgeValues } from "./rules.ts";

export type ArtRole = "icon" | "mark" | "mono";

/** The pictures a client supplied, measured. */
export type Artwork = Partial<Record<ArtRole, Art>>;

/** One client's app, resolved: every value with the way it came about. */
export interface Variant {
  key: string;
  values: Partial<Record<Field, Traced>>;
  art: Artwork;
}

/** A client with what became of it: a variant where there are no errors. */
export interface Resolved {
  client: Client;
  variant?: Variant;
  problems: Problem[];
}

/** The value of a field that a variant cannot be without. */
export function fieldOf(variant: Variant, field: Field): string {
  const value = variant.values[field]?.value;
  if (value === undefined) throw new Error(`${variant.key} has no ${field}`);
  return value;
}

type Values = Variant["values"];

/** Works out every field of a client from its brief, the agency's defaults and patterns. Pure. */
export function resolveVariant(workspace: Workspace, client: Client, art: Artwork): Resolved {
  const problems = [...client.problems];
  const values: Values = {};
  for (const field of fieldNames) {
    const value = settle(field, given(workspace, client, field, art, values, problems), problems);
    if (value) values[field] = value;
    else if (fields[field].required) problems.push(missing(client, field));
  }
  problems.push(...judgeValues(client, values));
  const named = problems.map((each) => ({ ...each, client: client.key }));
  const failed = problems.some((each) => each.severity === "error");
  return { client, problems: named, ...(failed ? {} : { variant: { key: client.key, values, art } }) };
}

function given(
  workspace: Workspace,
  client: Client,
  field: Field,
  art: Artwork,
  values: Values,
  problems: Problem[],
): Traced | undefined {
  const { brief: path, pattern } = fields[field] as FieldFact;
  if (field === "key") return traced({ by: "brief", note: "name of the client's folder", value: client.key });
  const agency = workspace.agency;
  const written =
    (path && client.brief && writtenAt(client.brief.document, path, "brief", "given in the brief")) ??
    (path && writtenAt(agency.document, ["defaults", ...path], "agency", "the agency's default for all")) ??
    (field === "year" ? writtenAt(agency.document, ["year"], "agency", "given in oxalis.yaml") : undefined);
  if (written) return written;
  const seen = seenInArt(field, art);
  if (seen) return seen;
  if (field === "colors.onBrand") return readable(values["colors.brand"]);
  const own = agency.data.patterns[field];
  const text = own ?? pattern;
  if (text === undefined) return undefined;
  return patterned(
    text,
    values,
    own === undefined ? undefined : agency.document.placeOf(["patterns", field]),
    problems,
  );
}

function writtenAt(document: Document, path: Path, by: Step["by"], note: string): Traced | undefined {
  const value = path.reduce<unknown>(
    (at, step) => (at as Record<string | number, unknown> | undefined)?.[step],
    document.data,
  );
  if (value === undefined || value === null) return undefined;
  return traced({ by, note, value: String(value).trim().normalize("NFC"), place: document.placeOf(path) });
}

/** What a client's picture says of itself, where nobody wrote it down: an icon on a plain ground shows its ground. */
function seenInArt(field: Field, art: Artwork): Traced | undefined {
  const edge = art.icon?.edge;
  if (!edge || (field !== "colors.ground" && field !== "colors.brand")) return undefined;
  return traced({ by: "picture", note: `the plain ground of ${art.icon?.file}`, value: edge });
}

function readable(brand: Traced | undefined): Traced | undefined {
  if (!brand) return undefined;
  return traced({
    by: "rule",
    note: `more readable on ${brand.value} than its opposite`,
    value: readableOn(brand.value),
  });
}

function patterned(
  text: string,
  values: Values,
  place: Place | undefined,
  problems: Problem[],
): Traced | undefined {
  const pattern = readPattern(text);
  if ("column" in pattern) {
    problems.push(patternProblem(pattern, place));
    return undefined;
  }
  const value = fillPattern(pattern, (field) => values[field]?.value);
  if (value === undefined) return undefined;
  const note = `made by the pattern "${text}"`;
  const only = pattern.length === 1 ? fieldsOf(pattern)[0] : undefined;
  const plain = only !== undefined && text === `{${only}}`;
  const step: Step = {
    by: "pattern",
    note: plain ? `the same as ${only}` : note,
    value: value.trim(),
    ...(place ? { place } : {}),
  };
  return traced(step);
}

/** Brings a given value into the form that is kept: colours as #rrggbb, identifiers as the platforms accept them. */
function settle(field: Field, value: Traced | undefined, problems: Problem[]): Traced | undefined {
  if (!value) return undefined;
  if (fields[field].color) return settledColor(value, problems);
  const derived = value.trail[0]?.by === "pattern";
  if (field === "domain") return settledDomain(value);
  if (field === "identifiers.base" && derived) return settleBase(value);
  if (field === "identifiers.windows" && derived) return fitWindows(value);
  return value;
}

function settledColor(value: Traced, problems: Problem[]): Traced | undefined {
  const hex = parseColor(value.value);
  if (typeof hex === "string") return withStep(value, { by: "rule", note: "written as #rrggbb", value: hex });
  const { code, reason }: NoColor = hex;
  problems.push(problem(code, `${reason}.`, { place: value.trail[0]?.place }));
  return undefined;
}

function settledDomain(value: Traced): Traced | undefined {
  const ascii = asciiDomain(value.value);
  return ascii
    ? withStep(value, { by: "rule", note: "in the form that the domain name system uses", value: ascii })
    : value;
}

function missing(client: Client, field: Field): Problem {
  const { says, brief } = fields[field] as FieldFact;
  const place = client.brief?.document.placeOf([]);
  const key = brief?.join(".") ?? field;
  return problem("key-missing", `${key} is missing: ${says.charAt(0).toLowerCase()}${says.slice(1)}.`, {
    place,
  });
}
