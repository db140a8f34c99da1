import type { Place } from "../files/source.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { contrast, type Hex, type NoColor, parseColor, readableOn } from "../values/color.ts";
import { type Field, type FieldFact, fieldNames, fields } from "../values/fields.ts";
import { isDerived, type Traced, traced, withStep, writtenAt } from "../values/trail.ts";
import type { Client, Workspace } from "../workspace/read.ts";
import { clientAnswers } from "./answers.ts";
import { clientContent } from "./content.ts";
import { clientFeatures } from "./features.ts";
import { held, toldOnce } from "./held.ts";
import { asciiDomain, fitWindows, settleBase, settleScheme } from "./identifier.ts";
import { fittedLabel } from "./label.ts";
import { layered, readAt, unknownGroups } from "./layers.ts";
import { judgeLocalName, localNames } from "./local-names.ts";
import { fieldsOf, fillPattern, patternProblem, readPattern, vanished } from "./pattern.ts";
import { judgeValues } from "./rules.ts";
import { stagedNames, stagedValues } from "./staged.ts";
import type { Artwork, Resolved, Values } from "./variant.ts";

/** What one client's fields are worked out from, and what has been worked out so far. */
interface Work {
  workspace: Workspace;
  client: Client;
  art: Artwork;
  values: Values;
  problems: Problem[];
}

/** Works out every field of a client from its brief, its groups, the agency's defaults and patterns, and its ledger. Pure. */
export function resolveVariant(workspace: Workspace, client: Client, art: Artwork): Resolved {
  const problems = [...client.problems, ...unknownGroups(workspace, client)];
  const forStore: Values = {};
  const work = { workspace, client, art, values: forStore, problems };
  for (const field of fieldNames) {
    const value = held(field, settle(field, given(field, work), work), client.ledger, problems);
    if (value) forStore[field] = value;
    else if (fields[field].required) problems.push(missing(client, field));
  }
  const values = stagedValues(forStore, workspace, problems);
  const { features, problems: unfit } = clientFeatures(workspace, client, values);
  const locales = localNames(client, forStore, features).map((local) =>
    stagedNames(local, forStore, workspace),
  );
  problems.push(
    ...unfit,
    ...judgeValues(client, values),
    ...locales.flatMap((each) => judgeLocalName(client, each)),
  );
  const asked = { workspace, client, values, features, problems };
  const { answers, supplied: files } = clientAnswers(asked);
  const { content, supplied: items } = clientContent(asked);
  const supplied = [...files, ...items];
  const corner = workspace.stage?.has.corner;
  const named = toldOnce(problems).map((each) => ({ ...each, client: client.key }));
  const failed = problems.some((each) => each.severity === "error");
  return {
    client,
    values,
    art,
    problems: named,
    ...(failed
      ? {}
      : {
          variant: {
            key: client.key,
            values,
            art,
            locales,
            features,
            answers,
            supplied,
            content,
            profiles: client.brief?.data.signing?.profiles ?? {},
            ...(corner ? { corner: { text: corner.text, color: parseColor(corner.color) as Hex } } : {}),
          },
        }),
  };
}

function given(field: Field, work: Work): Traced | undefined {
  const { workspace, client, art, values } = work;
  const { brief: path, pattern } = fields[field] as FieldFact;
  if (field === "key") return traced({ by: "brief", note: "name of the client's folder", value: client.key });
  const written = path && layered(workspace, client, path);
  if (written) return written;
  const { agency } = workspace;
  if (field === "year")
    return readAt(agency.document, ["year"], { by: "agency", note: "given in oxalis.yaml" });
  const seen = seenInArt(field, art);
  if (seen) return seen;
  if (field === "colors.onBrand") return readable(values["colors.brand"]);
  if (field === "colors.onBrandDark") return readable(values["colors.brandDark"]);
  const own = agency.data.patterns[field];
  const text = own ?? pattern;
  const place = own === undefined ? undefined : agency.document.placeOf(["patterns", field]);
  return text === undefined ? undefined : patterned(field, text, place, work);
}

