import { findSettings, gradleSettings, keyedSite } from "../../../formats/splice/formats/gradle.ts";
import {
  attributeOf,
  attributeSite,
  find,
  findAll,
  parseXml,
  walk,
  type XmlElement,
} from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { placeAt } from "../../../ground/values/source.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import { firstOfEachPath, firstOfEachPlace, heldValues, type SurveyPart } from "../../template/found.ts";
import type { Wants } from "../../template/missing.ts";
import { type Followed, mergeFollowed, openWays, type Ways } from "./following.ts";
import { type AppModule, appModules } from "./gradle-project.ts";
import { banner, launcher, notification } from "./icons.ts";
import { androidIdentities } from "./identities.ts";
import { label, ownLabel } from "./labels.ts";
import { keptLanguages, minimumOf, targetOf } from "./levels.ts";
import { opensApp } from "./manifest.ts";
import { missingIn } from "./missing.ts";
import { msbuildModules, saidByCode } from "./msbuild.ts";
import { type AndroidApps, appsOf, identifierOf } from "./projects.ts";
import { openAndroidResources, type ResourceRef, readReference } from "./resources.ts";
import { signingLine } from "./signing.ts";
import { theme } from "./start-screens.ts";
import { type Gap, identifierFills, type Manifest, versionFills } from "./values.ts";

/** Surveys the Android apps of a template's Gradle project; undefined where there is none. */
export const surveyAndroid: SurveyPart = (template, { wants, inStore }) => {
  const apps = appsOf([...appModules(template), ...msbuildModules(template)]);
  if (!apps) return undefined;
  const { first } = apps;
  // A watch's or a television's app is one with the phone's.
  const modules = [first, ...apps.further];
  const main = identifierOf(first);
  const surveys = modules.map((module) => surveyModule(template, module, { wants, inStore, main }));
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
    ...targetOf(template, first),
    ...minimumOf(template, first),
    ...keptLanguages(template, modules),
    permissions: [...new Set(modules.flatMap((module) => permissionsOf(template, module)))],
    fills,
    pictures: [
      ...surveys.flatMap((each) => each.pictures),
      ...inStore.filter(({ only }) => only === undefined).map((slot) => ({ slot, path: slot.path })),
      ...(storeIcon ? beside.map((path) => ({ slot: storeIcon, path })) : []),
    ],
    brandFiles: [...new Set([...surveys.flatMap((each) => each.brandFiles), ...beside])].sort(),
    added: surveys.flatMap((each) => each.added),
    missing: surveys.flatMap((each) => each.missing),
    gaps: [...surveys.flatMap((each) => each.gaps), ...apps.others.map((each) => otherApp(template, each, first))],
  };
};

/** An app that has nothing in common with the one that clients get. */
function otherApp(template: Folder, { module, identifier }: AndroidApps["others"][number], first: AppModule): Problem {
  const whose = identifier === undefined ? "" : `, ${identifier}`;
  const message =
    `Android: ${module.folder || "the template's own folder"} makes an app of its own${whose}, beside ` +
    `${first.folder || "that of the template's own folder"}; nothing in it is replaced.`;
  return problem("template-gap", message, {
    severity: "warning",
    place: placeAt(template.source(module.script), 0),
    fix: "Name the folder that is no client's app under `leave` in template.yaml; what is left is taken.",
  });
}

/** The store's icon as the platform's studio leaves it beside the resources (Android Studio, Image Asset). */
const storeIcons = (template: Folder, modules: readonly AppModule[]): string[] =>
  template
    .list()
    .filter(
      (file) =>
        modules.some(({ folder }) => file.startsWith(folder === "" ? "src/" : `${folder}/src/`)) &&
        /\/(?:(?:ic_launcher|icon)\w*[-_](?:playstore|web)|(?:playstore|play_store)[-_]icon)\.png$/.test(file),
    );

/** What manifests ask for: always, and from a level of the system on (Android, uses-permission-sdk-23). */
const asking = ["uses-permission", "uses-permission-sdk-23"];

/** What an app's manifests ask for. */
const permissionsOf = (template: Folder, { manifests }: AppModule): string[] =>
  manifests.flatMap((file) => {
    const root = parseXml(template.source(file));
    const elements = asking.flatMap((name) => findAll(root, name));
    return elements.flatMap((element) => attributeOf(element, "android:name") ?? []);
  });

type ModuleSurvey = Followed & { namespace: string | undefined };

interface ModuleGiven {
  wants: Wants;
  inStore: readonly Slot[];
  /** The identifier of the app, which this module may be a part of. */
  main: string | undefined;
}

