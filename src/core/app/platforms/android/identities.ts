import { attributeOf, attributeSite, parseXml, textSite, walk } from "../../../formats/splice/formats/xml.ts";
import { androidValues } from "../../../formats/splice/known-ending.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt } from "../../../ground/problems/result.ts";
import { escapeRegExp } from "../../../ground/values/regexp.ts";
import { hostFill, schemeFill } from "../../template/addresses.ts";
import type { Fill } from "../../template/found.ts";
import type { AppModule } from "./gradle-project.ts";
import { type AndroidResources, readReference } from "./resources.ts";

/**
 * An attribute that says to the system what belongs to this app and no other (Android documentation, app manifest and
 * resource types).
 */
interface IdentityAttribute {
  element: string;
  attribute: string;
  /**
   * own: one that only this app may have. any: it may name what is the system's, and is filled only where it holds
   * the app's identifier.
   */
  kind: "own" | "any" | "scheme" | "host";
}

const attributes: readonly IdentityAttribute[] = [
  { element: "provider", attribute: "android:authorities", kind: "own" },
  { element: "data", attribute: "android:scheme", kind: "scheme" },
  { element: "data", attribute: "android:host", kind: "host" },
  { element: "permission", attribute: "android:name", kind: "own" },
  { element: "permission-group", attribute: "android:name", kind: "own" },
  { element: "permission-tree", attribute: "android:name", kind: "own" },
  { element: "uses-permission", attribute: "android:name", kind: "any" },
  { element: "activity", attribute: "android:permission", kind: "any" },
  { element: "service", attribute: "android:permission", kind: "any" },
  { element: "receiver", attribute: "android:permission", kind: "any" },
  { element: "provider", attribute: "android:permission", kind: "any" },
  { element: "activity", attribute: "android:taskAffinity", kind: "any" },
  { element: "manifest", attribute: "android:sharedUserId", kind: "own" },
  { element: "account-authenticator", attribute: "android:accountType", kind: "own" },
  { element: "sync-adapter", attribute: "android:accountType", kind: "own" },
  { element: "sync-adapter", attribute: "android:contentAuthority", kind: "any" },
  { element: "searchable", attribute: "android:searchSuggestAuthority", kind: "any" },
  { element: "intent", attribute: "android:targetPackage", kind: "any" },
  { element: "instrumentation", attribute: "android:targetPackage", kind: "any" },
];

/** A text by which settings of a build are looked for among the app's classes: it names their package, no app. */
const classesPackage = /\bbuild_config_package\b/;

interface App {
  template: Folder;
  module: AppModule;
  resources: AndroidResources;
  manifests: readonly string[];
  /** What the app is called by the system. */
  identifier: string | undefined;
}

/**
 * What identifies the app in its manifests and resources beside its application ID; where code says the same, there
 * too.
 */
export function androidIdentities(app: App): Fill[] {
  const { template, module, resources, manifests, identifier } = app;
  const below = module.folder ? `${module.folder}/` : "";
  const files = template
    .list()
    .filter(
      (file) =>
        manifests.includes(file) ||
        (file.startsWith(below) && /(^|\/)(?:res|Resources)\/xml[^/]*\/[^/]+\.xml$/.test(file)),
    );
  const fills: Fill[] = [];
  for (const file of files) {
    for (const element of walk(rootOf(template, file))) {
      for (const { element: name, attribute, kind } of attributes) {
        if (element.name !== name) continue;
        const written = attributeSite(file, element, attribute);
        for (const site of behind(resources, written)) {
          if (kind === "scheme") fills.push(...schemeFill(site));
          else if (kind === "host") fills.push(...hostFill(site));
          else fills.push(...everywhere(app, site, ownFill(site, identifier, kind)));
        }
      }
    }
  }
  return [...fills, ...stringFills(app)];
}

function rootOf(template: Folder, file: string): ReturnType<typeof parseXml> {
  const read = attempt(() => parseXml(template.source(file)));
  return read.ok ? read.value : parseXml({ file, text: "<none/>" });
}

/** A value where it stands; behind a reference, wherever that is written down. */
function behind(resources: AndroidResources, site: Site | undefined): Site[] {
  const ref = readReference(site?.value);
  if (!site || !ref) return site ? [site] : [];
  return resources.values(ref).flatMap(({ file, element }) => textSite(file, element, "android-string") ?? []);
}

/** The app's identifier within a value; a value that must be this app's alone gets it in front of its last part. */
function ownFill(site: Site, identifier: string | undefined, kind: "own" | "any"): Fill[] {
  const { value } = site;
  if (value === "" || /[$@]/.test(value)) return [];
  const at = identifier ? value.indexOf(identifier) : -1;
  if (identifier && at !== -1) {
    const [before, after] = [value.slice(0, at), value.slice(at + identifier.length)];
    if (/[A-Za-z0-9_]$/.test(before) || /^[A-Za-z0-9_]/.test(after)) return [];
    return [fillsFor(site, before, after)];
  }
  if (kind === "any" || /^(com\.android|com\.google|androidx?)\./.test(value)) return [];
  return [fillsFor(site, "", `.${value.split(".").at(-1)}`)];
}

const fillsFor = (site: Site, before: string, after: string): Fill => ({
  holds: "identifiers.android",
  site,
  shape: "text",
  ...(before ? { before } : {}),
  ...(after ? { after } : {}),
});

/** The same text in the app's code, as a whole literal: one side alone would break it. */
function everywhere({ template, module }: App, site: Site, fills: readonly Fill[]): Fill[] {
  const [fill] = fills;
  if (!fill || site.value === "") return [...fills];
  const below = module.folder ? `${module.folder}/` : "";
  const literal = new RegExp(`"(${escapeRegExp(site.value)})"`, "g");
  const inCode = template
    .list()
    .filter((file) => file.startsWith(below) && /\.(kt|java)$/.test(file))
    .flatMap((file) =>
      [...(textIfAny(template.bytes(file)) ?? "").matchAll(literal)].map((match): Fill => {
        const start = match.index + 1;
        return {
          ...fill,
          site: { file, start, end: start + site.value.length, value: site.value, form: "raw" },
        };
      }),
    );
  return [...fills, ...inCode];
}

/** Texts of the resources that are nothing but the identifier. */
function stringFills({ template, module, identifier }: App): Fill[] {
  if (!identifier) return [];
  const below = module.folder ? `${module.folder}/` : "";
  return template
    .list()
    .filter((file) => file.startsWith(below) && androidValues.test(file))
    .flatMap((file) =>
      rootOf(template, file).children.flatMap((element): Fill[] => {
        const site = element.name === "string" ? textSite(file, element, "android-string") : undefined;
        const name = attributeOf(element, "name") ?? "";
        if (site?.value.trim() !== identifier || classesPackage.test(name)) return [];
        const isScheme = /scheme/i.test(name);
        return [{ holds: isScheme ? "scheme" : "identifiers.android", site, shape: "text" }];
      }),
    );
}
