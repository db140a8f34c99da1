import type { PackageFiles } from "../../formats/packages/archive.ts";
import { everyElement, type ManifestElement, readBinaryXml } from "../../formats/packages/binary-xml.ts";
import { readProtoXml } from "../../formats/packages/proto-xml.ts";
import { lookUpResource } from "../../formats/packages/resource-table.ts";
import { signerOf } from "../../formats/packages/signing-block.ts";
import { certificateFacts } from "../../ground/certificates/certificate.ts";
import { certificatesIn } from "../../ground/certificates/signed-content.ts";
import type { PackageFacts } from "./facts.ts";

/** Where a manifest lies in a package, and in a bundle. */
const manifests = { apk: "AndroidManifest.xml", aab: "base/manifest/AndroidManifest.xml" } as const;

/** What an Android package or bundle says of itself; undefined where it is neither. */
export async function readAndroidPackage(bytes: Uint8Array, files: PackageFiles): Promise<PackageFacts | undefined> {
  const kind = files.names.includes(manifests.aab) ? "aab" : "apk";
  const manifest = files.read(manifests[kind]);
  const root = manifest && (kind === "aab" ? readProtoXml(manifest) : readBinaryXml(manifest));
  if (root?.name !== "manifest") return undefined;
  const all = [...everyElement(root)];
  const valuesOf = (name: string, attribute: string) =>
    all.flatMap((each) => (each.name === name ? (each.attributes.get(attribute)?.text ?? []) : []));
  const own = (attribute: string) => root.attributes.get(attribute)?.text ?? "";
  const application = all.find(({ name }) => name === "application");
  const [minimum] = valuesOf("uses-sdk", "minSdkVersion");
  const [target] = valuesOf("uses-sdk", "targetSdkVersion");
  const signer = await signerIn(bytes, files);
  return {
    kind,
    identifier: own("package"),
    labels: labelsOf(application, files),
    version: own("versionName"),
    build: own("versionCode"),
    permissions: [...new Set(valuesOf("uses-permission", "name"))],
    schemes: [...new Set(valuesOf("data", "scheme"))],
    minimum,
    target,
    isDebuggable: application?.attributes.get("debuggable")?.text === "true",
    ...(signer ? { signer } : {}),
    odd: files.odd,
    files: files.names.length,
  };
}

/** Its label by language: as it stands there, or as its resources have it; a bundle's own are not looked up. */
function labelsOf(application: ManifestElement | undefined, files: PackageFiles): PackageFacts["labels"] {
  const label = application?.attributes.get("label");
  if (!label) return {};
  if (label.reference === undefined) return { "": label.text };
  const table = files.read("resources.arsc");
  return table ? Object.fromEntries(lookUpResource(table, label.reference)) : {};
}

async function signerIn(bytes: Uint8Array, files: PackageFiles): Promise<PackageFacts["signer"]> {
  const named = signerOf(bytes);
  if (named) return told(named.certificate, `APK Signature Scheme v${named.scheme}`);
  const block = files.names.find((name) => /^META-INF\/[^/]+\.(RSA|EC|DSA)$/i.test(name));
  const signed = block && files.read(block);
  const [certificate] = signed ? await certificatesIn(signed) : [];
  return certificate && told(certificate, "a JAR signature");
}

export function told(certificate: Uint8Array, by: string): PackageFacts["signer"] {
  const facts = certificateFacts(certificate);
  return facts && { subject: facts.subject, sha256: facts.sha256, by };
}
