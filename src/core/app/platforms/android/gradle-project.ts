import {
  assignment,
  type GradleStatement,
  type GradleToken,
  gradleStatements,
  literalSite,
} from "../../../formats/splice/formats/gradle.ts";
import { lineSite } from "../../../formats/splice/formats/lines.ts";
import { tomlStrings } from "../../../formats/splice/formats/toml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { ownAmong } from "../../template/of-others.ts";
import { mainSet } from "./source-sets.ts";

/** A statement, and the script it stands in. */
export type Scripted = GradleStatement & { file: string };

/** One module of a Gradle project that makes an app. */
export interface AppModule {
  script: string;
  /** Folder of the module; empty for the template's own. */
  folder: string;
  /** Folder of the Gradle project: the nearest one upward with a settings script. */
  root: string;
  statements: readonly Scripted[];
  /** The manifests of its source sets, the main one first. */
  manifests: readonly string[];
  /** Folders of its main source set's resources, where the script names them. */
  resources: readonly string[];
  /** Where the build is MSBuild's: what its project says, and whether it takes along whatever lies in its folders. */
  project?: { said(name: string): Site | undefined; takesNewFiles: boolean };
  /** Every place that holds a value which the build reads for a setting; none where it works the value out. */
  resolve(value: readonly GradleToken[]): Site[];
}

/** What a setting is given, and where. */
export interface GradleValue {
  statement: Scripted;
  /** What is given, as it is written. */
  value: readonly GradleToken[];
  sites: Site[];
}

const scriptForm = /(^|\/)build\.gradle(\.kts)?$/;

/** The part of a script that an app gives, whose project is made around it at each build. */
const partOfScript = /(^|\/)App_Resources\/Android\/app\.gradle$/;
const settingsScripts = ["settings.gradle", "settings.gradle.kts"];
/** The plugin that makes an app, by its name, a catalog's, or what Qt's build puts in for it. */
const applicationPlugin = /com\.android\.application|plugins\.android\.?application|\bqtGradlePluginType\b/i;

/** The modules whose scripts make an app, the one nearest the top first. */
export function appModules(template: Folder): AppModule[] {
  return ownAmong(template.list().filter((file) => scriptForm.test(file) || partOfScript.test(file)))
    .map((script) => ({ script, statements: statementsOf(template, script) }))
    .filter(({ script, statements }) => partOfScript.test(script) || statements.some(makesApp))
    .map(({ script, statements }) => {
      const folder = script.slice(0, Math.max(0, script.lastIndexOf("/")));
      const root = rootOf(template, folder);
      const { manifest, resources } = mainSet(template, { folder, root, statements });
      const manifests = manifestsOf(template, folder, manifest);
      return { script, folder, root, statements, manifests, resources, resolve: resolver(template, script, root) };
    })
    .filter(({ manifests }) => manifests.length > 0)
    .sort((a, b) => depth(a.folder) - depth(b.folder));
}

/** The manifests of a module's source sets, the main one first, wherever it lies. */
function manifestsOf(template: Folder, module: string, main: string | undefined): string[] {
  const prefix = module ? `${module}/src/` : "src/";
  const isMains = (file: string) => /\/(main|androidMain)\/AndroidManifest/.test(`/${file}`);
  const own = template
    .list()
    .filter((file) => file.startsWith(prefix) && /^[^/]+\/AndroidManifest\.xml$/.test(file.slice(prefix.length)));
  const others = own.filter((file) => file !== main && !isMains(file));
  return [...(main === undefined ? own.filter(isMains) : [main]), ...others];
}

/** What a module's build gives to a name, in its defaults and in each of its flavours. */
export function valuesOf(module: AppModule, name: string): GradleValue[] {
  return module.statements.flatMap((statement) => {
    const { blocks, ...given } = inBlocks(statement);
    const set = givesValues(blocks) ? assignment({ ...given, blocks }) : undefined;
    return set?.name === name
      ? [{ statement: { ...statement, blocks }, value: set.value, sites: module.resolve(set.value) }]
      : [];
  });
}

