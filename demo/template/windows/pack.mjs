// Packs the app for Windows on a machine without Microsoft's tools: node pack.mjs out/shop.msix
// There is no compiler here and no resource index: the package holds the manifest and its pictures, and no program.
import { createHash } from "node:crypto";
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { crc32 } from "node:zlib";

const blockSize = 65_536;
const strings = readFileSync("Strings/en/Resources.resw", "utf8");

/** What the index would say of a text. */
const text = (name) => new RegExp(`<data name="${name}"[^>]*>\\s*<value>([^<]*)</value>`).exec(strings)?.[1] ?? name;

const manifest = readFileSync("Package.appxmanifest", "utf8")
  .replace(/ms-resource:(\w+)/g, (_, name) => text(name))
  .replace("$targetnametoken$", "Storefront")
  .replace("$targetentrypoint$", "Windows.FullTrustApplication");
const parts = [
  ...readdirSync("Visuals").map((name) => [`Visuals/${name}`, readFileSync(`Visuals/${name}`)]),
  ["AppxManifest.xml", Buffer.from(manifest)],
];

const blocksOf = (content) => {
  const blocks = [];
  for (let at = 0; at < content.length; at += blockSize)
    blocks.push(createHash("sha256").update(content.subarray(at, at + blockSize)).digest("base64"));
  return blocks.map((hash) => `<Block Hash="${hash}"/>`).join("");
};
const files = parts.map(
  ([name, content]) =>
    `<File Name="${name.replaceAll("/", "\\")}" Size="${content.length}" LfhSize="${30 + Buffer.byteLength(name)}">${blocksOf(content)}</File>`,
);
const head = '<?xml version="1.0" encoding="UTF-8" standalone="no"?>\n';
parts.push([
  "AppxBlockMap.xml",
  Buffer.from(
    `${head}<BlockMap xmlns="http://schemas.microsoft.com/appx/2010/blockmap" HashMethod="http://www.w3.org/2001/04/xmlenc#sha256">${files.join("")}</BlockMap>`,
  ),
]);
const types = [
  ["Default", 'ContentType="image/png" Extension="png"'],
  ["Default", 'ContentType="application/vnd.ms-appx.manifest+xml" Extension="xml"'],
  ["Override", 'ContentType="application/vnd.ms-appx.blockmap+xml" PartName="/AppxBlockMap.xml"'],
];
parts.push([
  "[Content_Types].xml",
  Buffer.from(
    `${head}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">${types.map(([tag, says]) => `<${tag} ${says}/>`).join("")}</Types>`,
  ),
]);

/** The fields that a part has before its content and in the list at the end, as ZIP files have them. */
const fields = (name, content) => {
  const each = Buffer.alloc(26);
  each.writeUInt16LE(20, 0);
  each.writeUInt32LE(0x00210000, 6); // the first day that there is
  each.writeUInt32LE(crc32(content), 10);
  each.writeUInt32LE(content.length, 14);
  each.writeUInt32LE(content.length, 18);
  each.writeUInt16LE(Buffer.byteLength(name), 22);
  return each;
};
const pieces = [];
const list = [];
let offset = 0;
for (const [name, content] of parts) {
  const piece = Buffer.concat([Buffer.from("PK\x03\x04"), fields(name, content), Buffer.from(name), content]);
  const place = Buffer.alloc(14);
  place.writeUInt32LE(offset, 10);
  list.push(Buffer.from("PK\x01\x02\x14\x00"), fields(name, content), place, Buffer.from(name));
  pieces.push(piece);
  offset += piece.length;
}
const listed = Buffer.concat(list);
const end = Buffer.alloc(22);
end.write("PK\x05\x06");
end.writeUInt16LE(parts.length, 8);
end.writeUInt16LE(parts.length, 10);
end.writeUInt32LE(listed.length, 12);
end.writeUInt32LE(offset, 16);
mkdirSync(dirname(process.argv[2]), { recursive: true });
writeFileSync(process.argv[2], Buffer.concat([...pieces, listed, end]));
