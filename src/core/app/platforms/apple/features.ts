import { type Cut, elementCut, keyCuts, openStepCuts } from "../../../formats/splice/cut.ts";
import { entry, openStepSite, parseStrings, stringsSite } from "../../../formats/splice/formats/openstep.ts";
import { plistSite, plistStart, plistStrings } from "../../../formats/splice/formats/plist.ts";
import { parseXml } from "../../../formats/splice/formats/xml.ts";
import { emptySite } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import type { Feature, FeatureFound, FeatureSearch } from "../../template/feature-places.ts";
import { both, rowOf } from "../../template/needs.ts";
import { buildSettings, xcodeObjects } from "./objects.ts";
import { schemeCuts } from "./schemes.ts";

/** What template.yaml may say that a feature needs of property lists and entitlements. */
export const appleDeclares = ["usage", "entitlements", "background", "keys"] as const;

interface AppleNeeds {
  /** Keys that hold the text which people read when the app asks for something; none of them may be empty. */
  usage?: readonly string[];
  /** Keys of an entitlements file. */
  entitlements?: readonly string[];
  /** Entries of UIBackgroundModes. */
  background?: readonly string[];
  /** Further keys of a property list. */
  keys?: readonly string[];
  /** The schemes that open the app, but for those by which other services come back. */
  schemes?: true;
}

/**
 * What features that most apps know need (Apple, Information Property List and Entitlements). Goods sold in an app
 * need no entitlement; com.apple.developer.in-app-payments is payment by card.
 */
const known: Readonly<Record<string, AppleNeeds>> = {
  camera: { usage: ["NSCameraUsageDescription"], entitlements: ["com.apple.security.device.camera"] },
  location: {
    usage: [
      "NSLocationWhenInUseUsageDescription",
      "NSLocationAlwaysAndWhenInUseUsageDescription",
      "NSLocationAlwaysUsageDescription",
      "NSLocationUsageDescription",
      "NSLocationTemporaryUsageDescriptionDictionary",
    ],
    entitlements: ["com.apple.security.personal-information.location"],
    background: ["location"],
  },
  push: {
    entitlements: ["aps-environment", "com.apple.developer.aps-environment"],
    background: ["remote-notification"],
  },
  "card-payment": { entitlements: ["com.apple.developer.in-app-payments"] },
  "sign-in": { entitlements: ["com.apple.developer.applesignin"] },
  "deep-links": { entitlements: ["com.apple.developer.associated-domains"], schemes: true },
  microphone: {
    usage: ["NSMicrophoneUsageDescription"],
    entitlements: ["com.apple.security.device.audio-input"],
  },
  photos: {
    usage: ["NSPhotoLibraryUsageDescription", "NSPhotoLibraryAddUsageDescription"],
    keys: ["PHPhotoLibraryPreventAutomaticLimitedAccessAlert"],
    entitlements: ["com.apple.security.personal-information.photos-library"],
  },
  contacts: {
    usage: ["NSContactsUsageDescription"],
    entitlements: ["com.apple.developer.contacts.notes", "com.apple.security.personal-information.addressbook"],
  },
  bluetooth: {
    usage: ["NSBluetoothAlwaysUsageDescription", "NSBluetoothPeripheralUsageDescription"],
    entitlements: ["com.apple.security.device.bluetooth"],
    background: ["bluetooth-central", "bluetooth-peripheral"],
  },
  biometrics: { usage: ["NSFaceIDUsageDescription"] },
  tracking: {
    usage: ["NSUserTrackingUsageDescription"],
    keys: ["SKAdNetworkItems", "NSAdvertisingAttributionReportEndpoint"],
  },
};

const needsOf = ({ name, declared }: Feature) => both(rowOf(known, name), declared.ios);

/** Keys that hold what people read when the app asks for something. */
export const usageKeys = (feature: Feature): readonly string[] => needsOf(feature).usage ?? [];

