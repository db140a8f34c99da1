import { joinedFiles, type PackageFiles } from "../../formats/archives/files.ts";
import { openZip } from "../../formats/archives/zip.ts";
import { attributeOf, find, findAll } from "../../formats/splice/formats/xml.ts";
import type { OpenedPackage } from "./facts.ts";
import { changedBlocks, readWindowsPackage, signedBy, xmlIn } from "./windows.ts";

/** What lists a bundle's packages (Microsoft, bundle manifest schema). */
const manifest = "AppxMetadata/AppxBundleManifest.xml";

/** A package a processor and one a language and a size of pictures: no bundle has more. */
const mostPackages = 100;

const isPackage = (name: string): boolean => /\.(msix|appx)$/i.test(name);

/**
 * What a Windows bundle says of itself, one package a processor and those of its resources within; or what is sent to
 * the store, with a bundle or a package in it. Undefined where it is neither.
 */
export async function readWindowsBundle(files: PackageFiles): Promise<OpenedPackage | undefined> {
  const sent = files.names.filter((name) => /\.(msix|appx)(bundle)?$/i.test(name));
  const root = xmlIn(files, manifest);
  const identity = root && find(root, "Identity");
  if (!root || !identity) return sent.length === 1 ? readSent(files, sent[0] ?? "") : undefined;
  const said = findAll(root, "Package")
    .slice(0, mostPackages)
    .map((each) => ({
      file: attributeOf(each, "FileName") ?? "",
      isApp: attributeOf(each, "Type")?.toLowerCase() === "application",
      version: attributeOf(each, "Version") ?? "",
    }));
  const inner: { file: string; files: PackageFiles; opened: OpenedPackage | undefined; isApp: boolean }[] = [];
  const odd: string[] = [];
  for (const { file, isApp, version } of said) {
    if (inner.some((each) => each.file === file)) continue;
    const bytes = files.read(file);
    const own = bytes && openZip(bytes);
    if (!own) continue;
    const opened = await readWindowsPackage(own);
    inner.push({ file, files: own, opened, isApp });
    const isSame =
      opened?.facts.identifier === attributeOf(identity, "Name") &&
      opened?.facts.publisher === attributeOf(identity, "Publisher") &&
      opened?.facts.version === version;
    if (!isSame) odd.push(`${file} (another name, publisher or version than the bundle says)`);
  }
  const main = inner.find(({ isApp, opened }) => isApp && opened)?.opened;
  if (!main) return undefined;
  const listed = new Set(said.map(({ file }) => file));
  const prefixed = inner.map((each) => [`${each.file}/`, each.files] as const);
  return {
    facts: {
      ...main.facts,
      kind: "msixbundle",
      ...(await signedBy(files)),
      symbols: inner.flatMap(({ opened }) => opened?.facts.symbols ?? []),
      odd: [
        ...odd,
        // Packages have block maps of their own.
        ...[...files.odd, ...changedBlocks(files)].filter((name) => !listed.has(name)),
        ...inner.flatMap(({ file, opened }) => (opened?.facts.odd ?? []).map((name) => `${file}/${name}`)),
      ],
      closed: files.names.filter((name) => isPackage(name) && !inner.some(({ file }) => file === name)),
      files: inner.reduce((sum, { files: own }) => sum + own.names.length, files.names.length),
    },
    files: joinedFiles([["", files, (name) => !listed.has(name)], ...prefixed]),
    icons: new Map(
      inner.flatMap(({ file, opened }) => [...(opened?.icons ?? [])].map(([name, own]) => [`${file}/${name}`, own])),
    ),
  };
}

/** What is sent to the store: a bundle or a package, with its symbols beside. */
async function readSent(files: PackageFiles, name: string): Promise<OpenedPackage | undefined> {
  const bytes = files.read(name);
  const own = bytes && openZip(bytes);
  const opened = own && ((await readWindowsPackage(own)) ?? (await readWindowsBundle(own)));
  if (!opened) return undefined;
  const symbols = files.names.filter((each) => /\.appxsym$/i.test(each));
  return { ...opened, facts: { ...opened.facts, symbols: [...opened.facts.symbols, ...symbols] } };
}
