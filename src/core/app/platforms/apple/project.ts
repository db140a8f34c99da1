import { posix } from "node:path";
import { entry, itemsOf, type OpenStep, openStepSite, textOf } from "../../../formats/splice/formats/openstep.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { ownAmong } from "../../template/of-others.ts";
import { configurationFile, settingSites } from "./configuration.ts";
import { isa, type XcodeObjects, xcodeObjects } from "./objects.ts";
import { isOfCode } from "./products.ts";
import { type BuildSettings, settingsOf } from "./settings.ts";

/** Which of Apple's systems a target is for. */
export type System = "phone" | "mac" | "watch" | "other";

export interface XcodeTarget {
  name: string;
  /** For example com.apple.product-type.application. */
  productType: string;
  system: System;
  /** One a configuration: debug, release … */
  settings: BuildSettings[];
  /** Asset catalogs among its resources, and folders that it keeps in step with by itself; relative to the template. */
  homes: readonly string[];
}

export interface XcodeProject {
  file: string;
  /** Folder that paths in the project are relative to; empty for the template's own folder. */
  folder: string;
  targets: XcodeTarget[];
  /** Settings of the whole project, which targets inherit. */
  settings: BuildSettings[];
}

const projectForm = /(^|\/)[^/]+\.xcodeproj\/project\.pbxproj$/;

const projectsOf = new WeakMap<Folder, XcodeProject[]>();

/** Every Xcode project of a template that makes an app, the one nearest the top first. Read once for each template. */
export function readXcodeProjects(template: Folder): XcodeProject[] {
  const known = projectsOf.get(template);
  if (known) return known;
  const read = [...ownAmong(template.list().filter((each) => projectForm.test(each)))]
    .sort((a, b) => a.split("/").length - b.split("/").length)
    .map((file) => readProject(template, file))
    .filter(({ targets }) => targets.some(isApp));
  const all = [...read, ...madeProjects(template)];
  projectsOf.set(template, all);
  return all;
}

/** Kinds of products that are apps with an icon of their own (Apple, product types). */
const appTypes = new Set(
  ["", ".watchapp", ".watchapp2", ".watchapp2-container", ".on-demand-install-capable", ".messages"].map(
    (end) => `com.apple.product-type.application${end}`,
  ),
);

export const isApp = ({ productType }: XcodeTarget): boolean => appTypes.has(productType);

/** Whether people get a target's product: an app, or what an app brings along for a system to show. */
export const isShipped = ({ productType }: XcodeTarget): boolean => !isOfCode(productType);

/** An app that stands for itself, not one that another brings along. */
export const isMainApp = ({ productType, system }: XcodeTarget): boolean =>
  productType === "com.apple.product-type.application" && system !== "watch";

function readProject(template: Folder, file: string): XcodeProject {
  const folder = file.replace(projectForm, "");
  const objects = xcodeObjects(template.source(file));
  const configurations = (owner: OpenStep | undefined, target: string, inherited: BuildSettings[]): BuildSettings[] =>
    objects.configurations(owner).map((configuration) => {
      const name = textOf(entry(configuration, "name")) ?? "";
      const reference = objects.byId(entry(configuration, "baseConfigurationReference"));
      const config = configurationFile(template, folder, textOf(entry(reference, "path")));
      const parent = inherited.find((each) => each.name === name) ?? inherited[0];
      const own = entry(configuration, "buildSettings");
      const ownSettings = (setting: string) => [
        ...ownSites(file, own, setting),
        ...(config ? settingSites(template, config, setting) : []),
      ];
      return settingsOf(name, target, parent, ownSettings, own?.start);
    });
  const settings = configurations(objects.project, "", []);
  const pathOf = pathsIn(objects, folder);
  return {
    file,
    folder,
    settings,
    targets: objects.targets.map((node) => {
      const name = textOf(entry(node, "name")) ?? "";
      const productType = textOf(entry(node, "productType")) ?? "";
      const own = configurations(node, name, settings);
      const synchronized = itemsOf(entry(node, "fileSystemSynchronizedGroups")).map((id) => pathOf(textOf(id) ?? ""));
      const resources = objects
        .listed(entry(node, "buildPhases"))
        .filter((phase) => isa(phase, "PBXResourcesBuildPhase"))
        .flatMap((phase) => objects.listed(entry(phase, "files")))
        .map((each) => pathOf(textOf(entry(each, "fileRef")) ?? ""));
      const homes = [...synchronized, ...resources.filter((path) => /\.(xcassets|icon)$/.test(path))];
      return { name, productType, settings: own, system: systemOf(productType, own), homes };
    }),
  };
}