/** Blocks whose values an app gets: its defaults, and each flavour, within the defaults or beside them. */
function givesValues(blocks: readonly string[]): boolean {
  const [android, ...rest] = blocks;
  if (android !== "android") return false;
  const within = rest[0] === "defaultConfig" ? rest.slice(1) : rest;
  return within.length === 0 ? rest.length > 0 : within[0] === "productFlavors" && within.length === 2;
}

/** A statement with the blocks that it names itself, as in `android.defaultConfig.applicationId = …`. */
function inBlocks(statement: Scripted): Scripted {
  const blocks = [...statement.blocks];
  let { tokens } = statement;
  while (
    tokens[0]?.kind === "word" &&
    tokens[1]?.text === "." &&
    tokens[2]?.kind === "word" &&
    isBlock(tokens[0].text)
  ) {
    blocks.push(tokens[0].text);
    tokens = tokens.slice(2);
  }
  return { ...statement, blocks, tokens };
}

const isBlock = (word: string): boolean => /^(android|defaultConfig)$/.test(word);
const depth = (folder: string): number => (folder === "" ? 0 : folder.split("/").length);

/** A module makes an app where it names its application ID, or applies the plugin for that. */
function makesApp({ blocks, tokens }: GradleStatement): boolean {
  const words = tokens.map(({ text }) => text).join("");
  if (blocks[0] === "android" && blocks[1] === "defaultConfig") return tokens[0]?.text === "applicationId";
  if (blocks.length === 0 && /^android\.(defaultConfig\.)?applicationId=/.test(words)) return true;
  const applies = blocks[0] === "plugins" || /^applyplugin/.test(words);
  return applies && applicationPlugin.test(words) && !/applyfalse|apply\(false\)/.test(words);
}

const statementsOf = (template: Folder, file: string): Scripted[] =>
  gradleStatements(textIfAny(template.bytes(file)) ?? "").map((each) => ({ ...each, file }));

function rootOf(template: Folder, module: string): string {
  for (let folder = module; folder; folder = folder.slice(0, Math.max(0, folder.lastIndexOf("/")))) {
    if (settingsScripts.some((name) => template.has(`${folder}/${name}`))) return folder;
  }
  return settingsScripts.some((name) => template.has(name)) ? "" : module;
}

/** Words of an expression that name no value of their own. */
const connecting = new Set(
  (
    "project rootProject ext extra as String Int get getOrElse orNull orElse property findProperty " +
    "hasProperty providers gradleProperty properties toString toInt toInteger it"
  ).split(" "),
);

/** Longest chain of names that lead to a value. */
const longestChain = 8;

