import { posix } from "node:path";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { aside } from "../../template/builders.ts";
import { findFile } from "../../template/find-file.ts";
import { type Fill, heldValues, nothingFound, type PictureUse, type SurveyPart } from "../../template/found.ts";
import { iconNamed } from "./bundles.ts";
import { programPicture } from "./program-picture.ts";
import { buildVersions } from "./versions.ts";

/** What goes into a program's own properties, by its variable (Qt, "qmake Variable Reference"). */
const facts: Readonly<Record<string, Field>> = {
  QMAKE_TARGET_PRODUCT: "app.name",
  QMAKE_TARGET_DESCRIPTION: "app.name",
  QMAKE_TARGET_COMPANY: "owner",
  QMAKE_TARGET_COPYRIGHT: "copyright",
  // The target's name follows it.
  QMAKE_TARGET_BUNDLE_PREFIX: "identifiers.desktop",
};

/** A variable, and what it is given up to the line's end, whatever systems it is given on. */
const given =
  /^[ \t]*(?:[\w!|:]+:[ \t]*)?(?<name>QMAKE_TARGET_\w+|RC_ICONS|ICON)[ \t]*=[ \t]*(?<said>[^\r\n#]*[^\s#\\])/gm;

/** Surveys what projects of qmake say of the program that they build; undefined where they say nothing of it. */
export const surveyQmake: SurveyPart = (template) => {
  const files = template.list().filter((file) => !aside.test(file));
  const said = files
    .filter((file) => /\.pr[io]$/.test(file))
    .flatMap((file) => [...(textOf(template, file)?.text ?? "").matchAll(given)].map((line) => ({ line, file })));
  const fills = said.flatMap(({ line, file }) => fillOf(file, line));
  if (!fills.some(({ holds }) => holds === "app.name")) return undefined;
  return {
    ...nothingFound,
    platform: "desktop",
    folder: "",
    identifiers: [],
    names: heldValues(fills, "app.name"),
    fills: [...fills, ...buildVersions(template, files)],
    pictures: said.flatMap(({ line, file }) => iconsOf(template, file, line.groups ?? {})),
    gaps: fills.filter(({ holds }) => holds === "identifiers.desktop").map(({ site }) => endsInTarget(template, site)),
  };
};

const endsInTarget = (template: Folder, { file, start }: Site): Problem =>
  problem("template-gap", "Desktop: the Mac's identifier begins as the client's, and ends in the target's name.", {
    severity: "warning",
    place: placeAt(template.source(file), start),
    fix: "Where it has to be the client's own to the last word, give the project a property list that says it whole.",
  });

function fillOf(file: string, { 0: whole, index, groups }: RegExpMatchArray): Fill[] {
  const { name = "", said = "" } = groups ?? {};
  const holds = facts[name];
  const value = said.replace(/^"(.*)"$/, "$1").replace(/\\(["\\])/g, "$1");
  if (!holds || value.trim() === "" || value.includes("$")) return [];
  const shape = holds === "identifiers.desktop" ? "identifierDomain" : "text";
  const end = (index ?? 0) + whole.length;
  const site: Site = { file, start: end - said.length, end, value, form: "c-string" };
  return [{ holds, site, shape }];
}

/** The icons that a project names beside itself: the Mac's, and those of its Windows resources. */
function iconsOf(
  template: Folder,
  project: string,
  { name, said = "" }: Readonly<Record<string, string>>,
): PictureUse[] {
  const paths = [...said.matchAll(/"([^"]+)"|([^\s"]+)/g)].map(([, quoted, plain]) => quoted ?? plain ?? "");
  if (name === "ICON") return paths.flatMap((path) => iconNamed(template, path));
  if (name !== "RC_ICONS") return [];
  return paths
    .flatMap((path) => findFile(template, posix.join(posix.dirname(project), path.replace(/^\$\$PWD\//, ""))) ?? [])
    .flatMap((path) => programPicture(template, path) ?? []);
}
