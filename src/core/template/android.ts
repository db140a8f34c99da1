import { androidStoreSlots } from "../catalog/android.ts";
import type { Folder } from "../files/folder.ts";
import { gradleSettings, settingsNamed } from "../splice/gradle.ts";
import { attributeOf, attributeSite, find, findAll, parseXml, walk, type XmlElement } from "../splice/xml.ts";
import { followReferences } from "./android-references.ts";
import { openAndroidResources, type ResourceRef, readReference } from "./android-resources.ts";
import { firstOfEachPlace, heldValues, type PartSurvey } from "./survey.ts";

/** Surveys the Android app of a template; undefined where there is none. */
export function surveyAndroid(template: Folder): PartSurvey | undefined {
  const script = findAppScript(template);
  if (script === undefined) return undefined;
  const module = script.includes("/") ? script.slice(0, script.lastIndexOf("/")) : "";
  const manifestFile = `${module ? `${module}/` : ""}src/main/AndroidManifest.xml`;
  const manifest = parseXml(template.source(manifestFile));
  const resources = openAndroidResources(template, module);
  const survey = followReferences(template, resources);
  const settings = gradleSettings(script, template.source(script).text);
  const inConfig = (name: string) =>
    settingsNamed(settings, name, ["android", "defaultConfig"]).map(({ site }) => site);

  survey.fill("identifiers.android", inConfig("applicationId"));
  survey.fill("version", inConfig("versionName"));
  survey.fill("build", inConfig("versionCode"));
  for (const element of walk(manifest)) {
    survey.label(attributeSite(manifestFile, element, "android:label"), manifestFile);
    survey.banner(attributeSite(manifestFile, element, "android:banner"));
  }
  const application = find(manifest, "application");
  survey.launcher(attributeSite(manifestFile, application, "android:icon"), "launcher", manifestFile);
  survey.launcher(
    attributeSite(manifestFile, application, "android:roundIcon"),
    "launcher-round",
    manifestFile,
  );
  for (const theme of themesOf(manifest)) survey.theme(theme);
  for (const data of findAll(manifest, "meta-data")) survey.notification(manifestFile, data);
  survey.pictures.push(...androidStoreSlots.map((slot) => ({ slot, path: slot.path })));

  const namespace =
    settingsNamed(settings, "namespace", ["android"])[0]?.site.value ?? attributeOf(manifest, "package");
  if (!attributeOf(application, "android:roundIcon"))
    survey.gap("no round launcher icon", manifestFile, application);
  const fills = firstOfEachPlace(survey.fills);
  return {
    platform: "android",
    folder: rootOf(template, module),
    identifiers: heldValues(fills, "identifiers.android"),
    names: heldValues(fills, "app.label", "app.name"),
    ...(namespace ? { namespace } : {}),
    fills,
    pictures: survey.pictures,
    brandFiles: [...new Set(survey.brandFiles)].sort(),
    gaps: survey.gaps,
  };
}

/** The build script that makes an app: it names an application ID. */
function findAppScript(template: Folder): string | undefined {
  return template
    .list()
    .filter((file) => /(^|\/)build\.gradle(\.kts)?$/.test(file))
    .find(
      (file) =>
        settingsNamed(gradleSettings(file, template.source(file).text), "applicationId", [
          "android",
          "defaultConfig",
        ]).length > 0,
    );
}

/** The Gradle project's folder: the nearest one upward with a settings script. */
function rootOf(template: Folder, module: string): string {
  for (let folder = module; folder; folder = folder.slice(0, Math.max(0, folder.lastIndexOf("/")))) {
    if (["settings.gradle", "settings.gradle.kts"].some((name) => template.has(`${folder}/${name}`)))
      return folder;
  }
  return module;
}

/** The themes people see first: the launcher activity's, and the application's. */
function themesOf(manifest: XmlElement): ResourceRef[] {
  const launchers = findAll(manifest, "activity").filter((activity) =>
    findAll(activity, "category").some(
      (each) => attributeOf(each, "android:name") === "android.intent.category.LAUNCHER",
    ),
  );
  const named = [...launchers, find(manifest, "application")].map((each) =>
    readReference(attributeOf(each, "android:theme")),
  );
  return named.filter((ref) => ref !== undefined);
}
