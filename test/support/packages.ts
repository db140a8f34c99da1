import { createHash, sign, X509Certificate } from "node:crypto";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { deflateSync, inflateSync } from "node:zlib";
import { zipSync } from "fflate";
import { build } from "plist";
import { NtExecutable, NtExecutableResource, Resource } from "resedit";
import { temporaryFolder } from "./oxalis.ts";
import { tool } from "./tools.ts";

export const framework = "/usr/share/android-framework-res/framework-res.apk";

/** Writes files into a new folder. */
export function folderOf(files: Readonly<Record<string, string | Uint8Array>>): string {
  const at = temporaryFolder();
  for (const [name, content] of Object.entries(files)) {
    mkdirSync(dirname(join(at, name)), { recursive: true });
    writeFileSync(join(at, name), content);
  }
  return at;
}

/** A key and its certificate, by openssl. */
export function signingPair(kind: "rsa" | "ec" = "rsa"): { key: string; certificate: string } {
  const at = temporaryFolder();
  const [key, certificate] = [join(at, "k.pem"), join(at, "c.pem")];
  const made = kind === "rsa" ? ["rsa:2048"] : ["ec", "-pkeyopt", "ec_paramgen_curve:P-256"];
  const given = ["-subj", "/CN=Hill", "-days", "900", "-addext", "extendedKeyUsage=codeSigning"];
  tool("openssl", ["req", "-x509", "-newkey", ...made, "-nodes", "-keyout", key, "-out", certificate, ...given]);
  return { key, certificate };
}

/** The same in the form that apksigner takes: PKCS #8 and DER. */
export function asParts({ key, certificate }: { key: string; certificate: string }): string[] {
  const der = key.replace("k.pem", "k.der");
  tool("openssl", ["pkcs8", "-topk8", "-nocrypt", "-in", key, "-outform", "der", "-out", der]);
  return ["--key", der, "--cert", certificate];
}

/** A Windows package with its block map, as Microsoft describes them. */
export function windowsPackage(): Buffer {
  const manifest = Buffer.from(
    `<?xml version="1.0" encoding="utf-8"?><Package xmlns="http://schemas.microsoft.com/appx/manifest/foundation/windows10"><Identity Name="Hill.Farm" Publisher="CN=Hill" Version="1.2.7.0"/><Properties><DisplayName>Hill</DisplayName></Properties></Package>`,
  );
  const sum = createHash("sha256").update(manifest).digest("base64");
  const map = `<?xml version="1.0" encoding="UTF-8"?><BlockMap xmlns="http://schemas.microsoft.com/appx/2010/blockmap" HashMethod="http://www.w3.org/2001/04/xmlenc#sha256"><File Name="AppxManifest.xml" Size="${manifest.length}" LfhSize="46"><Block Hash="${sum}"/></File></BlockMap>`;
  const types = `<?xml version="1.0" encoding="UTF-8"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default ContentType="application/vnd.ms-appx.manifest+xml" Extension="xml"/><Override PartName="/AppxBlockMap.xml" ContentType="application/vnd.ms-appx.blockmap+xml"/></Types>`;
  const files = { "AppxManifest.xml": manifest, "AppxBlockMap.xml": map, "[Content_Types].xml": types };
  return Buffer.from(
    zipSync(Object.fromEntries(Object.entries(files).map(([name, each]) => [name, Buffer.from(each)])), { level: 0 }),
  );
}

/** A program for Windows without code, which says what it is. */
export function windowsProgram(): Buffer {
  const program = NtExecutable.createEmpty(false, false);
  const resources = NtExecutableResource.from(program);
  const version = Resource.VersionInfo.createEmpty();
  version.setStringValues(
    { lang: 1033, codepage: 1200 },
    { ProductName: "Hill", CompanyName: "Hill Ltd", ProductVersion: "1.2.0.0" },
  );
  version.outputToResourceEntries(resources.entries);
  resources.outputResource(program);
  return Buffer.from(program.generate());
}

/** Signs by osslsigncode, and lets it verify what it has signed. */
export function signedForWindows(file: Buffer, ending: string, { key, certificate }: ReturnType<typeof signingPair>) {
  const at = folderOf({ [`in.${ending}`]: file });
  const [from, to] = [join(at, `in.${ending}`), join(at, `out.${ending}`)];
  tool("osslsigncode", ["sign", "-certs", certificate, "-key", key, "-h", "sha256", "-in", from, "-out", to]);
  tool("osslsigncode", ["verify", "-CAfile", certificate, "-in", to]);
  return readFileSync(to);
}

export const macList = (more: Record<string, string> = {}): string =>
  build({
    ...{ CFBundleIdentifier: "example.hill", CFBundleName: "Hill", CFBundleExecutable: "Hill" },
    ...{ CFBundleShortVersionString: "1.2.0", CFBundleVersion: "7", ...more },
  });

