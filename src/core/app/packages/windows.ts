import { createHash } from "node:crypto";
import type { PackageFiles } from "../../formats/packages/archive.ts";
import { attributeOf, find, parseXml, walk } from "../../formats/splice/formats/xml.ts";
import { certificatesIn } from "../../ground/certificates/signed-content.ts";
import { attempt, orElse } from "../../ground/problems/result.ts";
import { told } from "./android.ts";
import type { PackageFacts } from "./facts.ts";

const manifest = "AppxManifest.xml";
const blockMap = "AppxBlockMap.xml";

/** What stands before the signed message of a package (Microsoft, AppxSignature.p7x). */
const mark = "PKCX";

/** What a Windows package says of itself; undefined where it is none. */
export async function readWindowsPackage(files: PackageFiles): Promise<PackageFacts | undefined> {
  const root = xmlIn(files, manifest);
  const identity = root && find(root, "Identity");
  if (!root || !identity) return undefined;
  const name = attributeOf(identity, "Name") ?? "";
  const display = find(root, "DisplayName")?.text.trim() ?? "";
  const version = attributeOf(identity, "Version") ?? "";
  const family = find(root, "TargetDeviceFamily");
  const signed = files.read("AppxSignature.p7x");
  const isMarked = signed && Buffer.from(signed.subarray(0, 4)).toString("latin1") === mark;
  const [certificate] = isMarked ? await certificatesIn(signed.subarray(4)) : [];
  const signer = certificate && told(certificate, "the package's signature");
  return {
    kind: "msix",
    identifier: name,
    labels: display === "" ? {} : { "": display },
    version,
    build: version,
    permissions: [...walk(root)].flatMap((each) =>
      /(^|:)(Device)?Capability$/.test(each.name) ? (attributeOf(each, "Name") ?? []) : [],
    ),
    schemes: [...walk(root)].flatMap((each) =>
      /(^|:)Protocol$/.test(each.name) ? (attributeOf(each, "Name") ?? []) : [],
    ),
    minimum: family && attributeOf(family, "MinVersion"),
    target: family && attributeOf(family, "MaxVersionTested"),
    isDebuggable: false,
    publisher: attributeOf(identity, "Publisher") ?? "",
    ...(signer ? { signer } : {}),
    odd: [...files.odd, ...changedBlocks(files)],
    files: files.names.length,
  };
}

function xmlIn(files: PackageFiles, file: string) {
  const bytes = files.read(file);
  return (
    bytes &&
    orElse(
      attempt(() => parseXml({ file, text: Buffer.from(bytes).toString() })),
      undefined,
    )
  );
}

/** So many bytes make a block (Microsoft, app package block map). */
const blockSize = 65_536;

/** Files that the block map does not know, or knows otherwise: whoever installs the package is refused. */
function changedBlocks(files: PackageFiles): string[] {
  const root = xmlIn(files, blockMap);
  if (!root) return [];
  const known = new Map<string, readonly string[]>();
  for (const file of root.children) {
    if (!/(^|:)File$/.test(file.name)) continue;
    const blocks = file.children.flatMap((each) => attributeOf(each, "Hash") ?? []);
    known.set((attributeOf(file, "Name") ?? "").replaceAll("\\", "/"), blocks);
  }
  const apart = new Set([blockMap, "AppxSignature.p7x", "[Content_Types].xml"]);
  return [
    ...files.names.filter((name) => !apart.has(name) && !name.endsWith("/") && !isKnown(files, name, known)),
    ...[...known.keys()].filter((name) => !files.names.includes(name) && !files.names.includes(encodeURI(name))),
  ];
}

function isKnown(files: PackageFiles, name: string, known: ReadonlyMap<string, readonly string[]>): boolean {
  const blocks = known.get(decoded(name));
  const bytes = blocks && files.read(name);
  if (!blocks || !bytes) return false;
  const count = Math.ceil(bytes.length / blockSize);
  return (
    blocks.length === count &&
    blocks.every((hash, at) => {
      const block = bytes.subarray(at * blockSize, (at + 1) * blockSize);
      return createHash("sha256").update(block).digest("base64") === hash;
    })
  );
}

/** A name as the block map has it: a package writes some letters as %20 and the like. */
function decoded(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    return name;
  }
}
