import type { PackageFiles } from "../../formats/packages/archive.ts";
import { readPropertyList } from "../../formats/packages/property-list.ts";
import { readProfile } from "../platforms/apple/profile.ts";
import type { PackageFacts } from "./facts.ts";

/** The property list of the app that a package brings, and no one within it. */
const main = /^Payload\/[^/]+\.app\/Info\.plist$/;

/** What an iOS package says of itself; undefined where it is none. */
export async function readApplePackage(files: PackageFiles): Promise<PackageFacts | undefined> {
  const file = files.names.find((name) => main.test(name));
  const list = file && parsed(files.read(file));
  if (!file || !list) return undefined;
  const folder = file.slice(0, -"Info.plist".length);
  const text = (key: string): string => (typeof list[key] === "string" ? list[key] : "");
  const embedded = files.read(`${folder}embedded.mobileprovision`);
  const profile = embedded ? await readProfile(embedded) : undefined;
  const known = typeof profile === "object" ? profile : undefined;
  const label = text("CFBundleDisplayName") || text("CFBundleName");
  const minimum = text("MinimumOSVersion");
  const target = text("DTPlatformVersion");
  return {
    kind: "ipa",
    identifier: text("CFBundleIdentifier"),
    labels: { ...(label === "" ? {} : { "": label }), ...localized(files, folder) },
    version: text("CFBundleShortVersionString"),
    build: text("CFBundleVersion"),
    permissions: Object.keys(list).filter((key) => /^NS\w+UsageDescription$/.test(key)),
    schemes: schemesIn(list.CFBundleURLTypes),
    ...(minimum === "" ? {} : { minimum }),
    ...(target === "" ? {} : { target }),
    isDebuggable: known?.entitlements["get-task-allow"] === true,
    ...(known ? { profile: known } : {}),
    odd: files.odd,
    files: files.names.length,
  };
}

type List = Record<string, unknown>;

const parsed = (bytes: Uint8Array | undefined): List | undefined => bytes && readPropertyList(bytes);

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

const schemesIn = (types: unknown): string[] =>
  Array.isArray(types)
    ? types
        .flatMap((each: List) => (Array.isArray(each?.CFBundleURLSchemes) ? each.CFBundleURLSchemes : []))
        .map(String)
    : [];