function surveyModule(template: Folder, module: AppModule, { wants, inStore, main: ofApp }: ModuleGiven): ModuleSurvey {
  const resources = openAndroidResources(template, module);
  const ways = openWays(template, resources, inStore);
  const gap: Gap = (what, file, at, severity = "warning") =>
    problem("template-gap", `Android: ${what}.`, { severity, place: placeAt(template.source(file), at) });
  /** A value of the manifest, or what the build puts in its place. */
  const behind = (site: Site | undefined): { sites: Site[]; gaps: Problem[] } => {
    const key = /^\$\{(\w+)\}$/.exec(site?.value ?? "")?.[1];
    if (!site || !key) return { sites: site ? [site] : [], gaps: [] };
    const sites = module.statements
      .filter(({ tokens }) => tokens.some(({ text }) => /manifestPlaceholders$/i.test(text)))
      .flatMap((statement) => keyedSite(statement.file, statement, key) ?? []);
    const says = `the build script gives no value for the placeholder ${key}`;
    return { sites, gaps: sites.length === 0 ? [gap(says, site.file, site.start)] : [] };
  };
  const following = (site: Site | undefined, to: (each: Site) => Partial<Followed>): Partial<Followed>[] => {
    const { sites, gaps } = behind(site);
    return [{ gaps }, ...sites.map(to)];
  };

  const settings = gradleSettings(module.script, template.source(module.script).text);
  const [namespace] = findSettings(settings, "namespace", ["android"]);
  const manifests = module.manifests.map((file) => ({
    file,
    root: parseXml(template.source(file)),
  }));
  const labelled = ({ file, root }: Manifest) =>
    [...walk(root)]
      .filter(({ attributes }) => attributes.has("android:label"))
      .map((element) => ({ isApp: isAppItself(element), site: attributeSite(file, element, "android:label") }));

  let found = mergeFollowed([
    identifierFills(template, module, gap, ofApp),
    ...versionFills(template, module, manifests, gap),
  ]);
  for (const manifest of manifests) {
    const { file, root } = manifest;
    const labels = labelled(manifest);
    const apps = labels.filter(({ isApp }) => isApp);
    found = mergeFollowed([found, ...apps.flatMap(({ site }) => following(site, (each) => label(ways, each, file)))]);
    const names = heldTexts(found, "app.label");
    found = mergeFollowed([
      found,
      ...labels
        .filter(({ isApp }) => !isApp)
        .flatMap(({ site }) => following(site, (each) => ownLabel(ways, each, file, names))),
      ...[...walk(root)].map((element) => banner(ways, attributeSite(file, element, "android:banner"))),
      ...iconsOf(root).flatMap((element) => [
        ...following(attributeSite(file, element, "android:icon"), (each) => launcher(ways, each, "launcher", file)),
        ...following(attributeSite(file, element, "android:roundIcon"), (each) =>
          launcher(ways, each, "launcher-round", file),
        ),
      ]),
      ...themesOf(root).map((each) => theme(ways, each)),
      ...findAll(root, "meta-data").map((data) => notification(ways, file, data)),
    ]);
  }
  const [identifier] = heldValues(found.fills, "identifiers.android");
  const files = manifests.map(({ file }) => file);
  found = mergeFollowed([
    found,
    { fills: androidIdentities({ template, module, resources, manifests: files, identifier }) },
    { fills: module.project ? [] : signingLine(template, module) },
    module.project ? codeFills(template, module, ways) : {},
  ]);
  const [main] = manifests;
  // A project that lists its files takes no further ones.
  const isOpen = module.project?.takesNewFiles !== false;
  const added: Wants = (kind) => isOpen && wants(kind);
  const lacking = main ? missingIn({ template, resources, found, ways, wants: added, manifest: main, behind }) : {};
  const all = mergeFollowed([found, lacking, { gaps: resources.unread() }]);
  const drawn = firstOfEachPath(all.pictures).filter(({ path }) => isOpen || template.has(path));
  const paths = new Set(drawn.map(({ path }) => path));
  return {
    ...all,
    pictures: drawn,
    brandFiles: all.brandFiles.filter((file) => isOpen || paths.has(file)),
    namespace: namespace?.site.value ?? attributeOf(main?.root, "package"),
  };
}

/** What attributes of classes say of the app in the code of a project of .NET. */
const codeFills = (template: Folder, { folder }: AppModule, ways: Ways): Followed =>
  mergeFollowed(
    saidByCode(template, folder).map(({ file, name, site }) => {
      if (name === "Label") return label(ways, site, file);
      return launcher(ways, site, name === "Icon" ? "launcher" : "launcher-round", file);
    }),
  );

/** The texts that stand where a field's fills are. */
const heldTexts = ({ fills }: Followed, field: Field): string[] =>
  fills.filter(({ holds }) => holds === field).map(({ site }) => site.value);

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