/** The property list of an app whose project is made at each build. */
const madeForm = /^((?:.*\/)?App_Resources\/(?:iOS|visionOS))\/Info\.plist$/;

/**
 * Projects that are made at each build from a folder of resources: a property list, catalogs, a start screen, and
 * settings that the project gets (NativeScript documentation, "App_Resources"). Their own file is the property list.
 */
function madeProjects(template: Folder): XcodeProject[] {
  return template.list().flatMap((file) => {
    const folder = madeForm.exec(file)?.[1];
    if (folder === undefined) return [];
    const own = (setting: string): Site[] => {
      if (setting === "INFOPLIST_FILE") return [{ file, start: 0, end: 0, value: "Info.plist", form: "raw" }];
      return settingSites(template, `${folder}/build.xcconfig`, setting);
    };
    const catalogs = template.list().filter((each) => each.startsWith(`${folder}/`) && each.includes(".xcassets/"));
    return [
      {
        file,
        folder,
        settings: [],
        targets: [
          {
            name: "App",
            productType: "com.apple.product-type.application",
            system: folder.endsWith("/iOS") ? "phone" : "other",
            settings: [settingsOf("Release", "App", undefined, own, undefined)],
            homes: [...new Set(catalogs.map((each) => each.slice(0, each.indexOf(".xcassets/") + ".xcassets".length)))],
          },
        ],
      },
    ];
  });
}

const systems: readonly { system: System; sdk: RegExp }[] = [
  { system: "phone", sdk: /iphone/i },
  { system: "watch", sdk: /watch/i },
  { system: "mac", sdk: /macosx/i },
  { system: "other", sdk: /appletv|xros/i },
];

/**
 * The system a target is built for: the first that its settings name, the phone before the others (Apple, SDKROOT and
 * SUPPORTED_PLATFORMS).
 */
function systemOf(productType: string, settings: readonly BuildSettings[]): System {
  if (productType.includes(".watchapp")) return "watch";
  const said = settings.flatMap((each) => [each.evaluated("SUPPORTED_PLATFORMS") ?? each.evaluated("SDKROOT") ?? ""]);
  return systems.find(({ sdk }) => said.some((text) => sdk.test(text)))?.system ?? "phone";
}

/** The path of each object of a project that stands for a file or a folder, through the groups that it lies in. */
function pathsIn(objects: XcodeObjects, folder: string): (id: string) => string {
  const parents = new Map<string, string>();
  const all = new Map(objects.all);
  for (const [id, node] of all)
    for (const child of itemsOf(entry(node, "children"))) parents.set(textOf(child) ?? "", id);
  const pathOf = (id: string, depth = 0): string => {
    const node = all.get(id);
    const own = textOf(entry(node, "path")) ?? "";
    const parent = parents.get(id);
    const fromTop = textOf(entry(node, "sourceTree")) === "SOURCE_ROOT" || parent === undefined || depth > deepestGroup;
    return posix.join(fromTop ? folder : pathOf(parent, depth + 1), own);
  };
  return (id) => pathOf(id);
}

/** Deepest nesting of groups. */
const deepestGroup = 32;

/** A setting's places in the project, also those for one platform only, as in NAME[sdk=iphoneos*]. */
function ownSites(file: string, group: OpenStep | undefined, setting: string): Site[] {
  if (group?.kind !== "group") return [];
  return [...group.entries]
    .filter(([key]) => key === setting || key.startsWith(`${setting}[`))
    .flatMap(([, node]) => openStepSite(file, node) ?? []);
}
