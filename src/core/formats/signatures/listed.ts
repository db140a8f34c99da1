import { createHash } from "node:crypto";
import { readSignature } from "../../ground/certificates/signature.ts";
import { mostOf, type PackageFiles } from "../archives/files.ts";

/** The certificate of whoever signed a package by a list of its files, and whether all is as it was signed. */
export interface ListSigner {
  /** DER. */
  certificate: Uint8Array;
  holds: boolean | undefined;
}

/** Digests of a list, by how it calls them (JAR File Specification, "Signed JAR File"). */
const digests: Readonly<Record<string, string>> = { "SHA-256": "sha256", "SHA-512": "sha512", SHA1: "sha1" };

/** The signature in META-INF, as bundles and packages for older systems have it; undefined where there is none. */
export async function listSignerOf(files: PackageFiles): Promise<ListSigner | undefined> {
  const block = files.names.find((name) => /^META-INF\/[^/]+\.(RSA|EC|DSA)$/i.test(name));
  const signed = block === undefined ? undefined : files.read(block);
  const signature = signed && (await readSignature(signed));
  if (block === undefined || !signature) return undefined;
  const sums = files.read(block.replace(/\.\w+$/, ".SF"));
  const list = files.read("META-INF/MANIFEST.MF");
  const isOver = sums ? signature.isOver(sums) : false;
  const holds =
    isOver === true && sums && list
      ? namesList(sums, list) && areAsListed(files, list)
      : isOver === undefined && undefined;
  return { certificate: signature.certificate, holds };
}

/** Whether what is signed is about this very list. */
function namesList(sums: Uint8Array, list: Uint8Array): boolean {
  const [main] = sectionsOf(sums);
  return [...(main ?? [])].some(([key, value]) => {
    const hash = digests[key.replace(/-Digest-Manifest$/, "")];
    return key.endsWith("-Digest-Manifest") && hash !== undefined && sumOf(hash, list) === value;
  });
}

/** Whether every file is in the list, and as the list says; undefined where it is too much to look at. */
function areAsListed(files: PackageFiles, list: Uint8Array): boolean | undefined {
  const known = new Map(
    sectionsOf(list).flatMap((each) => (each.has("Name") ? [[each.get("Name"), each] as const] : [])),
  );
  const isListed = (name: string) => !name.startsWith("META-INF/") && !name.endsWith("/");
  const { files: all, left } = files.readAll(isListed, mostOf.held);
  const areSame = Object.entries(all).every(([name, content]) =>
    [...(known.get(name) ?? [])].some(([key, value]) => {
      const hash = digests[key.replace(/-Digest$/, "")];
      return hash !== undefined && sumOf(hash, content) === value;
    }),
  );
  return areSame && left > 0 ? undefined : areSame;
}

const sumOf = (hash: string, bytes: Uint8Array): string => createHash(hash).update(bytes).digest("base64");

/** Sections of a list, each its values by their keys; a line that begins with a blank goes on. */
function sectionsOf(bytes: Uint8Array): Map<string, string>[] {
  const text = Buffer.from(bytes)
    .toString()
    .replace(/\r?\n /g, "");
  return text.split(/(?:\r?\n){2,}/).map(
    (section) =>
      new Map(
        section.split(/\r?\n/).flatMap((line) => {
          const at = line.indexOf(": ");
          return at === -1 ? [] : [[line.slice(0, at), line.slice(at + 2)] as const];
        }),
      ),
  );
}
