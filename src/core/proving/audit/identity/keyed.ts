import { opensApp } from "../../../app/platforms/android/manifest.ts";
import { assemblyFacts } from "../../../formats/splice/formats/assembly-info.ts";
import { htmlAttribute, htmlAttributeSite, htmlElements, htmlTextSite } from "../../../formats/splice/formats/html.ts";
import { lineSites } from "../../../formats/splice/formats/lines.ts";
import { parseStrings } from "../../../formats/splice/formats/openstep.ts";
import { plistStrings } from "../../../formats/splice/formats/plist.ts";
import { readResourceScript } from "../../../formats/splice/formats/resource-script.ts";
import { swiftAppArguments } from "../../../formats/splice/formats/swift-package.ts";
import { attributeOf, parseXml, walk } from "../../../formats/splice/formats/xml.ts";
import { withoutBuildEnding } from "../../../formats/splice/known-ending.ts";
import { openSettings } from "../../../formats/splice/settings.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Source } from "../../../ground/values/source.ts";
import { cmake, desktopEntry, installerLine, keyLine, namingCall, qmakeLine } from "./desktops.ts";
import { type Keyed, lines, plainLine, quotedLine, type Reader, type Texts } from "./reader.ts";
import { xcodeProject } from "./xcode.ts";

const settings: Reader = (file, _, template) =>
  (openSettings(template, file)?.values ?? []).map(({ path, site }) => ({
    key: path.join("."),
    value: site.value,
    at: site.start,
  }));

