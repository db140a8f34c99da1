import { findSettings, gradleSettings } from "../../../formats/splice/formats/gradle.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { placeAt } from "../../../ground/values/source.ts";
import type { PartSurvey } from "../../template/found.ts";
import type { AppModule } from "./gradle-project.ts";

/** An API level that an app's script says as a number, by the names of the setting. */
function levelIn(template: Folder, { script }: AppModule, names: readonly string[]) {
  const source = template.source(script);
  const settings = gradleSettings(script, source.text);
  const [found] = names.flatMap((name) => findSettings(settings, name, ["android", "defaultConfig"]));
  const level = Number(found?.site.value);
  return found && Number.isInteger(level) ? { level, place: placeAt(source, found.site.start) } : undefined;
}

/** The API level that the app is made for. */
export function targetOf(template: Folder, module: AppModule): Pick<PartSurvey, "target"> {
  const target = levelIn(template, module, ["targetSdk", "targetSdkVersion"]);
  return target ? { target } : {};
}

/** The least one that it runs on. */
export function minimumOf(template: Folder, module: AppModule): Pick<PartSurvey, "minimum"> {
  const minimum = levelIn(template, module, ["minSdk", "minSdkVersion"]);
  return minimum ? { minimum: `API level ${minimum.level}` } : {};
}

/** Lists of the languages that a package keeps (Android Gradle plugin, resourceConfigurations and localeFilters). */
const languageList = /\b(?:resConfigs?|resourceConfigurations|localeFilters)\b[^\n]*/;

export function keptLanguages(template: Folder, modules: readonly AppModule[]): Pick<PartSurvey, "keeps"> {
  for (const { script } of modules) {
    const source = template.source(script);
    const match = languageList.exec(source.text);
    const languages = [...(match?.[0] ?? "").matchAll(/["']([a-z]{2,3}(?:-r?[A-Za-z]{2,4})?)["']/g)].map(
      ([, tag = ""]) => tag,
    );
    if (match && languages.length > 0) return { keeps: { languages, place: placeAt(source, match.index) } };
  }
  return {};
}