function resolver(template: Folder, script: string, root: string): AppModule["resolve"] {
  const inRoot = (name: string) => (root ? `${root}/${name}` : name);
  const properties = [script.replace(/[^/]*$/, "gradle.properties"), inRoot("gradle.properties")].filter((file) =>
    template.has(file),
  );
  const catalog = inRoot("gradle/libs.versions.toml");
  let variables: Map<string, { file: string; value: readonly GradleToken[] }> | undefined;

  const fromProperties = (key: string): Site[] => {
    for (const file of properties) {
      const site = lineSite(file, template.source(file), "properties", key);
      if (site) return [site];
    }
    return [];
  };
  /** A catalog's alias: its hyphens and underscores are full stops in a script (Gradle, version catalogs). */
  const fromCatalog = (words: readonly string[]): Site[] => {
    if (words[0] !== "libs" || words[1] !== "versions" || !template.has(catalog)) return [];
    const alias = words
      .slice(2)
      .filter((word) => !connecting.has(word))
      .join(".");
    return tomlStrings(catalog, template.source(catalog))
      .filter(({ table, key }) => table === "versions" && key.replace(/[-_]/g, ".") === alias)
      .map(({ site }) => site);
  };
  /** Names given a value anywhere in the project's scripts, or in the code that its build is made with. */
  const variable = (name: string) => {
    variables ??= new Map(
      template
        .list()
        .filter((file) => (!root || file.startsWith(`${root}/`)) && isBuildCode(file))
        // The module's own come last, and so count.
        .sort((a, b) => Number(a === script) - Number(b === script))
        .flatMap((file) =>
          statementsOf(template, file).flatMap((statement) => {
            const set = statement.blocks.includes("android") ? undefined : named(statement);
            return set ? [[set.name, { file, value: set.value }] as const] : [];
          }),
        ),
    );
    return variables.get(name);
  };

  const resolve = (file: string, value: readonly GradleToken[], left: number): Site[] => {
    const [first] = value;
    if (!first || left === 0) return [];
    const literal = value.length === 1 ? literalSite(file, first) : undefined;
    if (literal) return [literal];
    const otherwise = value.findIndex(({ text }, at) => text === "?" && value[at + 1]?.text === ":");
    if (otherwise > 0) {
      const preferred = resolve(file, value.slice(0, otherwise), left - 1);
      return preferred.length > 0 ? preferred : resolve(file, value.slice(otherwise + 2), left - 1);
    }
    if (!isReference(value)) return [];
    const words = value.filter(({ kind }) => kind === "word").map(({ text }) => text);
    const inCatalog = fromCatalog(words);
    if (inCatalog.length > 0) return inCatalog;
    const strings = value.filter(({ kind }) => kind === "string").map(({ text }) => text);
    // Of `holder.name`, the name is what holds the value; what holds the name may be anything.
    const last = words.filter((word) => !connecting.has(word)).at(-1);
    for (const name of [...strings.flatMap(insideBraces), ...(last ? [last] : [])]) {
      if (connecting.has(name)) continue;
      const found = fromProperties(name);
      if (found.length > 0) return found;
      const set = variable(name);
      const reached = set ? resolve(set.file, set.value, left - 1) : [];
      if (reached.length > 0) return reached;
    }
    return [];
  };
  return (value) => resolve(script, value, longestChain);
}

/** Whether an expression does nothing but name a value: no sum, no block, nothing new. */
const isReference = (value: readonly GradleToken[]): boolean =>
  value.every(
    ({ kind, text }, at) =>
      (kind === "mark" ? [".", "(", ")", "[", "]", "!", "?", '"'].includes(text) : text !== "new") &&
      (text !== "(" ||
        (value[at - 1] !== undefined && connecting.has(value[at - 1]?.text ?? "")) ||
        value.length === 1),
  );

/** A string as a name; where it is nothing but another value put in, that one's name. */
const insideBraces = (text: string): string[] => {
  const [, braced, plain] = /^\$(?:\{([\w.]+)\}|(\w+))$/.exec(text) ?? [];
  return braced?.split(".") ?? [plain ?? text];
};

const isBuildCode = (file: string): boolean =>
  /\.gradle(\.kts)?$/.test(file) || /(^|\/)(buildSrc|build-logic|buildLogic)\/.*\.kts?$/.test(file);

/** A variable and its value, also in the form `extra["name"] = …` and `val name by extra(…)`. */
function named(statement: GradleStatement): ReturnType<typeof assignment> {
  const { tokens } = statement;
  const texts = tokens.map(({ text }) => text);
  const equals = texts.indexOf("=");
  if (texts.includes("extra") && tokens[equals - 2]?.kind === "string")
    return { name: texts[equals - 2] ?? "", value: tokens.slice(equals + 1) };
  const by = texts.indexOf("by");
  if (by > 0 && texts[by + 1] === "extra") return { name: texts[by - 1] ?? "", value: tokens.slice(by + 3, -1) };
  return assignment(statement);
}
