import { layerField, readAt, unknownGroups } from "../../agency/workspace/layers.ts";
import { wantedPlatforms, wantedStores } from "../../agency/workspace/wanted.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { definitions } from "../../app/platforms/all.ts";
import type { Artwork, Resolved, Values, Variant } from "../../app/variant/variant.ts";
import {
  type Judged,
  ofClient,
  type Problem,
  problem,
  sound,
  stoppedPlatforms,
  stopsClient,
} from "../../ground/problems/problem.ts";
import { contrast, parseColor, readableOn } from "../../ground/values/color.ts";
import { type Field, fieldNames, fields } from "../../ground/values/fields.ts";
import type { FieldFact } from "../../ground/values/known-of-field.ts";
import { platformOf } from "../../ground/values/platform.ts";
import type { Place } from "../../ground/values/source.ts";
import { isDerived, type Traced, trace, withStep, writtenAt } from "../../ground/values/trail.ts";
import { holdBack, type Kept, keptProblems, overruledProblems } from "./fields/held.ts";
import { asciiDomain, settleBase, settleScheme } from "./fields/identifier.ts";
import { fittedLabel } from "./fields/label.ts";
import { isReadingUnsure, latinDomain } from "./fields/latin.ts";
import { judgeLocalName, localNames, namesByLanguage } from "./fields/local-names.ts";
import { fieldsOf, fillPattern, findVanished, type Pattern, readPattern } from "./fields/pattern.ts";
import { judgeValues } from "./fields/rules.ts";
import { inCapitals, isOfKeys, keptProfiles, ofKeys } from "./fields/signing.ts";
import { stageNames, stageValues } from "./fields/stage.ts";
import { isOfTold, ofTold } from "./fields/told.ts";
import { carryingGround, judgeGround } from "./grounds.ts";
import type { ClientFiles } from "./questions/answering.ts";
import { clientAnswers } from "./questions/answers.ts";
import { clientContent } from "./questions/content.ts";
import { clientFeatures } from "./questions/features.ts";

/** What one client's fields are worked out from, and what has been worked out so far. */
interface Work {
  workspace: Workspace;
  client: Client;
  art: Artwork;
  values: Values;
}

/**
 * Works out every field of a client from its brief, its groups, the agency's defaults and patterns, its ledger, and
 * the files that it supplied. Pure.
 */
export function resolveVariant(workspace: Workspace, client: Client, art: Artwork, files: ClientFiles): Resolved {
  const { values: forStore, problems: ofFields } = resolveFields(workspace, client, art);
  const { value: values, problems: ofStage } = stageValues(forStore, workspace);
  const wanted = wantedPlatforms(workspace, client);
  const stores = wantedStores(workspace, client);
  const { features, problems: unfit } = clientFeatures(workspace, client, values, wanted.value);
  const locales = localNames(client, forStore, features).map((local) => stageNames(local, forStore, workspace));
  const asked = { workspace, client, values, features, platforms: wanted.value, files };
  const answered = clientAnswers(asked);
  const filled = clientContent(asked);
  const problems = ofClient(client.key, [
    ...client.problems,
    ...unknownGroups(workspace, client),
    ...ofFields,
    ...ofStage,
    ...unfit,
    ...overruledProblems(client),
    ...wanted.problems,
    ...judgeGround(client, forStore, art),
    ...judgeValues(client, values, { platforms: wanted.value, stores }),
    ...locales.flatMap((each) => judgeLocalName(client, each, stores)),
    ...answered.problems,
    ...filled.problems,
  ]);
  const stopped = stoppedPlatforms(problems);
  const made = wanted.value.filter((each) => !stopped.includes(each));
  const { key, brief } = client;
  const corner = workspace.stage?.has.corner;
  const color = corner && parseColor(corner.color);
  const draft: Variant = {
    key,
    values,
    platforms: made,
    art,
    names: namesByLanguage(values, locales),
    features,
    answers: answered.value.answers,
    supplied: [...answered.value.supplied, ...filled.value.supplied],
    content: filled.value.content,
    profiles: brief?.data.signing?.profiles ?? {},
    kept: keptProfiles(client, workspace.stage),
    texts: [],
    policies: [],
    captures: [],
    lettering: notLettered,
    ...(color?.ok ? { corner: { text: corner?.text ?? "", color: color.value } } : {}),
  };
  const isWhole = made.length > 0 && !problems.some(stopsClient);
  return { client, values, art, problems, draft, ...(isWhole ? { variant: draft } : {}) };
}

