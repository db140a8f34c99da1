import type { Folder } from "../../files/reading/folder.ts";
import { problem } from "../../problems/problem.ts";
import type { Slot } from "../../slots/slot.ts";
import { findSettings, type GradleToken, gradleSettings, keyedSite } from "../../splice/formats/gradle.ts";
import {
  attributeOf,
  attributeSite,
  find,
  findAll,
  parseXml,
  walk,
  type XmlElement,
} from "../../splice/formats/xml.ts";
import { emptySite, type Site } from "../../splice/site.ts";
import { type Fill, firstOfEachPlace, heldValues, type PartSurvey, type SurveyPart } from "../../template/found.ts";
import { isFromPubspec } from "../../template/pubspec.ts";
import type { Wants } from "../../values/missing.ts";
import { placeAt } from "../../values/source.ts";
import { type AppModule, appModules, manifestsOf, valuesOf } from "./gradle-project.ts";
import { androidIdentities } from "./identities.ts";
import { opensApp } from "./manifest.ts";
import { addMissing } from "./missing.ts";
import { followReferences } from "./references.ts";
import { openAndroidResources, type ResourceRef, readReference } from "./resources.ts";
import { signingLine } from "./signing.ts";

/** Surveys the Android apps of a template's Gradle project; undefined where there is none. */
export const surveyAndroid: SurveyPart = (template, { wants, inStore }) => {
  const [first, ...others] = appModules(template);
  if (!first) return undefined;
  // A watch's or a television's app is one with the phone's where both are in one project.
  const modules = [first, ...others.filter(({ root }) => root === first.root)];
  const surveys = modules.map((module) => surveyModule(template, module, wants, inStore));
  const fills = firstOfEachPlace(surveys.flatMap((each) => each.fills));
  const namespace = surveys[0]?.namespace;
  const beside = storeIcons(template, modules);
  const storeIcon = inStore.find(({ role }) => role === "store-icon");
  return {
    platform: "android",
    folder: first.root,
    identifiers: heldValues(fills, "identifiers.android"),
    names: heldValues(fills, "app.label", "app.name"),
    ...(namespace ? { namespace } : {}),
    fills,
    pictures: [
      ...surveys.flatMap((each) => each.pictures),
      ...inStore.filter(({ only }) => only === undefined).map((slot) => ({ slot, path: slot.path })),
      ...(storeIcon ? beside.map((path) => ({ slot: storeIcon, path })) : []),
    ],
    brandFiles: [...new Set([...surveys.flatMap((each) => each.brandFiles), ...beside])].sort(),
    added: surveys.flatMap((each) => each.added),
    missing: surveys.flatMap((each) => each.missing),
    gaps: surveys.flatMap((each) => each.gaps),
  };
};

/** The store's icon as the platform's studio leaves it beside the resources (Android Studio, Image Asset). */
const storeIcons = (template: Folder, modules: readonly AppModule[]): string[] =>
  template
    .list()
    .filter(
      (file) =>
        modules.some(({ folder }) => file.startsWith(folder === "" ? "src/" : `${folder}/src/`)) &&
        /\/(?:(?:ic_launcher|icon)\w*[-_](?:playstore|web)|(?:playstore|play_store)[-_]icon)\.png$/.test(file),
    );

type GapAt = (what: string, file: string, at: number, severity?: "error" | "warning") => void;

type ModuleSurvey = Pick<PartSurvey, "fills" | "pictures" | "brandFiles" | "added" | "missing" | "gaps"> & {
  namespace: string | undefined;
};