const page = 4096;

/** A signed program for Apple's systems, put together as its headers describe it; its message is signed by openssl. */
export function appleProgram(
  entitlements: Record<string, unknown>,
  { key, certificate }: ReturnType<typeof signingPair>,
  besides: { list: string; resources: string },
): Buffer {
  const code = Buffer.alloc(2 * page + 500, 7);
  const sums: Buffer[] = [];
  for (let at = 0; at < code.length; at += page) sums.push(sha256(code.subarray(at, at + page)));
  const own = blob(0xfade7171, Buffer.from(build(entitlements as never)));
  // Counted back from the pages: entitlements, nothing, resources, requirements, the list.
  const slots = [sha256(own), Buffer.alloc(32), sha256(besides.resources), Buffer.alloc(32), sha256(besides.list)];
  const sizeBefore = 52;
  const names = Buffer.from("example.hill\0AB12CD34EF\0");
  // The command that says where the signature lies is itself signed.
  const header = Buffer.alloc(48);
  header.writeUInt32LE(0xfeedfacf, 0);
  header.writeUInt32LE(1, 16);
  header.writeUInt32LE(0x1d, 32);
  header.writeUInt32LE(16, 36);
  header.writeUInt32LE(code.length, 40);
  const whole = (message: Buffer, size: number): Buffer => {
    header.writeUInt32LE(size, 44);
    header.copy(code);
    sums[0] = sha256(code.subarray(0, page));
    const head = Buffer.alloc(sizeBefore - 8);
    for (const [at, value] of [
      [0, 0x20200],
      [8, sizeBefore + names.length + slots.length * 32],
      [12, sizeBefore],
      [16, slots.length],
      [20, sums.length],
      [24, code.length],
      [40, sizeBefore + 13],
    ] as const)
      head.writeUInt32BE(value, at);
    head.set([32, 2, 0, 12], 28);
    const directory = blob(0xfade0c02, Buffer.concat([head, names, ...slots, ...sums]));
    const signed = message.length > 0 ? message : signedMessage(directory, { key, certificate });
    const parts = [directory, own, blob(0xfade0b01, signed)];
    const index = Buffer.alloc(12 + 24);
    index.writeUInt32BE(0xfade0cc0, 0);
    index.writeUInt32BE(3, 8);
    let at = index.length;
    for (const [each, type] of [0, 5, 0x10000].entries()) {
      index.writeUInt32BE(type, 12 + each * 8);
      index.writeUInt32BE(at, 16 + each * 8);
      at += parts[each]?.length ?? 0;
    }
    index.writeUInt32BE(at, 4);
    return Buffer.concat([index, ...parts]);
  };
  const size = whole(Buffer.alloc(0), 0).length;
  const signature = whole(Buffer.alloc(0), size);
  return Buffer.concat([code, signature]);
}

function signedMessage(content: Buffer, { key, certificate }: ReturnType<typeof signingPair>): Buffer {
  const at = folderOf({ content });
  const out = join(at, "message");
  const given = ["-binary", "-md", "sha256", "-outform", "der", "-in", join(at, "content"), "-out", out];
  tool("openssl", ["cms", "-sign", "-signer", certificate, "-inkey", key, ...given]);
  return readFileSync(out);
}

const sha256 = (bytes: string | Uint8Array): Buffer => createHash("sha256").update(bytes).digest();

function blob(magic: number, content: Uint8Array): Buffer {
  const head = Buffer.alloc(8);
  head.writeUInt32BE(magic, 0);
  head.writeUInt32BE(8 + content.length, 4);
  return Buffer.concat([head, content]);
}

/** An installer for the Mac with a signature over the sum of its table, as such archives are signed (xar, RSA). */
export function signedInstaller(plain: Buffer, { key, certificate }: ReturnType<typeof signingPair>): Buffer {
  const [header, packed] = [plain.readUInt16BE(4), Number(plain.readBigUInt64BE(8))];
  const table = inflateSync(plain.subarray(header, header + packed)).toString();
  const heap = Buffer.from(plain.subarray(header + packed));
  const der = new X509Certificate(readFileSync(certificate)).raw.toString("base64");
  const signature = `<signature style="RSA"><offset>${heap.length}</offset><size>256</size><KeyInfo><X509Data><X509Certificate>${der}</X509Certificate></X509Data></KeyInfo></signature>`;
  const written = deflateSync(table.replace("</checksum>", `</checksum>${signature}`));
  createHash("sha1").update(written).digest().copy(heap, 0);
  const head = Buffer.from(plain.subarray(0, header));
  head.writeBigUInt64BE(BigInt(written.length), 8);
  head.writeBigUInt64BE(BigInt(table.length + signature.length), 16);
  return Buffer.concat([head, written, heap, sign("sha1", written, readFileSync(key))]);
}