const notLettered: Variant["lettering"] = { further: {} };

/** Every field as it is for the store, in the order in which one may use another. */
function resolveFields(
  workspace: Workspace,
  client: Client,
  art: Artwork,
): { values: Values; problems: readonly Problem[] } {
  const values: Values = {};
  const work = { workspace, client, art, values };
  const problems: Problem[] = [];
  const kept: Kept[] = [];
  for (const field of fieldNames) {
    const given = giveField(field, work);
    const settled = settleField(field, given.value, work);
    const held = holdBack(field, settled.value, client.ledger);
    if (held.value) values[field] = held.value;
    if (held.kept) kept.push(held.kept);
    problems.push(...given.problems, ...settled.problems);
    if (!held.value && fields[field].required) problems.push(missing(client, field));
  }
  return { values, problems: [...problems, ...keptProblems(kept)] };
}

function giveField(field: Field, work: Work): Judged<Traced | undefined> {
  const { workspace, client, art, values } = work;
  const { brief: path, pattern } = fields[field] as FieldFact;
  if (field === "key") return sound(trace({ by: "brief", note: "name of the client's folder", value: client.key }));
  const written = path && layerField(workspace, client, path);
  if (written) return sound(written);
  const { agency } = workspace;
  if (field === "year") return sound(readAt(agency.document, ["year"], { by: "agency", note: "given in oxalis.yaml" }));
  if (isOfKeys(field)) return sound(ofKeys[field](client, values["signing.appFingerprint"]));
  if (isOfTold(field)) return sound(ofTold[field](workspace, client));
  const seen = seenInArt(field, art);
  if (seen) return sound(seen);
  if (field === "colors.brandText") return sound(readable(values["colors.brand"]));
  if (field === "colors.brandTextDark") return sound(readable(values["colors.brandDark"]));
  const own = agency.data.patterns[field];
  const text = own ?? pattern;
  const place = own === undefined ? undefined : agency.document.placeOf(["patterns", field]);
  return text === undefined ? sound(undefined) : fillField(field, text, place, work);
}

/** What a client's picture says of itself, where nobody wrote it down: an icon on a plain ground shows its ground. */
function seenInArt(field: Field, art: Artwork): Traced | undefined {
  const { icon } = art.given;
  const edge = icon?.edge;
  if (!edge || (field !== "colors.ground" && field !== "colors.brand")) return undefined;
  return trace({ by: "picture", note: `the plain ground of ${icon?.file}`, value: edge });
}

function readable(brand: Traced | undefined): Traced | undefined {
  if (!brand) return undefined;
  const note = `more readable on ${brand.value} than its opposite`;
  return trace({ by: "rule", note, value: readableOn(brand.value) });
}

