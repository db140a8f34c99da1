import { createHash, verify, X509Certificate } from "node:crypto";
import { inflateSync } from "node:zlib";
import { attempt, orElse } from "../../ground/problems/result.ts";
import { attempted } from "../../ground/values/attempted.ts";
import { attributeOf, find, parseXml, type XmlElement } from "../splice/formats/xml.ts";
import { filesInCopy } from "./copied.ts";
import { heldFiles, mostOf, type PackageFiles } from "./files.ts";
import { gunzipped } from "./unpacked.ts";

/** Largest table of contents, in bytes. */
const largestTable = 16 * 1024 * 1024;

/** An installer for the Mac: its files, and the certificate that it names as its signer's, as DER. */
export interface Installer {
  files: PackageFiles;
  certificate?: Uint8Array;
  /** Whether its table, with the sums of all files in it, is as it was signed; absent where that cannot be told. */
  holds?: boolean;
}

/** Opens an extensible archive, as installers for the Mac are; what they install lies below `Payload/`. */
export function openXar(bytes: Uint8Array): Installer | undefined {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (buffer.toString("latin1", 0, 4) !== "xar!" || buffer.length < 28) return undefined;
  // The header says its own size, and that of the table behind it, packed.
  const [header, packed] = [buffer.readUInt16BE(4), Number(buffer.readBigUInt64BE(8))];
  const written = buffer.subarray(header, header + packed);
  const table = attempted(() => inflateSync(written, { maxOutputLength: largestTable }).toString());
  const root =
    table &&
    orElse(
      attempt(() => parseXml({ file: "table of contents", text: table })),
      undefined,
    );
  const contents = root && find(root, "toc");
  if (!contents) return undefined;
  const heap = header + packed;
  const files = heldFiles(
    filesBelow(contents, "", (at, size) => buffer.subarray(heap + at, heap + at + size), { left: mostOf.unpacked }),
  );
  const signature = contents.children.find(({ name }) => name === "signature");
  const named = signature && find(signature, "X509Certificate");
  const certificate = named && Buffer.from(named.text, "base64");
  if (!files || !certificate) return files && { files };
  const held = (node: XmlElement | undefined) => {
    const number = (name: string) => Number((node && find(node, name)?.text.trim()) ?? -1);
    const [at, size] = [heap + number("offset"), number("size")];
    return at >= heap && size > 0 ? buffer.subarray(at, at + size) : undefined;
  };
  const checksum = contents.children.find(({ name }) => name === "checksum");
  const sealed = { written, sum: held(checksum), style: checksum && attributeOf(checksum, "style") };
  const holds = attributeOf(signature, "style") === "RSA" ? isSigned(sealed, held(signature), certificate) : undefined;
  return { files, certificate, ...(holds === undefined ? {} : { holds }) };
}

/**
 * Whether a table has the sum that lies behind it, and that sum is signed by the certificate's key (xar, the RSA
 * style of signatures); undefined where the sum or the key is of a kind that is not known here.
 */
function isSigned(
  { written, sum, style }: { written: Buffer; sum: Buffer | undefined; style: string | undefined },
  signature: Buffer | undefined,
  certificate: Uint8Array,
): boolean | undefined {
  const kind = style === undefined ? undefined : sums[style.toLowerCase()];
  if (kind === undefined || !sum || !signature) return undefined;
  if (!createHash(kind).update(written).digest().equals(sum)) return false;
  return attempted(() => verify(kind, written, new X509Certificate(certificate).publicKey, signature));
}

/** Sums of a table, by what it calls them. */
const sums: Readonly<Record<string, string>> = {
  sha1: "sha1",
  sha256: "sha256",
  "sha-256": "sha256",
  sha512: "sha512",
};

/** Files of the table, whose folders hold each other. */
function* filesBelow(
  parent: XmlElement,
  folder: string,
  held: (at: number, size: number) => Buffer,
  room: { left: number },
): Generator<readonly [string, Uint8Array]> {
  for (const file of parent.children) {
    if (file.name !== "file") continue;
    const own = (name: string) => file.children.find((each) => each.name === name);
    const path = `${folder}${own("name")?.text.trim() ?? ""}`;
    const data = own("data");
    if (!data) {
      yield* filesBelow(file, `${path}/`, held, room);
      continue;
    }
    const number = (name: string) => Number(data.children.find((each) => each.name === name)?.text.trim());
    const [at, length] = [number("offset"), number("length")];
    if (!(at >= 0 && length >= 0)) continue;
    const encoding = data.children.find(({ name }) => name === "encoding");
    // "application/x-gzip" is in truth a zlib stream.
    const isPacked = encoding && /gzip/.test(attributeOf(encoding, "style") ?? "");
    const stored = held(at, length);
    const content = isPacked
      ? attempted(() => inflateSync(stored, { maxOutputLength: Math.max(1, room.left) }))
      : (stored as Uint8Array);
    if (!content) continue;
    // Many files may name the same bytes.
    room.left -= content.length;
    if (room.left < 0) return;
    const copied = /(^|\/)Payload$/.test(path) ? filesInCopy(gunzipped(content) ?? content) : undefined;
    if (copied) for (const [name, each] of copied) yield [`${path}/${name}`, each];
    else yield [path, content];
  }
}
