import { asksIn } from "../../core/agency/workspace/schema/questions.ts";
import type { TemplateNotes } from "../../core/agency/workspace/schema/template.ts";
import { furtherNames, suppliedArt, type Values, type Variant } from "../../core/app/variant/variant.ts";
import { nearest } from "../../core/ground/problems/nearest.ts";
import { mapResult, succeed } from "../../core/ground/problems/result.ts";
import { fieldNames, fields } from "../../core/ground/values/fields.ts";
import type { Traced } from "../../core/ground/values/trail.ts";
import type { Varying } from "../../core/ground/values/varying.ts";
import { explainClient, tryPattern } from "../../core/operations/explain.ts";
import type { Art } from "../../core/pictures/artwork/art.ts";
import { type ArtRole, artRoleNames, artRoles } from "../../core/pictures/slots/art-roles.ts";
import type { Run } from "../command.ts";
import { tracedData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { recordValues } from "../view/record.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"explain"> = async (given, { terminal, ports }) => {
  const { client, field: wanted, pattern } = given;
  const picked = fieldNames.filter(
    (field) => wanted === undefined || field === wanted || field.startsWith(`${wanted}.`),
  );
  const explained = await explainClient(given, ports);
  if (!explained.ok) return explained;
  const ofRecord = wanted?.startsWith("store") ? recordValues(explained.value.record, wanted) : [];
  if (ofRecord.length > 0) {
    const values = Object.fromEntries(ofRecord.map(({ name, value }) => [name, tracedData(value)]));
    if (given.json) terminal.json({ client, values });
    else for (const { name, value, says } of ofRecord) show(name, value, says, terminal);
    return succeed(0);
  }
  if (picked.length === 0) {
    const near = nearest(wanted ?? "", fieldNames);
    const meant = near ? ` Did you mean ${near}?` : "";
    terminal.note(`No field is called "${wanted}".${meant}\nFields: ${fieldNames.join(", ")}`);
    return succeed(2);
  }
  if (pattern !== undefined)
    return mapResult(await tryPattern({ ...given, pattern }, ports), ({ value }) => {
      if (given.json) terminal.json({ pattern, value });
      else terminal.print(value);
      return 0;
    });
  const { variant, notes, warnings, icons } = explained.value;
  const { values } = variant;
  const known = picked.flatMap((field) => (values[field] ? [[field, values[field]] as const] : []));
  if (given.json) {
    const targets = wanted === undefined ? icons : [];
    terminal.json({ ...asWhole(client, Object.fromEntries(known), variant), icons: targets });
    return succeed(0);
  }
  for (const [at, [field, traced]] of known.entries()) {
    if (at > 0) terminal.print("");
    show(field, traced, fields[field].says, terminal);
  }
  if (wanted !== undefined) return succeed(0);
  showTemplates(variant, notes, terminal);
  showPictures(variant, terminal);
  showLocales(variant, terminal);
  showTargets(icons, terminal);
  if (warnings.length > 0) terminal.note(`\n${showProblems(warnings, terminal.err)}`);
  return succeed(0);
};

/** All of it, for `--json`. */
const asWhole = (key: string, values: Values, variant: Variant): object => {
  const { art, features, answers, content } = variant;
  const given = artRoleNames.map((role) => ({
    role,
    ...asData(art.given[role]),
    otherwise: otherwise(role, variant),
  }));
  const byHand = Object.entries(art.slots).map(([slot, each]) => ({ slot, ...asData(each) }));
  return {
    client: key,
    values: tracesData(values),
    pictures: [...given, ...byHand],
    ...(art.font ? { font: tracedData(art.font.given) } : {}),
    locales: furtherNames(variant).map(({ locale, direction, name, label }) => ({
      locale,
      direction,
      name: tracedData(name),
      label: tracedData(label),
    })),
    features: features.map(({ name, on, usage }) => ({ name, usage: usageData(usage), on: tracedData(on) })),
    answers: tracesData(answers),
    content,
  };
};

/** Texts by language, the first one's under an empty key. */
const usageData = ({ first, further }: Varying<Traced>): object =>
  Object.fromEntries([
    ...(first ? [["", first.value]] : []),
    ...Object.entries(further).map(([tag, { value }]) => [tag, value]),
  ]);

const tracesData = (values: Readonly<Record<string, Traced>>): object =>
  Object.fromEntries(Object.entries(values).map(([name, each]) => [name, tracedData(each)]));