function fillField(field: Field, text: string, place: Place | undefined, { values }: Work): Judged<Traced | undefined> {
  const read = readPattern(text, place);
  if (!read.ok) return { value: undefined, problems: read.problems };
  const pattern = read.value;
  const plainly = (name: Field) => values[name]?.value;
  const isIdentifier = field.startsWith("identifiers.");
  const domain = isIdentifier ? latinDomain(plainly("domain") ?? "", plainly("locale") ?? "") : "";
  const instead = isIdentifier ? readableInstead(pattern, values, domain) : undefined;
  const isSpelled = isIdentifier && fieldsOf(pattern).includes("domain") && domain !== plainly("domain");
  const lookUp = (name: Field) => {
    if (name === "app.name" && instead !== undefined) return instead;
    return name === "domain" && isSpelled ? domain : plainly(name);
  };
  const value = fillPattern(pattern, lookUp);
  if (value === undefined) return sound(undefined);
  const lost = field.startsWith("identifiers.") ? findVanished(pattern, lookUp) : undefined;
  if (lost !== undefined) {
    const lostValue = `${lost}, "${lookUp(lost)}"`;
    const message = `Nothing is left of ${lostValue}, when it is written in the letters of an identifier.`;
    const at = values[lost] && writtenAt(values[lost]);
    return { value: undefined, problems: [problem("identifier-empty", message, { place: at })] };
  }
  const only = pattern.length === 1 ? fieldsOf(pattern)[0] : undefined;
  const same = only !== undefined && text === `{${only}}`;
  const spelled = fillPattern(pattern, (name) => (name === "locale" ? undefined : lookUp(name))) !== value;
  const how = [
    `made by the pattern "${text}"`,
    ...(instead === undefined ? [] : ["with the domain in place of the name, which nobody can be sure how to read"]),
    ...(isSpelled ? ["with the domain in plain Latin letters"] : []),
    ...(spelled ? [`in letters as they are written in ${languageName(plainly("locale") ?? "")}`] : []),
  ];
  const note = same ? `the same as ${only}` : how.join(", ");
  return sound(trace({ by: "pattern", note, value: value.trim(), ...(place ? { place } : {}) }));
}

/** The domain's own word, for an identifier made from a name that has no sure form in Latin letters. */
function readableInstead(pattern: Pattern, values: Values, domain: string): string | undefined {
  const name = values["app.name"]?.value;
  if (name === undefined || !isReadingUnsure(name) || !fieldsOf(pattern).includes("app.name")) return undefined;
  return domain.split(".")[0] || undefined;
}

const languageName = (tag: string): string => new Intl.DisplayNames("en", { type: "language" }).of(tag) ?? tag;

/** Brings a given value into the form that is kept: colours as #rrggbb, identifiers as the platforms accept them. */
function settleField(field: Field, value: Traced | undefined, work: Work): Judged<Traced | undefined> {
  if (!value) return sound(undefined);
  const isChosen = field === "colors.ground" && work.workspace.agency.data.patterns[field] === undefined;
  if (isChosen && isDerived(value)) {
    const brand = settleColor(value);
    return brand.value ? { ...brand, value: carryingGround(brand.value, work.art) } : brand;
  }
  if (field === "colors.startDark" && isDerived(value)) return sound(nightGround(value, work));
  return fields[field].color ? settleColor(value) : sound(settleText(field, value));
}

function settleText(field: Field, value: Traced): Traced {
  if (field === "domain") return settleDomain(value);
  if (field === "signing.appFingerprint") return inCapitals(value);
  if (!isDerived(value)) return value;
  if (field === "app.label") return fittedLabel(value);
  if (field === "identifiers.base") return settleBase(value);
  if (field === "scheme") return settleScheme(value);
  const platform = platformOf(field);
  return platform ? definitions[platform].identifiers.fit(value) : value;
}

function settleColor(value: Traced): Judged<Traced | undefined> {
  const color = parseColor(value.value);
  if (color.ok) return sound(withStep(value, { by: "rule", note: "written as #rrggbb", value: color.value }));
  return { value: undefined, problems: [problem(color.code, `${color.reason}.`, { place: writtenAt(value) })] };
}

/** A dark ground that the mark would be lost on is not taken; the light one stays, by day and by night. */
function nightGround(value: Traced, { art, values }: Work): Traced {
  const mark = art.given["dark.mark"] ?? art.given.mark;
  const light = values["colors.start"]?.value;
  if (!mark || !light || contrast(mark.mean, value.value) >= Math.min(3, contrast(mark.mean, light))) return value;
  const note = `the same by night: ${mark.file} would not stand out from ${value.value}`;
  return withStep(value, { by: "rule", note, value: light });
}

function settleDomain(value: Traced): Traced {
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
    about: brief ?? [field],
  });
}