/** Texts that a build script writes as resources: `resValue "string", "app_name", "Shop"`. */
const resourceValue = /\bresValue\s*\(?\s*["']string["']\s*,\s*["'](\w+)["']\s*,\s*["']([^"'\n]+)["']/g;

const resourceValues = ({ text }: Source): Keyed[] =>
  [...text.matchAll(resourceValue)].map((match) => {
    const [whole, name = "", value = ""] = match;
    return { key: `string/${name}`, value, at: match.index + whole.lastIndexOf(value) };
  });

/** Elements' texts and attributes; a resource's text by the name it is asked for by. */
const xml: Reader = (_, source) =>
  [...walk(parseXml(source))].flatMap((element): Keyed[] => {
    const name = attributeOf(element, "name");
    const own = name === undefined ? element.name : `${element.name}/${name}`;
    return [
      ...(element.children.length === 0 && element.text.trim() !== ""
        ? [{ key: own, value: element.text.trim(), at: element.innerStart }]
        : []),
      ...[...element.attributes.values()].map(({ name: attribute, value, start }) => ({
        key: `${element.name}@${attribute}`,
        value,
        at: start,
      })),
    ];
  });

/** Texts of what stands directly below the root: deeper ones are of what an app takes from others. */
const top: Reader = (_, source) =>
  parseXml(source).children.flatMap(({ name, text, children, innerStart }) =>
    children.length === 0 && text.trim() !== "" ? [{ key: name, value: text.trim(), at: innerStart }] : [],
  );

/** The same, and whose signature the apps carry, which stands deeper. */
const bridge: Reader = (...of) => [...top(...of), ...xml(...of).filter(({ key }) => key === "team-id")];

/**
 * A manifest. Of its labels, only those by which people know the app count as its name: the application's, and those
 * of what opens it.
 */
const androidManifest: Reader = (file, source, template) => {
  const apart = [...walk(parseXml(source))].filter((element) => element.name !== "application" && !opensApp(element));
  const labels = new Set(apart.flatMap(({ attributes }) => attributes.get("android:label")?.start ?? []));
  return xml(file, source, template).map((each) =>
    labels.has(each.at) ? { ...each, key: `${each.key} of a part` } : each,
  );
};

const stringsFile: Reader = (_, source) => {
  const all = parseStrings(source);
  return (all.kind === "group" ? [...all.entries] : []).flatMap(([key, value]): Keyed[] =>
    value.kind === "string" ? [{ key, value: value.value, at: value.start }] : [],
  );
};

const plist: Reader = (file, source) =>
  plistStrings(file, source).map(({ path, site }) => ({
    key: path.join("."),
    value: site.value,
    at: site.start,
  }));

const page: Reader = (file, source) =>
  htmlElements(source).flatMap((element): Keyed[] => {
    const name = htmlAttribute(element, "name") ?? htmlAttribute(element, "property") ?? "";
    const rel = htmlAttribute(element, "rel") ?? "";
    const site =
      element.tagName === "title"
        ? htmlTextSite(file, element)
        : element.tagName === "meta"
          ? htmlAttributeSite(file, source.text, element, "content")
          : element.tagName === "link"
            ? htmlAttributeSite(file, source.text, element, "href")
            : undefined;
    const key = element.tagName === "title" ? "title" : `${element.tagName}.${name || rel}`;
    return site && site.value.trim() !== "" ? [{ key, value: site.value.trim(), at: site.start }] : [];
  });

const asKeyed = ({ key, site }: { key: string; site: Site }): Keyed => ({ key, value: site.value, at: site.start });

const resourceScript: Reader = (file, source) => readResourceScript(file, source).values.map(asKeyed);

/** What a program of .NET says of itself. */
const assembly: Reader = (file, source) => assemblyFacts(file, source).map(asKeyed);

/** A site's statements on apps: each fingerprint by the package that its statement is on. */
const statements: Reader = (file, source, template) => {
  const all = settings(file, source, template);
  const packages = new Map(
    all.flatMap(({ key, value }) => {
      const at = /^(.*)\.package_name$/.exec(key)?.[1];
      return at === undefined ? [] : [[at, value] as const];
    }),
  );
  return all.map((each) => {
    const of = packages.get(/^(.*)\.sha256_cert_fingerprints(?:\.|$)/.exec(each.key)?.[1] ?? "");
    return of === undefined ? each : { ...each, key: `fingerprint of ${of}` };
  });
};

/** Arguments of the app that a package in Swift is. */
const swiftApp: Reader = (file, source) => swiftAppArguments(file, source).map(asKeyed);

const keyedLines =
  (format: "properties" | "xcconfig" | "env"): Reader =>
  (file, source) =>
    lineSites(file, source, format).map(asKeyed);

/** What leads to the name of a desktop shell's package, which is the program's where nothing else says one. */
export const shellName = "shell's name";

/**
 * A shell's package names the app where nothing else does: the running program shows its name. Whether another file
 * says one is for whoever has all files.
 */
const packageOfShell: Reader = (file, source, template) => {
  const all = settings(file, source, template);
  const has = (form: RegExp) => all.some(({ key }) => form.test(key));
  const isShell = has(/^(dev)?[dD]ependencies\.(electron|nw)$/) && !has(/^(dev)?[dD]ependencies\.electron-packager$/);
  return all.map((each) => (isShell && each.key === "name" ? { ...each, key: shellName } : each));
};

/** A managed app's settings are the whole of their file, or under a heading; of a bridge's, the name is code's. */
const managedApp: Reader = (...of) => {
  const all = settings(...of);
  const isWhole = all.some(({ key }) => key === "slug");
  return isWhole ? all.map((each) => (each.key === "name" ? { ...each, key: "config.name" } : each)) : all;
};

const readers: readonly { file: RegExp; read: Reader }[] = [
  { file: /(^|\/)assetlinks\.json$/, read: statements },
  { file: /(^|\/)package\.json$/, read: packageOfShell },
  { file: /(^|\/)app(\.[\w-]+)?\.json$/, read: managedApp },
  { file: /\.desktop$/, read: desktopEntry },
  { file: /(^|\/)AssemblyInfo\.(cs|vb|fs)$/i, read: assembly },
  { file: /\.iss$/i, read: (...of) => [...lines(keyLine)(...of), ...lines(installerLine)(...of)] },
  { file: /\.ns[hi]$/i, read: lines(installerLine) },
  { file: /\.(cc|cpp|cxx|c|mm?|hpp?|py|vala|rs)$/, read: lines(namingCall) },
  { file: /(^|\/)CMakeLists\.txt$|\.cmake$/, read: cmake },
  { file: /\.pr[io]$/, read: lines(qmakeLine) },
  { file: /(^|\/)Package\.swift$/, read: swiftApp },
  { file: /(^|\/)Cargo\.toml$/, read: settings },
  {
    file: longPattern()`
      \.(json|jsonc|webmanifest|webapp|ya?ml|[cm]?[jt]s|[jt]sx|cfg|godot)$
      |(^|\/)(buildozer\.spec|ProjectSettings\.asset|game\.project|robovm\.properties|Config\/Default\w+\.ini)$
    `,
    read: settings,
  },
  {
    file: /(^|\/)apple-app-site-association$/,
    read: (file, source) => lines(quotedLine)(file, source, undefined as never),
  },
  { file: /\.(plist|entitlements)$/, read: plist },
  { file: /(^|\/)AndroidManifest\.xml$/, read: androidManifest },
  { file: /(^|\/)tiapp\.xml$/, read: bridge },
  { file: /\.(xml|appxmanifest|resw|resx|storyboard|xib|wxs|wxi|wxl|csproj|vbproj)$/i, read: xml },
  { file: /\.html?$/i, read: page },
  { file: /\.rc$/i, read: resourceScript },
  { file: /\.pbxproj$/, read: (...of) => xcodeProject(...of, lines(plainLine)(...of)) },
  { file: /\.strings$/, read: stringsFile },
  { file: /\.xcconfig$/, read: keyedLines("xcconfig") },
  { file: /\.properties$/, read: keyedLines("properties") },
  { file: /(^|\/)\.env(\.\w+)?$/, read: keyedLines("env") },
  {
    file: /\.gradle(\.kts)?$/,
    read: (file, source, template) => [...lines(quotedLine)(file, source, template), ...resourceValues(source)],
  },
  {
    file: /\.(kts|toml|rb)$|(^|\/)Podfile$/,
    read: lines(quotedLine),
  },
];

/**
 * Every value of a file that has something leading to it; none where the file is of no such form, or cannot be read
 * as its own.
 */
export function keyedValues(template: Texts, file: string): readonly Keyed[] {
  const path = withoutBuildEnding(file);
  const reader = readers.find((each) => each.file.test(path));
  const source = reader && textOf(template, file);
  if (!source) return [];
  const before = known.get(source);
  if (before) return before;
  const values = orElse(
    attempt(() => reader.read(file, source, template)),
    [],
  );
  known.set(source, values);
  return values;
}

/** A text is read once, as long as somebody holds it. */
const known = new WeakMap<Source, readonly Keyed[]>();
