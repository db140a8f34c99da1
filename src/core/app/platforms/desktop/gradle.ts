import { posix } from "node:path";
import {
  assignment,
  type GradleStatement,
  gradleStatements,
  literalSite,
} from "../../../formats/splice/formats/gradle.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { aside } from "../../template/builders.ts";
import { findFile } from "../../template/find-file.ts";
import { type Fill, heldValues, nothingFound, type PictureUse, type SurveyPart } from "../../template/found.ts";
import { programPicture } from "./program-picture.ts";

/** What a script says of the packages that it makes, by the block and the setting, wherever that block stands. */
interface Said {
  block: RegExp;
  name: RegExp;
  holds: Field;
}

/** Settings of packages for desktops (JetBrains, "Native distributions"; Java, jpackage options by their names). */
const facts: readonly Said[] = [
  { block: /^(nativeDistributions|jpackage)$/, name: /^(packageName|imageName|installerName)$/, holds: "app.name" },
  { block: /^(nativeDistributions|jpackage)$/, name: /^(packageVersion|appVersion)$/, holds: "version" },
  { block: /^(nativeDistributions|jpackage)$/, name: /^vendor$/, holds: "owner" },
  { block: /^(nativeDistributions|jpackage)$/, name: /^copyright$/, holds: "copyright" },
  { block: /^macOS$/, name: /^bundleID$/, holds: "identifiers.desktop" },
  { block: /^macOS$/, name: /^(dockName|packageName)$/, holds: "app.label" },
  { block: /^windows$/, name: /^upgradeUuid$/, holds: "desktop.installerId" },
  { block: /^windows$/, name: /^menuGroup$/, holds: "app.name" },
];

/** What is handed to the packing program as it is, in a list: the option, and its value behind it. */
const options: Readonly<Record<string, Field>> = {
  "--vendor": "owner",
  "--copyright": "copyright",
  "--app-version": "version",
  "--mac-package-identifier": "identifiers.desktop",
  "--win-upgrade-uuid": "desktop.installerId",
  "--win-menu-group": "app.name",
};

/** Surveys a program for desktops that a Gradle script packs; undefined where none does. */
export const surveyGradlePackages: SurveyPart = (template) => {
  const scripts = template.list().filter((file) => /\.gradle(\.kts)?$/.test(file) && !aside.test(file));
  const said = scripts.flatMap((file) => {
    const text = textIfAny(template.bytes(file)) ?? "";
    // Most scripts pack nothing, and need not be parsed.
    const statements = /nativeDistributions|jpackage/.test(text) ? gradleStatements(text) : [];
    return statements
      .filter(({ blocks }) => blocks.some((block) => /^(nativeDistributions|jpackage)$/.test(block)))
      .map((statement) => ({ file, statement }));
  });
  const fills = said.flatMap(({ file, statement }) => [...factOf(file, statement), ...optionsOf(file, statement)]);
  if (!fills.some(({ holds }) => holds === "app.name" || holds === "identifiers.desktop")) return undefined;
  return {
    ...nothingFound,
    platform: "desktop",
    folder: "",
    identifiers: heldValues(fills, "identifiers.desktop"),
    names: heldValues(fills, "app.name", "app.label"),
    fills: [...fills, ...scripts.flatMap((file) => projectVersion(template, file, fills))],
    pictures: said.flatMap(({ file, statement }) => iconOf(template, file, statement)),
  };
};

const fillAt = (holds: Field, site: Site | undefined): Fill[] =>
  site && site.value.trim() !== "" ? [{ holds, site, shape: "text" }] : [];

function factOf(file: string, statement: GradleStatement): Fill[] {
  const set = assignment(statement);
  const block = statement.blocks.at(-1) ?? "";
  const fact = facts.find((each) => each.block.test(block) && each.name.test(set?.name ?? ""));
  const [value] = set?.value ?? [];
  return fact && value && set?.value.length === 1 ? fillAt(fact.holds, literalSite(file, value)) : [];
}

const optionsOf = (file: string, { tokens }: GradleStatement): Fill[] =>
  tokens.flatMap(({ kind, text }, at) => {
    const holds = kind === "string" && Object.hasOwn(options, text) ? options[text] : undefined;
    const value = tokens.slice(at + 1).find((each) => each.kind === "string");
    return holds && value ? fillAt(holds, literalSite(file, value)) : [];
  });

/** The project's own version, where the packages have the same. */
const projectVersion = (template: Folder, file: string, fills: readonly Fill[]): Fill[] =>
  gradleStatements(textIfAny(template.bytes(file)) ?? "").flatMap((statement) => {
    const set = statement.blocks.length === 0 ? assignment(statement) : undefined;
    const [value] = set?.name === "version" && set.value.length === 1 ? set.value : [];
    const site = value && literalSite(file, value);
    return site && heldValues(fills, "version").includes(site.value) ? fillAt("version", site) : [];
  });

/** The icon of a system's package: `iconFile.set(project.file("app.icns"))`, or `icon = "app.ico"`. */
function iconOf(template: Folder, file: string, { tokens }: GradleStatement): PictureUse[] {
  if (!/^icon(File)?$/.test(tokens[0]?.text ?? "")) return [];
  return tokens
    .filter(({ kind }) => kind === "string")
    .flatMap(({ text }) => findFile(template, posix.join(posix.dirname(file), text)) ?? [])
    .flatMap((path) => programPicture(template, path) ?? []);
}