function surveyModule(template: Folder, module: AppModule, wants: Wants, inStore: readonly Slot[]): ModuleSurvey {
  const resources = openAndroidResources(template, module);
  const survey = followReferences(template, resources, inStore);
  const gapAt: GapAt = (what, file, at, severity = "warning") =>
    survey.gaps.push(
      problem("template-gap", `Android: ${what}.`, {
        severity,
        place: placeAt(template.source(file), at),
      }),
    );
  /** A value of the manifest, or what the build puts in its place. */
  const placed = (site: Site | undefined): Site[] => {
    const key = /^\$\{(\w+)\}$/.exec(site?.value ?? "")?.[1];
    if (!site || !key) return site ? [site] : [];
    const found = module.statements
      .filter(({ tokens }) => tokens.some(({ text }) => /manifestPlaceholders$/i.test(text)))
      .flatMap((statement) => keyedSite(statement.file, statement, key) ?? []);
    if (found.length === 0) gapAt(`the build script gives no value for the placeholder ${key}`, site.file, site.start);
    return found;
  };

  const settings = gradleSettings(module.script, template.source(module.script).text);
  const [namespace] = findSettings(settings, "namespace", ["android"]);
  survey.fills.push(...identifierFills(module, gapAt));
  const manifests = manifestsOf(template, module.folder).map((file) => ({
    file,
    root: parseXml(template.source(file)),
  }));
  for (const [name, field] of [
    ["versionName", "version"],
    ["versionCode", "build"],
  ] as const) {
    const values = valuesOf(module, name);
    const inManifest = manifests.flatMap(({ file, root }) => attributeSite(file, root, `android:${name}`) ?? []);
    survey.fill(
      field,
      inManifest.filter(({ value }) => !value.includes("$")),
    );
    for (const { statement, sites, value } of values) {
      survey.fill(field, sites);
      const expression = value.map(({ text }) => text).join("");
      if (sites.length === 0 && inManifest.length === 0 && !isFromPubspec(template, expression))
        gapAt(`${name} is worked out by the build`, statement.file, statement.tokens[0]?.start ?? 0);
    }
  }
  for (const { file, root } of manifests) {
    const labelled = [...walk(root)].filter(({ attributes }) => attributes.has("android:label"));
    const labelsOf = (element: XmlElement) => placed(attributeSite(file, element, "android:label"));
    for (const element of labelled.filter(isAppItself)) for (const site of labelsOf(element)) survey.label(site, file);
    for (const element of labelled.filter((each) => !isAppItself(each)))
      for (const site of labelsOf(element)) survey.ownLabel(site, file);
    for (const element of walk(root)) {
      survey.banner(attributeSite(file, element, "android:banner"));
    }
    for (const element of iconsOf(root)) {
      for (const site of placed(attributeSite(file, element, "android:icon"))) survey.launcher(site, "launcher", file);
      for (const site of placed(attributeSite(file, element, "android:roundIcon")))
        survey.launcher(site, "launcher-round", file);
    }
    for (const theme of themesOf(root)) survey.theme(theme);
    for (const data of findAll(root, "meta-data")) survey.notification(file, data);
  }
  const [identifier] = heldValues(survey.fills, "identifiers.android");
  survey.fills.push(
    ...androidIdentities({
      template,
      module,
      resources,
      manifests: manifests.map(({ file }) => file),
      identifier,
    }),
  );
  survey.fills.push(...signingLine(template, module));
  const [main] = manifests;
  const more = main
    ? addMissing({ template, resources, survey, wants, manifest: main, placed })
    : { added: [], missing: [] };
  return {
    ...survey,
    ...more,
    gaps: [...survey.gaps, ...resources.unread()],
    namespace: namespace?.site.value ?? attributeOf(main?.root, "package"),
  };
}

/** The application ID wherever it is given; a flavour's keeps what it has behind the others'. */
function identifierFills(module: AppModule, gapAt: GapAt): Fill[] {
  const values = valuesOf(module, "applicationId");
  const base = values.find(({ statement }) => statement.blocks.at(-1) === "defaultConfig") ?? values[0];
  const identifier = base?.sites[0]?.value;
  if (values.length === 0) {
    const made = madeFromNamespace(module);
    if (made.length === 0) gapAt("nothing says which application ID the app has", module.script, 0, "error");
    return made;
  }
  return values.flatMap(({ sites, statement, value }) =>
    (sites.length > 0 ? sites : workedOut(statement.file, value)).map((site): Fill => {
      const after = identifier && site.value.startsWith(`${identifier}.`) ? site.value.slice(identifier.length) : "";
      if (identifier && site.value !== identifier && !after)
        gapAt(
          `the flavour ${statement.blocks.at(-1)} has an application ID of its own, and gets the client's like all others`,
          site.file,
          site.start,
        );
      return { holds: "identifiers.android", site, shape: "text", ...(after ? { after } : {}) };
    }),
  );
}

/**
 * What works the identifier out gives way to the client's own, as a literal: it may be the namespace's as well, and
 * that must stay.
 */
function workedOut(file: string, value: readonly GradleToken[]): Site[] {
  const [first, last] = [value[0], value.at(-1)];
  if (!first || !last) return [];
  const [start, end] = [first.start - first.quote.length, last.end + last.quote.length];
  return [{ file, start, end, value: "", form: "gradle-quoted" }];
}

/**
 * Without an application ID the namespace is taken for one (Android documentation, "Configure the app module"): it
 * gets its own.
 */
function madeFromNamespace({ statements }: AppModule): Fill[] {
  const opening = statements.find(
    ({ opens, blocks, tokens }) => opens && blocks.join() === "android" && tokens[0]?.text === "defaultConfig",
  );
  const at = opening?.tokens.at(-1)?.end;
  if (!opening || at === undefined) return [];
  const site = emptySite(opening.file, at, "gradle-double");
  return [{ holds: "identifiers.android", site, shape: "text", opens: '\n        applicationId = "', closes: '"' }];
}

/** Elements that may have an icon of the app's own. */
const iconsOf = (root: XmlElement): XmlElement[] =>
  ["application", "activity", "activity-alias"].flatMap((name) => findAll(root, name));

/**
 * Whether an element's label is the app's: its own, or that of an activity by which people open it. Others say what
 * they do.
 */
const isAppItself = (element: XmlElement): boolean =>
  element.name === "application" || (/^activity(-alias)?$/.test(element.name) && opensApp(element));

/** The themes people see first: the launcher activity's, and the application's. */
function themesOf(manifest: XmlElement): ResourceRef[] {
  const launchers = findAll(manifest, "activity").filter(opensApp);
  const named = [...launchers, find(manifest, "application")].map((each) =>
    readReference(attributeOf(each, "android:theme")),
  );
  return named.filter((ref) => ref !== undefined);
}
