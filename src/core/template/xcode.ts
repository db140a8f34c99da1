import type { Folder } from "../files/folder.ts";
import type { Source } from "../files/source.ts";
import { entry, itemsOf, type OpenStep, openStepSite, parseOpenStep, textOf } from "../splice/openstep.ts";
import type { Site } from "../splice/site.ts";

/** The build settings of one configuration of one target. */
export interface Settings {
  value(name: string): string | undefined;
  site(name: string): Site | undefined;
}

export interface XcodeTarget {
  name: string;
  /** For example com.apple.product-type.application. */
  productType: string;
  /** One a configuration: debug, release … */
  settings: Settings[];
}

export interface XcodeProject {
  file: string;
  /** Folder that paths in the project are relative to; empty for the template's own folder. */
  folder: string;
  targets: XcodeTarget[];
  /** Settings of the whole project, which targets inherit. */
  settings: Settings[];
}

/** Reads the first Xcode project of a template; undefined where there is none. */
export function readXcodeProject(template: Folder): XcodeProject | undefined {
  const file = template.list().find((each) => /\.xcodeproj\/project\.pbxproj$/.test(each));
  if (!file) return undefined;
  const source: Source = template.source(file);
  const objects = entry(parseOpenStep(source), "objects");
  const all = objects?.kind === "group" ? [...objects.entries.values()] : [];
  const project = all.find((node) => textOf(entry(node, "isa")) === "PBXProject");
  const targets = itemsOf(entry(project, "targets")).map((id) => entry(objects, textOf(id) ?? ""));
  const configurations = (node: OpenStep | undefined): Settings[] => {
    const list = entry(objects, textOf(entry(node, "buildConfigurationList")) ?? "");
    return itemsOf(entry(list, "buildConfigurations")).map((id) => {
      const settings = entry(objects, textOf(id) ?? "", "buildSettings");
      return {
        value: (name) => textOf(entry(settings, name)),
        site: (name) => openStepSite(file, entry(settings, name)),
      };
    });
  };
  return {
    file,
    folder: file.replace(/(^|\/)[^/]+\.xcodeproj\/project\.pbxproj$/, ""),
    settings: configurations(project),
    targets: targets.map((node) => ({
      name: textOf(entry(node, "name")) ?? "",
      productType: textOf(entry(node, "productType")) ?? "",
      settings: configurations(node),
    })),
  };
}
