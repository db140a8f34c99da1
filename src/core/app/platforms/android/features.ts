import { type Cut, elementCut } from "../../../formats/splice/cut.ts";
import { attributeOf, find, findAll, parseXml, walk, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { isCallback } from "../../template/callbacks.ts";
import type { FeatureFound, FeatureSearch } from "../../template/feature-places.ts";
import { both, rowOf } from "../../template/needs.ts";
import { mergedPermissions, permission } from "./merged.ts";

/** What template.yaml may say that a feature needs of a manifest. */
export const androidDeclares = ["permissions", "components"] as const;

interface AndroidNeeds {
  /** Names of `uses-permission` and `uses-feature` elements. */
  permissions?: readonly string[];
  /** Names of activities, services, receivers, providers and meta-data that are there for this feature alone. */
  components?: readonly string[];
  /** Filters of activities that open the app by an address. */
  links?: true;
}

/** What features that most apps know need (Android, Manifest.permission and app manifest). */
const known: Readonly<Record<string, AndroidNeeds>> = {
  camera: {
    permissions: [
      ...permission("CAMERA"),
      "android.hardware.camera",
      "android.hardware.camera.any",
      "android.hardware.camera.autofocus",
      "android.hardware.camera.flash",
      "android.hardware.camera.front",
    ],
  },
  location: {
    permissions: [
      ...permission(
        "ACCESS_FINE_LOCATION",
        "ACCESS_COARSE_LOCATION",
        "ACCESS_BACKGROUND_LOCATION",
        "FOREGROUND_SERVICE_LOCATION",
      ),
      "android.hardware.location",
      "android.hardware.location.gps",
      "android.hardware.location.network",
    ],
  },
  push: { permissions: [...permission("POST_NOTIFICATIONS"), "com.google.android.c2dm.permission.RECEIVE"] },
  purchases: { permissions: ["com.android.vending.BILLING"] },
  "card-payment": { components: ["com.google.android.gms.wallet.api.enabled"] },
  "deep-links": { links: true },
  microphone: {
    permissions: [...permission("RECORD_AUDIO", "FOREGROUND_SERVICE_MICROPHONE"), "android.hardware.microphone"],
  },
  photos: {
    permissions: [
      ...permission(
        "READ_MEDIA_IMAGES",
        "READ_MEDIA_VIDEO",
        "READ_MEDIA_VISUAL_USER_SELECTED",
        "READ_EXTERNAL_STORAGE",
        "WRITE_EXTERNAL_STORAGE",
      ),
    ],
  },
  contacts: { permissions: [...permission("READ_CONTACTS", "WRITE_CONTACTS", "GET_ACCOUNTS")] },
  bluetooth: {
    permissions: [
      ...permission("BLUETOOTH", "BLUETOOTH_ADMIN", "BLUETOOTH_CONNECT", "BLUETOOTH_SCAN", "BLUETOOTH_ADVERTISE"),
      "android.hardware.bluetooth",
      "android.hardware.bluetooth_le",
    ],
  },
  biometrics: { permissions: [...permission("USE_BIOMETRIC", "USE_FINGERPRINT")] },
  tracking: {
    permissions: [
      "com.google.android.gms.permission.AD_ID",
      ...permission("ACCESS_ADSERVICES_AD_ID", "ACCESS_ADSERVICES_ATTRIBUTION", "ACCESS_ADSERVICES_TOPICS"),
    ],
  },
};

/** Elements that ask for a permission, and those that are a component of the app. */
const permissionElements = new Set(["uses-permission", "uses-permission-sdk-23", "uses-feature"]);
const componentElements = new Set([
  "activity",
  "activity-alias",
  "service",
  "receiver",
  "provider",
  "meta-data",
  "queries",
]);

/** Permissions, components and filters of a manifest. */
export const androidFeatures: FeatureSearch = (template, files, { name: feature, declared }) => {
  const needs = both(rowOf(known, feature), declared.android);
  const cuts: Cut[] = [];
  const there = new Set<string>();
  const wanted = { permissions: new Set(needs.permissions), components: new Set(needs.components) };
  const manifests = files.filter((file) => file.endsWith("/AndroidManifest.xml"));
  for (const file of manifests) {
    const { text } = template.source(file);
    for (const element of walk(parseXml(template.source(file)))) {
      const name = attributeOf(element, "android:name") ?? "";
      const isPermission = permissionElements.has(element.name) && wanted.permissions.has(name);
      const isComponent = componentElements.has(element.name) && wanted.components.has(name);
      if (needs.links && element.name === "intent-filter" && opensByAddress(element))
        cuts.push(elementCut(file, text, element));
      if (isPermission) there.add(name);
      if (isPermission || isComponent) cuts.push(elementCut(file, text, element));
    }
  }
  const lacking = (declared.android?.permissions ?? []).filter((name) => !there.has(name));
  const merged: ReadonlySet<string> = wanted.permissions.size > 0 ? mergedPermissions(template) : new Set();
  const come = [...wanted.permissions].filter((name) => merged.has(name));
  return {
    cuts,
    adds: manifests.length > 0 ? entriesForAndroid(template, manifests, lacking) : [],
    keepsOut: manifests.length > 0 ? removalsForAndroid(template, manifests, come) : [],
  };
};

/** Whether a filter opens the app by an address that somebody follows (Android documentation, "Create deep links"). */
function opensByAddress(filter: XmlElement): boolean {
  const isBrowsable = findAll(filter, "category").some(
    (each) => attributeOf(each, "android:name") === "android.intent.category.BROWSABLE",
  );
  const schemes = findAll(filter, "data").flatMap((each) => attributeOf(each, "android:scheme") ?? []);
  return isBrowsable && schemes.some((each) => !isCallback(each));
}

/** A manifest's own words for what is put together of several (Android, "Manage manifest files", merge rules). */
const toolsNamespace = "http://schemas.android.com/tools";

/** Permissions that libraries bring, each kept out by what the merging of manifests understands. */
function removalsForAndroid(
  template: Folder,
  manifests: readonly string[],
  names: readonly string[],
): FeatureFound["keepsOut"] {
  const place = names.length > 0 ? beforeApplication(template, manifests) : undefined;
  if (!place) return [];
  const { file, root, at, indent } = place;
  const isDeclared = attributeOf(root, "xmlns:tools") !== undefined;
  return [
    ...(isDeclared ? [] : [{ file, at: root.start + 1 + root.name.length, text: ` xmlns:tools="${toolsNamespace}"` }]),
    ...names.map((name) => ({
      ...{ file, at },
      text: `<uses-permission android:name="${name}" tools:node="remove" />\n${indent}`,
    })),
  ];
}

/** Where entries of a manifest go: in front of its application, in the manifest of the app itself. */
function beforeApplication(template: Folder, manifests: readonly string[]) {
  const opens = (file: string) => template.source(file).text.includes("android.intent.action.MAIN");
  const file = manifests.find(opens) ?? manifests[0] ?? "";
  const root = parseXml(template.source(file));
  const application = find(root, "application");
  if (!application) return undefined;
  const indent = /[ \t]*$/.exec(template.source(file).text.slice(0, application.start))?.[0] ?? "";
  return { file, root, at: application.start, indent };
}

/**
 * Permissions and hardware that a manifest lacks, in front of its application (Android documentation, app manifest).
 */
function entriesForAndroid(
  template: Folder,
  manifests: readonly string[],
  names: readonly string[],
): FeatureFound["adds"] {
  const place = beforeApplication(template, manifests);
  if (!place) return [];
  const { file, at, indent } = place;
  return names.map((name) => {
    const isHardware = name.startsWith("android.hardware.");
    const element = isHardware
      ? `<uses-feature android:name="${name}" android:required="false" />`
      : `<uses-permission android:name="${name}" />`;
    return { file, at, text: `${element}\n${indent}` };
  });
}
