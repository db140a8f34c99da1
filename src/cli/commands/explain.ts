import type { Art } from "../../core/artwork/judge.ts";
import { artRoleNames, artRoles } from "../../core/artwork/roles.ts";
import { fieldsOf, fillPattern, patternProblem, readPattern } from "../../core/derive/pattern.ts";
import { resolveAll } from "../../core/derive/resolve.ts";
import { type Artwork, suppliedArt, type Values, type Variant } from "../../core/derive/variant.ts";
import { nearest } from "../../core/problems/nearest.ts";
import { isError, Refusal, refuse } from "../../core/problems/problem.ts";
import { openTemplate } from "../../core/template/read.ts";
import { iconsByTarget } from "../../core/template/targets.ts";
import { fieldNames, fields } from "../../core/values/fields.ts";
import type { Traced } from "../../core/values/trail.ts";
import { pickClients, type Workspace } from "../../core/workspace/read.ts";
import { tracedData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { counted, openTerminal, type Settings, type Terminal } from "../view/terminal.ts";
import { openWorkspace } from "../view/workspace.ts";

interface Options {
  pattern?: string;
}

export async function run([key, wanted]: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const workspace = await openWorkspace(options);
  const [client] = pickClients(workspace, key === undefined ? [] : [key]);
  const picked =
    wanted === undefined
      ? fieldNames
      : fieldNames.filter((field) => field === wanted || field.startsWith(`${wanted}.`));
  if (picked.length === 0) {
    const near = nearest(wanted ?? "", fieldNames);
    terminal.note(
      `No field is called "${wanted}".${near ? ` Did you mean ${near}?` : ""}\nFields: ${fieldNames.join(", ")}`,
    );
    return 2;
  }
  const resolved = (await resolveAll(workspace)).find((each) => each.client === client);
  if (!resolved?.variant) throw new Refusal(resolved?.problems.filter(isError) ?? []);
  const { values, art } = resolved.variant;
  if (options.pattern !== undefined) return tryPattern(options.pattern, values, terminal);
  const known = picked.flatMap((field) => (values[field] ? [[field, values[field]] as const] : []));
  const targets = wanted === undefined ? targetsOf(workspace) : [];
  if (options.json) {
    terminal.json({ ...explained(key, Object.fromEntries(known), resolved.variant), icons: targets });
    return 0;
  }
  for (const [at, [field, traced]] of known.entries()) {
    if (at > 0) terminal.print("");
    show(field, traced, fields[field].says, terminal);
  }
  if (wanted === undefined) showTemplates(resolved.variant, workspace, terminal);
  if (wanted === undefined) showPictures(art, terminal);
  if (wanted === undefined) showLocales(resolved.variant, terminal);
  if (wanted === undefined) showTargets(targets, terminal);
  const warnings = resolved.problems.filter((each) => !isError(each));
  if (warnings.length > 0 && wanted === undefined) terminal.note(`\n${showProblems(warnings, terminal.err)}`);
  return 0;
}

/** All of it, for `--json`. */
const explained = (key: string | undefined, values: Values, variant: Variant): object => {
  const { art, locales, features, answers, content } = variant;
  const given = artRoleNames.map((role) => ({
    role,
    ...asData(art.given[role]),
    otherwise: artRoles[role].otherwise,
  }));
  const byHand = Object.entries(art.slots).map(([slot, each]) => ({ slot, ...asData(each) }));
  return {
    client: key,
    values: allTraced(values),
    pictures: [...given, ...byHand],
    locales: locales.map(({ name, label, ...rest }) => ({
      ...rest,
      name: tracedData(name),
      label: tracedData(label),
    })),
    features: features.map(({ on, ...rest }) => ({ ...rest, on: tracedData(on) })),
    answers: allTraced(answers),
    content,
  };
};

const allTraced = (values: Readonly<Record<string, Traced>>): object =>
  Object.fromEntries(Object.entries(values).map(([name, each]) => [name, tracedData(each)]));

/** What is told of a picture by `--json`; nothing where it was not supplied. */
const asData = (art: Art | undefined): object =>
  art ? { file: art.file, format: art.format, width: art.width, height: art.height } : {};

const measures = ({ format, width, height }: Art): string => `${format}, ${width} × ${height}`;

/** The pictures that were supplied, then what stands for those that were not. */
function showPictures(art: Artwork, { print, out }: Terminal): void {
  for (const { at, picture } of suppliedArt(art))
    print(`\n${out.bold(at.join("."))}  ${picture.file}\n    ${out.dim(measures(picture))}`);
  const derived = artRoleNames.filter((role) => !art.given[role]);
  if (derived.length === 0) return;
  const longest = Math.max(...derived.map((role) => role.length));
  print(`\n${out.bold("Not supplied, and so derived")}`);
  for (const role of derived)
    print(`    ${`art.${role}`.padEnd(longest + 4)}  ${out.dim(artRoles[role].otherwise)}`);
}

/** What the template asks of a client: its features, its questions, its collections. */
function showTemplates(
  { features, answers, content }: Variant,
  { notes }: Workspace,
  terminal: Terminal,
): void {
  const { print, out } = terminal;
  const { data } = notes;
  for (const { name, on, usage } of features) {
    print("");
    show(`features.${name}`, on, data.features[name]?.says ?? "", terminal);
    for (const [locale, text] of Object.entries(usage)) print(`    ${out.dim(locale || "usage")}  ${text}`);
  }
  for (const [name, { asks }] of Object.entries(data.questions)) {
    const answer = answers[name];
    print("");
    if (answer) show(`answers.${name}`, answer, asks, terminal);
    else print(`${out.bold(`answers.${name}`)}  ${out.dim(`${asks}: not answered, its places stay empty`)}`);
  }
  for (const [name, items] of Object.entries(content))
    print(
      `\n${out.bold(`content.${name}`)}  ${out.green(counted(items.length, "item"))}  ${out.dim(data.collections[name]?.asks ?? "")}`,
    );
}

/** What the app is called in each language, the main one first; that one is for whoever speaks none of the others, too. */
function showLocales({ values, locales }: Variant, { print, out }: Terminal): void {
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

interface Target {
  belongs: string;
  folder: string;
}

/** Icons of several targets; none where the template cannot be read, which other commands tell. */
function targetsOf(workspace: Workspace): Target[] {
  try {
    return iconsByTarget(openTemplate(workspace)).map(({ belongs, folder }) => ({ belongs, folder }));
  } catch (error) {
    if (error instanceof Refusal) return [];
    throw error;
  }
}

function showTargets(targets: readonly Target[], { print, out }: Terminal): void {
  if (targets.length === 0) return;
  print(`\n${out.bold("Icons by target and configuration")}`);
  for (const { belongs, folder } of targets) print(`    ${out.cyan(folder)}\n        ${out.dim(belongs)}`);
}

/** Shows what a pattern gives for a client; a fault is shown in the pattern itself. */
function tryPattern(text: string, values: Values, terminal: Terminal): number {
  const pattern = readPattern(text);
  if ("column" in pattern) {
    throw new Refusal([patternProblem(pattern, { file: "pattern", line: 1, column: 0, text })]);
  }
  const empty = fieldsOf(pattern).find((field) => values[field] === undefined);
  if (empty) refuse("pattern-invalid", `This client has no ${empty}.`);
  const value = fillPattern(pattern, (field) => values[field]?.value) ?? "";
  if (terminal.settings.json) terminal.json({ pattern: text, value });
  else terminal.print(value);
  return 0;
}

function show(what: string, { value, trail }: Traced, says: string, { print, out }: Terminal): void {
  print([out.bold(what), out.green(value), ...(says ? [out.dim(says)] : [])].join("  "));
  for (const [at, step] of trail.entries()) {
    const place = step.place
      ? `  ${out.cyan(`${step.place.file}:${step.place.line}:${step.place.column}`)}`
      : "";
    const became = trail.length > 1 ? `  ${at === 0 ? "" : "→ "}${step.value}` : "";
    print(`    ${out.dim(step.note)}${became}${place}`);
  }
}
