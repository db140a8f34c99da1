import { androidSlots } from "../catalog/android.ts";
import { slotPath } from "../catalog/slot.ts";
import type { Folder } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { gradleSettings, settingsNamed } from "../splice/gradle.ts";
import type { Site } from "../splice/site.ts";
import {
  attributeOf,
  attributeSite,
  find,
  findAll,
  parseXml,
  textSite,
  walk,
  type XmlElement,
} from "../splice/xml.ts";
import type { Field } from "../values/fields.ts";
import {
  type AndroidResources,
  colorSites,
  openAndroidResources,
  type ResourceRef,
  readReference,
  refuseDangling,
  styleItems,
} from "./android-resources.ts";
import { type Fill, firstOfEachPlace, heldValues, type PartSurvey, type PictureUse } from "./survey.ts";

/** Surveys the Android app of a template; undefined where there is none. */
export function surveyAndroid(template: Folder): PartSurvey | undefined {
  const script = findAppScript(template);
  if (script === undefined) return undefined;
  const module = script.includes("/") ? script.slice(0, script.lastIndexOf("/")) : "";
  const manifestFile = `${module ? `${module}/` : ""}src/main/AndroidManifest.xml`;
  const manifest = parseXml(template.source(manifestFile));
  const resources = openAndroidResources(template, module);
  const survey = new Collected(template, resources);
  const settings = gradleSettings(script, template.source(script).text);
  const inConfig = (name: string) =>
    settingsNamed(settings, name, ["android", "defaultConfig"]).map(({ site }) => site);

  survey.fill("identifiers.android", inConfig("applicationId"));
  survey.fill("version", inConfig("versionName"));
  survey.fill("build", inConfig("versionCode"));
  for (const element of walk(manifest)) {
    survey.label(attributeSite(manifestFile, element, "android:label"), manifestFile);
  }
  const application = find(manifest, "application");
  survey.launcher(attributeSite(manifestFile, application, "android:icon"), "launcher", manifestFile);
  survey.launcher(
    attributeSite(manifestFile, application, "android:roundIcon"),
    "launcher-round",
    manifestFile,
  );
  for (const theme of themesOf(manifest)) survey.theme(theme);

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

/** Which colour of a client a theme's attribute takes. */
const themeColors: Readonly<Record<string, Field>> = {
  windowSplashScreenBackground: "colors.start",
  colorPrimary: "colors.brand",
  colorOnPrimary: "colors.onBrand",
};

/** Attributes of a theme that name the start screen's picture. */
const themePictures = new Set(["windowSplashScreenAnimatedIcon"]);

/** Gathers what is found while one reference leads to the next. */
class Collected {
  readonly fills: Fill[] = [];
  readonly pictures: PictureUse[] = [];
  readonly brandFiles: string[] = [];
  readonly gaps: Problem[] = [];
  private readonly template: Folder;
  private readonly resources: AndroidResources;

  constructor(template: Folder, resources: AndroidResources) {
    this.template = template;
    this.resources = resources;
  }

  fill(holds: Field, sites: readonly Site[], shape: Fill["shape"] = "text"): void {
    this.fills.push(...sites.map((site) => ({ holds, site, shape })));
  }

  gap(what: string, file: string, element: XmlElement | undefined): void {
    const place = placeAt(this.template.source(file), element?.start ?? 0);
    this.gaps.push(problem("template-gap", `Android: ${what}.`, { severity: "warning", place }));
  }

  label(site: Site | undefined, manifestFile: string): void {
    if (!site) return;
    const ref = readReference(site.value);
    if (!ref) {
      this.fill("app.label", [site]);
      return;
    }
    const found = this.resources.values(ref);
    if (found.length === 0) refuseDangling(this.template, manifestFile, site, "label");
    this.fill(
      "app.label",
      found
        .map(({ file, element }) => textSite(file, element, "android-string"))
        .filter((each) => each !== undefined),
    );
  }

  /** A launcher icon: its bitmaps, and where it is adaptive, the layers. */
  launcher(site: Site | undefined, role: string, manifestFile: string): void {
    const ref = readReference(site?.value);
    if (!ref || !site) return;
    const files = this.resources.files(ref);
    if (files.length === 0) refuseDangling(this.template, manifestFile, site, "icon");
    this.draw(role, ref);
    for (const file of files.filter((each) => each.endsWith(".xml"))) {
      const root = this.resources.xml(file);
      if (root.name !== "adaptive-icon") continue;
      this.layer(file, find(root, "background"), "adaptive-background");
      this.layer(file, find(root, "foreground"), "adaptive-foreground");
      this.layer(file, find(root, "monochrome"), "adaptive-monochrome");
      if (!find(root, "monochrome")) this.gap("no monochrome layer for themed icons", file, root);
    }
  }

  private layer(file: string, element: XmlElement | undefined, role: string): void {
    const site = attributeSite(file, element, "android:drawable");
    const ref = readReference(site?.value);
    if (ref && ref.type !== "color") this.draw(role, ref);
    else if (role === "adaptive-background")
      this.fill("colors.ground", colorSites(this.resources, site), "color");
  }

  theme(ref: ResourceRef): void {
    for (const { name, site } of styleItems(this.resources, ref)) {
      const color = themeColors[name];
      if (color) this.fill(color, colorSites(this.resources, site), "color");
      const picture = readReference(site.value);
      if (picture && themePictures.has(name)) this.draw("start-mark", picture);
      if (picture && name === "windowBackground") this.startScreen(picture);
    }
  }

  /** The start screen before API 31: a list of layers, or a plain colour. */
  private startScreen(ref: ResourceRef): void {
    if (ref.type === "color") {
      const sites = this.resources.values(ref).flatMap(({ file, element }) => textSite(file, element) ?? []);
      const colors = sites.flatMap((site) => colorSites(this.resources, site));
      this.fill("colors.start", colors, "color");
      return;
    }
    for (const file of this.resources.files(ref).filter((each) => each.endsWith(".xml"))) {
      for (const element of walk(this.resources.xml(file))) {
        const shown =
          attributeSite(file, element, "android:drawable") ?? attributeSite(file, element, "android:src");
        const picture = readReference(shown?.value);
        if (picture && picture.type !== "color") this.draw("start-mark", picture);
        const colored = attributeSite(file, element, "android:color") ?? shown;
        this.fill("colors.start", colorSites(this.resources, colored), "color");
      }
    }
  }

  /** Plans a resource at every density, in place of whatever files it has now. Adaptive icons' XML stays. */
  private draw(role: string, ref: ResourceRef): void {
    const names = { res: this.resources.main, type: ref.type, name: ref.name };
    const planned = new Set(this.pictures.map((each) => each.path));
    for (const slot of androidSlots.filter((each) => each.role === role)) {
      const path = slotPath(slot, names);
      if (!planned.has(path)) this.pictures.push({ slot, path });
    }
    const shown = this.resources.files(ref).filter((file) => !file.endsWith(".xml") || this.isDrawn(file));
    this.brandFiles.push(...shown);
  }

  /** A drawable that is itself a drawing (a vector, a shape), not a reference to others. */
  private isDrawn(file: string): boolean {
    return !["adaptive-icon", "layer-list", "selector"].includes(this.resources.xml(file).name);
  }
}
