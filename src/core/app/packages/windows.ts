import { createHash } from "node:crypto";
import { mostOf, type PackageFiles } from "../../formats/archives/files.ts";
import { attributeOf, find, parseXml, walk } from "../../formats/splice/formats/xml.ts";
import { readSignature } from "../../ground/certificates/signature.ts";
import { attempt, orElse } from "../../ground/problems/result.ts";
import { type OpenedPackage, type PackageFacts, unsaid } from "./facts.ts";
import { signerBy } from "./signer.ts";
import { iconsOf } from "./tiles.ts";

const manifest = "AppxManifest.xml";
const blockMap = "AppxBlockMap.xml";
const contentTypes = "[Content_Types].xml";

/** What stands before the signed message of a package (Microsoft, AppxSignature.p7x). */
const mark = "PKCX";

/** What a Windows package says of itself; undefined where it is none. */
export async function readWindowsPackage(files: PackageFiles): Promise<OpenedPackage | undefined> {
  const root = xmlIn(files, manifest);
  const identity = root && find(root, "Identity");
  if (!root || !identity) return undefined;
  const name = attributeOf(identity, "Name") ?? "";
  const display = find(root, "DisplayName")?.text.trim() ?? "";
  const version = attributeOf(identity, "Version") ?? "";
  const family = find(root, "TargetDeviceFamily");
  const namesOf = (form: RegExp) =>
    [...walk(root)].flatMap((each) => (form.test(each.name) ? (attributeOf(each, "Name") ?? []) : []));
  const facts: PackageFacts = {
    ...unsaid,
    kind: "msix",
    identifier: name,
    labels: display === "" ? {} : { "": display },
    version,
    build: version,
    permissions: namesOf(/(^|:)(Device)?Capability$/),
    schemes: namesOf(/(^|:)Protocol$/),
    minimum: family && attributeOf(family, "MinVersion"),
    target: family && attributeOf(family, "MaxVersionTested"),
    publisher: attributeOf(identity, "Publisher") ?? "",
    ...(await signedBy(files)),
    symbols: files.names.filter((each) => /\.(appxsym|pdb)$/i.test(each)),
    odd: [...files.odd, ...changedBlocks(files)],
    files: files.names.length,
  };
  return { facts, files, icons: iconsOf(files, root) };
}

/** Sums of a package that its signature is over, each behind its mark (Microsoft, app package signature). */
const signedSums = { AXBM: blockMap, AXCT: contentTypes } as const;

export async function signedBy(files: PackageFiles): Promise<Pick<PackageFacts, "signer">> {
  const signed = files.read("AppxSignature.p7x");
  const isMarked = signed && Buffer.from(signed.subarray(0, 4)).toString("latin1") === mark;
  const signature = isMarked ? await readSignature(signed.subarray(4)) : undefined;
  const enclosed = signature?.enclosed && Buffer.from(signature.enclosed);
  if (!signature || !enclosed) return {};
  const areSame = Object.entries(signedSums).every(([sum, name]) => {
    const content = files.read(name);
    const digest = content && createHash("sha256").update(content).digest();
    return digest && enclosed.includes(Buffer.concat([Buffer.from(sum), digest]));
  });
  return signerBy("the package's signature", signature.certificate, areSame ? signature.isOver(enclosed) : false);
}

/** A file of a package as XML; undefined where it is not there, or is none. */
export function xmlIn(files: PackageFiles, file: string) {
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
export function changedBlocks(files: PackageFiles): string[] {
  const root = xmlIn(files, blockMap);
  if (!root) return [];
  const known = new Map<string, readonly string[]>();
  for (const file of root.children) {
    if (!/(^|:)File$/.test(file.name)) continue;
    const blocks = file.children.flatMap((each) => attributeOf(each, "Hash") ?? []);
    known.set((attributeOf(file, "Name") ?? "").replaceAll("\\", "/"), blocks);
  }
  const apart = new Set([blockMap, "AppxSignature.p7x", contentTypes]);
  const own = files.names.filter((name) => !apart.has(name) && !name.endsWith("/"));
  const isOwn = new Set(own);
  // Of a package too large to be looked through, what is left out is not told.
  const all = files.readAll((name) => isOwn.has(name), mostOf.held);
  return [
    ...own.filter((name) => {
      const blocks = known.get(decoded(name));
      const bytes = all.files[name];
      return !blocks || (bytes ? !isAsBlocks(bytes, blocks) : all.left === 0);
    }),
    ...[...known.keys()].filter((name) => !isOwn.has(name) && !isOwn.has(encodeURI(name))),
  ];
}

const isAsBlocks = (bytes: Uint8Array, blocks: readonly string[]): boolean =>
  blocks.length === Math.ceil(bytes.length / blockSize) &&
  blocks.every((hash, at) => {
    const block = bytes.subarray(at * blockSize, (at + 1) * blockSize);
    return createHash("sha256").update(block).digest("base64") === hash;
  });

/** A name as the block map has it: a package writes some letters as %20 and the like. */
function decoded(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    return name;
  }
}
