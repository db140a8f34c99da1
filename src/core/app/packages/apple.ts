import type { PackageFiles } from "../../formats/archives/files.ts";
import type { Archive } from "../../formats/archives/open.ts";
import { type AssetCatalog, readAssetCatalog } from "../../formats/packages/asset-catalog.ts";
import { readPropertyList } from "../../formats/packages/property-list.ts";
import { readProfile } from "../platforms/apple/profile.ts";
import { type OpenedPackage, type PackageFacts, type PackageKind, unsaid } from "./facts.ts";
import { iconsOf } from "./loose-icons.ts";
import { sealOf } from "./seal.ts";
import { signerBy } from "./signer.ts";

/** The property list of the app that a package brings, and no one within it; where things lie beside it. */
const forms = {
  ios: { list: /^Payload\/[^/]+\.app\/Info\.plist$/, program: "", resources: "", profile: "embedded.mobileprovision" },
  mac: {
    list: /(?:^|^(?:[^/]+\/)*?)[^/]+\.app\/Contents\/Info\.plist$/,
    ...{ program: "MacOS/", resources: "Resources/", profile: "embedded.provisionprofile" },
  },
} as const;

/** What an iOS package, a Mac app or its installer says of itself; undefined where it is none. */
export async function readApplePackage({
  form,
  files,
  certificate,
  holds,
}: Archive): Promise<OpenedPackage | undefined> {
  const main = (["ios", "mac"] as const)
    .map((system) => ({ system, file: outermost(files.names.filter((name) => forms[system].list.test(name))) }))
    .find(({ file }) => file !== undefined);
  const list = main?.file === undefined ? undefined : parsed(files.read(main.file));
  if (!main?.file || !list) return undefined;
  const { program, resources, profile: embedded } = forms[main.system];
  const folder = main.file.slice(0, -"Info.plist".length);
  const text = (key: string): string => textAt(list, key);
  const seal = await sealOf(files, folder, `${program}${text("CFBundleExecutable")}`);
  const profile = files.read(`${folder}${embedded}`);
  const read = profile ? await readProfile(profile) : undefined;
  const known = typeof read === "object" ? read : undefined;
  const kind: PackageKind = main.system === "ios" ? "ipa" : form === "xar" ? "installer" : "mac";
  const label = text("CFBundleDisplayName") || text("CFBundleName");
  const [minimum, target] = [text("MinimumOSVersion") || text("LSMinimumSystemVersion"), text("DTPlatformVersion")];
  const catalogs = files.names.filter((name) => name.endsWith(".car")).map((name) => catalogAt(files, name));
  const own = catalogs.find(({ name }) => name === `${folder}${resources}Assets.car`)?.catalog;
  const icon = text("CFBundleIconName");
  const entitlements = seal?.entitlements ?? known?.entitlements;
  const facts: PackageFacts = {
    ...unsaid,
    kind,
    identifier: text("CFBundleIdentifier"),
    labels: { ...(label === "" ? {} : { "": label }), ...localized(files, `${folder}${resources}`) },
    version: text("CFBundleShortVersionString"),
    build: text("CFBundleVersion"),
    permissions: Object.keys(list).filter((key) => /^NS\w+UsageDescription$/.test(key)),
    schemes: schemesIn(list.CFBundleURLTypes),
    ...(minimum === "" ? {} : { minimum }),
    ...(target === "" ? {} : { target }),
    isDebuggable: [entitlements?.["get-task-allow"], entitlements?.["com.apple.security.get-task-allow"]].includes(
      true,
    ),
    // An installer is signed itself, by another certificate than the app in it.
    ...(form === "xar"
      ? signerBy("the installer's signature", certificate, holds)
      : signerBy("a code signature", seal?.certificate, seal?.holds)),
    // It lies beside the app's own seal, once it is stapled (Apple, customizing the notarization workflow).
    ...(main.system === "mac" ? { ticket: files.names.includes(`${folder}CodeResources`) } : {}),
    ...(known ? { profile: known } : {}),
    ...(entitlements ? { entitlements } : {}),
    parts: partsIn(files, folder),
    symbols: files.names.filter((name) => /^Symbols\/|\.dSYM\//.test(name)),
    odd: files.odd,
    ...(own ? { catalog: catalogFacts(own, icon) } : {}),
    unfit:
      own && icon !== "" && !own.assets.includes(icon)
        ? [`names ${icon} as its icon, which its catalog of assets does not have`]
        : [],
    closed: [...catalogs.map(closedOf), ...files.names.filter((name) => /(^|\/)Payload$/.test(name))],
    files: files.names.length,
  };
  return { facts, files, icons: iconsOf(files, `${folder}${resources}`, list) };
}

interface CatalogFile {
  name: string;
  /** Undefined where it cannot be read. */
  catalog: AssetCatalog | undefined;
}

function catalogAt(files: PackageFiles, name: string): CatalogFile {
  const bytes = files.read(name);
  return { name, catalog: bytes && readAssetCatalog(bytes) };
}

const catalogFacts = ({ assets, pictures }: AssetCatalog, icon: string): PackageFacts["catalog"] => ({
  ...{ assets: assets.length, pictures: pictures.length },
  icon: pictures.flatMap(({ asset, width, height }) => (asset === icon && width > 0 ? [`${width} × ${height}`] : [])),
});

/** What of a catalog is not looked into: pixels, and all of one that cannot be read. */
const closedOf = ({ name, catalog }: CatalogFile): string =>
  catalog ? `${name}: the pixels of its ${catalog.pictures.length} pictures` : name;

type List = Record<string, unknown>;

const textAt = (list: List, key: string): string => (typeof list[key] === "string" ? list[key] : "");

const parsed = (bytes: Uint8Array | undefined): List | undefined => bytes && readPropertyList(bytes);

/** The one that lies in no other: an app may bring others within it. */
const outermost = (names: readonly string[]): string | undefined =>
  [...names].sort((a, b) => a.split("/").length - b.split("/").length)[0];

/** What it is called in each of its languages. */
function localized(files: PackageFiles, folder: string): Record<string, string> {
  return Object.fromEntries(
    files.names.flatMap((name) => {
      const language = name.startsWith(folder)
        ? /^([^/]+)\.lproj\/InfoPlist\.strings$/.exec(name.slice(folder.length))?.[1]
        : undefined;
      const list = language === undefined ? undefined : parsed(files.read(name));
      const label = list?.CFBundleDisplayName ?? list?.CFBundleName;
      return language !== undefined && typeof label === "string" ? [[language, label] as const] : [];
    }),
  );
}

/** Extensions, apps for watches, and login items that an app brings. */
const partsIn = (files: PackageFiles, folder: string): NonNullable<PackageFacts["parts"]> =>
  files.names.flatMap((name) => {
    const isPart =
      name.startsWith(folder) &&
      /^(PlugIns|Watch|Library\/LoginItems)\/[^/]+\.(appex|app)\/(Contents\/)?Info\.plist$/.test(
        name.slice(folder.length),
      );
    const list = isPart ? parsed(files.read(name)) : undefined;
    const text = (key: string) => (list ? textAt(list, key) : "");
    return list
      ? [
          {
            identifier: text("CFBundleIdentifier"),
            version: text("CFBundleShortVersionString"),
            build: text("CFBundleVersion"),
          },
        ]
      : [];
  });

const schemesIn = (types: unknown): string[] =>
  Array.isArray(types)
    ? types
        .flatMap((each: List) => (Array.isArray(each?.CFBundleURLSchemes) ? each.CFBundleURLSchemes : []))
        .map(String)
    : [];