/** What a client's picture says of itself, where nobody wrote it down: an icon on a plain ground shows its ground. */
function seenInArt(field: Field, art: Artwork): Traced | undefined {
  const { icon } = art.given;
  const edge = icon?.edge;
  if (!edge || (field !== "colors.ground" && field !== "colors.brand")) return undefined;
  return traced({ by: "picture", note: `the plain ground of ${icon?.file}`, value: edge });
}

function readable(brand: Traced | undefined): Traced | undefined {
  if (!brand) return undefined;
  const note = `more readable on ${brand.value} than its opposite`;
  return traced({ by: "rule", note, value: readableOn(brand.value) });
}

function patterned(
  field: Field,
  text: string,
  place: Place | undefined,
  { values, problems }: Work,
): Traced | undefined {
  const pattern = readPattern(text);
  if ("column" in pattern) {
    problems.push(patternProblem(pattern, place));
    return undefined;
  }
  const lookUp = (name: Field) => values[name]?.value;
  const value = fillPattern(pattern, lookUp);
  if (value === undefined) return undefined;
  const lost = field.startsWith("identifiers.") ? vanished(pattern, lookUp) : undefined;
  if (lost !== undefined) {
    const message = `Nothing is left of ${lost}, "${lookUp(lost)}", when it is written in the letters of an identifier.`;
    problems.push(problem("identifier-empty", message, { place: values[lost] && writtenAt(values[lost]) }));
    return undefined;
  }
  const only = pattern.length === 1 ? fieldsOf(pattern)[0] : undefined;
  const same = only !== undefined && text === `{${only}}`;
  const note = same ? `the same as ${only}` : `made by the pattern "${text}"`;
  return traced({ by: "pattern", note, value: value.trim(), ...(place ? { place } : {}) });
}

/** Brings a given value into the form that is kept: colours as #rrggbb, identifiers as the platforms accept them. */
function settle(field: Field, value: Traced | undefined, work: Work): Traced | undefined {
  if (!value) return undefined;
  if (field === "colors.startDark" && isDerived(value)) return nightGround(value, work);
  if (fields[field].color) return settledColor(value, work.problems);
  const derived = isDerived(value);
  if (field === "domain") return settledDomain(value);
  if (field === "app.label" && derived) return fittedLabel(value);
  if (field === "identifiers.base" && derived) return settleBase(value);
  if (field === "scheme" && derived) return settleScheme(value);
  if (field === "identifiers.windows" && derived) return fitWindows(value);
  return value;
}

function settledColor(value: Traced, problems: Problem[]): Traced | undefined {
  const hex = parseColor(value.value);
  if (typeof hex === "string") return withStep(value, { by: "rule", note: "written as #rrggbb", value: hex });
  const { code, reason }: NoColor = hex;
  problems.push(problem(code, `${reason}.`, { place: writtenAt(value) }));
  return undefined;
}

/** A dark ground that the mark would be lost on is not taken; the light one stays, by day and by night. */
function nightGround(value: Traced, { art, values }: Work): Traced {
  const mark = art.given["dark.mark"] ?? art.given.mark;
  const light = values["colors.start"]?.value;
  if (!mark || !light || contrast(mark.mean, value.value) >= Math.min(3, contrast(mark.mean, light)))
    return value;
  const note = `the same by night: ${mark.file} would not stand out from ${value.value}`;
  return withStep(value, { by: "rule", note, value: light });
}

function settledDomain(value: Traced): Traced | undefined {
  const ascii = asciiDomain(value.value);
  const note = "in the form that the domain name system uses";
  return ascii ? withStep(value, { by: "rule", note, value: ascii }) : value;
}

function missing(client: Client, field: Field): Problem {
  const { says, brief } = fields[field] as FieldFact;
  const place = client.brief?.document.placeOf([]);
  const key = brief?.join(".") ?? field;
  return problem("key-missing", `${key} is missing: ${says.charAt(0).toLowerCase()}${says.slice(1)}.`, {
    place,
  });
}