/** A feature in property lists, entitlements, their texts by language, and in the project's settings. */
export const appleFeatures: FeatureSearch = (template, files, feature) => {
  const needs = needsOf(feature);
  const { usage: texts = [] } = needs;
  const found = files
    .filter((file) => /\.(plist|entitlements|pbxproj|strings)$/.test(file))
    .filter((file) => textIfAny(template.bytes(file)) !== undefined)
    .map((file) => {
      if (file.endsWith(".pbxproj")) return inProject(template, file, texts);
      if (/\/InfoPlist\.strings$/.test(file)) return inStrings(template, file, texts);
      return file.endsWith(".strings") ? nothing : inList(template, file, needs);
    });
  const usage = found.flatMap((each) => each.usage);
  // An app that asks for something and says nowhere what for is refused by the store: the text gets a place.
  const [first] = texts;
  const isTold = usage.some(({ locale }) => locale === undefined);
  return {
    cuts: found.flatMap(({ cuts }) => cuts),
    usage: first === undefined || isTold ? usage : [...usage, ...newUsage(template, files, first)],
  };
};

type InFile = Pick<FeatureFound, "cuts" | "usage">;

const nothing: InFile = { cuts: [], usage: [] };

function inStrings(template: Folder, file: string, keys: readonly string[]): InFile {
  const source = template.source(file);
  const named = /([^/]+)\.lproj\//.exec(file)?.[1];
  const locale = named === "Base" ? {} : { locale: named };
  return {
    cuts: openStepCuts(file, source.text, parseStrings(source), keys),
    usage: keys.flatMap((key) => {
      const site = stringsSite(file, source, key);
      return site ? [{ key, ...locale, site }] : [];
    }),
  };
}

function inList(template: Folder, file: string, needs: Partial<AppleNeeds>): InFile {
  const { usage = [], entitlements = [], keys = [], background = [], schemes } = needs;
  const source = template.source(file);
  const root = parseXml(source);
  const all = [...usage, ...entitlements, ...keys];
  return {
    cuts: [
      ...keyCuts(file, source.text, root, all),
      ...backgroundCuts(file, source.text, root, background),
      ...(schemes ? schemeCuts(file, source.text, root) : []),
    ],
    usage: usage.flatMap((key) => {
      const site = plistSite(plistStrings(file, source), key);
      return site ? [{ key, site }] : [];
    }),
  };
}

function inProject(template: Folder, file: string, usage: readonly string[]): InFile {
  const source = template.source(file);
  const settings = usage.map((key) => `INFOPLIST_KEY_${key}`);
  const groups = buildSettings(xcodeObjects(source));
  return {
    cuts: groups.flatMap((group) => openStepCuts(file, source.text, group, settings)),
    usage: groups.flatMap((group) =>
      usage.flatMap((key) => {
        const site = openStepSite(file, entry(group, `INFOPLIST_KEY_${key}`));
        return site ? [{ key, site }] : [];
      }),
    ),
  };
}

/** A place in the property list of an app: the one that says which storyboard, or which launch screen, it has. */
function newUsage(template: Folder, files: readonly string[], key: string): FeatureFound["usage"] {
  const main = files.find((file) => file.endsWith(".plist") && /<key>UILaunch/.test(template.source(file).text));
  const at = main === undefined ? undefined : plistStart(template.source(main));
  if (main === undefined || at === undefined) return [];
  const site = emptySite(main, at, "xml-text");
  return [{ key, site, opens: `\n\t<key>${key}</key>\n\t<string>`, closes: "</string>" }];
}

/** Entries of UIBackgroundModes. */
function backgroundCuts(
  file: string,
  text: string,
  root: ReturnType<typeof parseXml>,
  modes: readonly string[],
): Cut[] {
  const children = root.children[0]?.children ?? [];
  const at = children.findIndex(({ name, text: key }) => name === "key" && key === "UIBackgroundModes");
  const entries = children[at + 1]?.children ?? [];
  return at === -1
    ? []
    : entries.filter((each) => modes.includes(each.text)).map((each) => elementCut(file, text, each));
}
