import type { PackageFiles } from "../../formats/archives/files.ts";
import { everyElement, type ManifestElement, readBinaryXml } from "../../formats/packages/binary-xml.ts";
import { readProtoXml } from "../../formats/packages/proto-xml.ts";
import { openMessages } from "../../formats/packages/resource-messages.ts";
import { openTable } from "../../formats/packages/resource-table.ts";
import { byLanguage, type Resources, valuesOf } from "../../formats/packages/resources.ts";
import { signerOf } from "../../formats/signatures/android.ts";
import { listSignerOf } from "../../formats/signatures/listed.ts";
import { type OpenedPackage, type PackageFacts, unsaid } from "./facts.ts";
import { faultsOf } from "./faults.ts";
import { signerBy } from "./signer.ts";

/** Where things lie: in a package, and in a bundle, whose main part is a folder (Android App Bundle format). */
const places = {
  apk: { manifest: "AndroidManifest.xml", resources: "resources.arsc", files: "" },
  aab: { manifest: "base/manifest/AndroidManifest.xml", resources: "base/resources.pb", files: "base/" },
} as const;

type Kind = keyof typeof places;

const readXml = (kind: Kind, bytes: Uint8Array | undefined): ManifestElement | undefined =>
  bytes && (kind === "aab" ? readProtoXml(bytes) : readBinaryXml(bytes));

/** What an Android package or bundle says of itself; undefined where it is neither. */
export async function readAndroidPackage(bytes: Uint8Array, files: PackageFiles): Promise<OpenedPackage | undefined> {
  const kind = files.names.includes(places.aab.manifest) ? "aab" : "apk";
  const root = readXml(kind, files.read(places[kind].manifest));
  if (root?.name !== "manifest") return undefined;
  const all = [...everyElement(root)];
  const valuesAt = (name: string, attribute: string) =>
    all.flatMap((each) => (each.name === name ? (each.attributes.get(attribute)?.text ?? []) : []));
  const own = (attribute: string) => root.attributes.get(attribute)?.text ?? "";
  const application = all.find(({ name }) => name === "application");
  const table = files.read(places[kind].resources);
  const resources = table && (kind === "aab" ? openMessages(table) : openTable(table));
  const [minimum] = valuesAt("uses-sdk", "minSdkVersion");
  const [target] = valuesAt("uses-sdk", "targetSdkVersion");
  const facts: PackageFacts = {
    ...unsaid,
    kind,
    identifier: own("package"),
    labels: labelsOf(application, resources),
    version: own("versionName"),
    build: own("versionCode"),
    permissions: [...new Set(valuesAt("uses-permission", "name"))],
    schemes: [...new Set(valuesAt("data", "scheme"))],
    minimum,
    target,
    isDebuggable: application?.attributes.get("debuggable")?.text === "true",
    ...(await signedBy(kind, bytes, files)),
    symbols: files.names.filter((name) => /^BUNDLE-METADATA\/.*(obfuscation\/.*\.map|debugsymbols\/)/.test(name)),
    unfit: [
      ...(application?.attributes.get("testOnly")?.text === "true" ? ["is for tests alone: nothing installs it"] : []),
      ...faultsOf(kind, bytes, files, Number(target)),
    ],
    odd: files.odd,
    files: files.names.length,
  };
  return { facts, files, icons: iconsOf(kind, application, { files, resources }) };
}

/** Its label by language: as it stands there, or as its resources have it. */
function labelsOf(application: ManifestElement | undefined, resources: Resources | undefined): PackageFacts["labels"] {
  const label = application?.attributes.get("label");
  if (!label) return {};
  if (label.reference === undefined) return { "": label.text };
  return resources ? byLanguage(resources, label.reference) : {};
}

async function signedBy(kind: Kind, bytes: Uint8Array, files: PackageFiles): Promise<Pick<PackageFacts, "signer">> {
  const named = kind === "apk" ? signerOf(bytes) : undefined;
  if (named) return signerBy(`APK Signature Scheme v${named.scheme}`, named.certificate, named.holds);
  const listed = await listSignerOf(files);
  return listed ? signerBy("a JAR signature", listed.certificate, listed.holds) : {};
}

/** So deep a picture may be made of others. */
const deepest = 4;

/** The bitmaps of its icon, in all densities, and those that its layers are made of. */
function iconsOf(
  kind: Kind,
  application: ManifestElement | undefined,
  { files, resources }: { files: PackageFiles; resources: Resources | undefined },
): Map<string, Uint8Array> {
  const found = new Map<string, Uint8Array>();
  const collect = (reference: number, depth: number): void => {
    for (const { text } of resources ? valuesOf(resources, reference) : []) {
      const path = `${places[kind].files}${text}`;
      const content = found.has(path) ? undefined : files.read(path);
      if (content && /\.(png|webp|jpg)$/.test(path)) found.set(path, content);
      const root = path.endsWith(".xml") && depth < deepest ? readXml(kind, content) : undefined;
      for (const { attributes } of root ? everyElement(root) : []) {
        const layer = (attributes.get("drawable") ?? attributes.get("src"))?.reference;
        if (layer !== undefined) collect(layer, depth + 1);
      }
    }
  };
  const icon = application?.attributes.get("icon")?.reference;
  if (icon !== undefined) collect(icon, 0);
  return found;
}