/** What is told of a picture by `--json`; nothing where it was not supplied. */
const asData = (art: Art | undefined): object =>
  art ? { file: art.file, format: art.format, width: art.width, height: art.height } : {};

const measures = ({ format, width, height }: Art): string => `${format}, ${width} × ${height}`;

/** The pictures that were supplied, then what stands for those that were not. */
function showPictures(variant: Variant, terminal: Terminal): void {
  const { art } = variant;
  const { print, out } = terminal;
  for (const { at, picture } of suppliedArt(art))
    print(`\n${out.bold(at.join("."))}  ${picture.file}\n    ${out.dim(measures(picture))}`);
  if (art.font) {
    print("");
    show("art.font", art.font.given, "Font that names are lettered in", terminal);
  }
  const derived = artRoleNames.filter((role) => !art.given[role]);
  if (derived.length === 0) return;
  const longest = Math.max(...derived.map((role) => role.length));
  print(`\n${out.bold("Not supplied, and so derived")}`);
  for (const role of derived) print(`    ${`art.${role}`.padEnd(longest + 4)}  ${out.dim(otherwise(role, variant))}`);
}

/** What stands for a picture that was not supplied. */
const otherwise = (role: ArtRole, { lettering }: Variant): string =>
  role === "wide" && lettering.first?.lettered === undefined
    ? "the mark alone: no font at hand has all letters of the name"
    : artRoles[role].otherwise;

/** What the template asks of a client: its features, its questions, its collections. */
function showTemplates({ features, answers, content }: Variant, data: TemplateNotes, terminal: Terminal): void {
  const { print, out } = terminal;
  for (const { name, on, usage } of features) {
    print("");
    show(`features.${name}`, on, data.features[name]?.says ?? "", terminal);
    for (const { value } of usage.first ? [usage.first] : []) print(`    ${out.dim("usage")}  ${value}`);
    for (const [locale, { value }] of Object.entries(usage.further)) print(`    ${out.dim(locale)}  ${value}`);
  }
  for (const [name, { asks }] of Object.entries(data.questions)) {
    const answer = answers[name];
    print("");
    if (answer) show(`answers.${name}`, answer, asksIn(asks), terminal);
    else print(`${out.bold(`answers.${name}`)}  ${out.dim(`${asksIn(asks)}: not answered, its places stay empty`)}`);
  }
  for (const [name, items] of Object.entries(content))
    print(
      `\n${out.bold(`content.${name}`)}  ${out.green(countOf(items.length, "item"))}  ` +
        `${out.dim(asksIn(data.collections[name]?.asks ?? ""))}`,
    );
}

/**
 * What the app is called in each language, the main one first; that one is for whoever speaks none of the others,
 * too.
 */
function showLocales(variant: Variant, { print, out }: Terminal): void {
  const { values } = variant;
  const locales = furtherNames(variant);
  if (locales.length === 0) return;
  const main = values.locale?.value ?? "";
  const shown = [
    {
      at: `locale ${main}`,
      name: values["app.name"],
      label: values["app.label"],
      more: ", and for all others",
    },
    ...locales.map(({ locale, direction, name, label }) => ({
      at: `app.locales.${locale}`,
      name,
      label,
      more: direction === "rtl" ? "  from right to left" : "",
    })),
  ];
  for (const { at, name, label, more } of shown)
    print(
      `\n${out.bold(at)}  ${out.green(name?.value ?? "")}  ${out.dim(`under the icon: ${label?.value ?? ""}${more}`)}`,
    );
}

function showTargets(targets: readonly { belongs: string; folder: string }[], { print, out }: Terminal): void {
  if (targets.length === 0) return;
  print(`\n${out.bold("Icons by target and configuration")}`);
  for (const { belongs, folder } of targets) print(`    ${out.cyan(folder)}\n        ${out.dim(belongs)}`);
}

function show(what: string, { value, trail }: Traced, says: string, { print, out }: Terminal): void {
  print([out.bold(what), out.green(value), ...(says ? [out.dim(says)] : [])].join("  "));
  for (const [at, step] of trail.entries()) {
    const place = step.place ? `  ${out.cyan(`${step.place.file}:${step.place.line}:${step.place.column}`)}` : "";
    const became = trail.length > 1 ? `  ${at === 0 ? "" : "→ "}${step.value}` : "";
    print(`    ${out.dim(step.note)}${became}${place}`);
  }
}
