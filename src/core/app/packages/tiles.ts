import type { PackageFiles } from "../../formats/archives/files.ts";
import { attributeOf, findAll, type XmlElement } from "../../formats/splice/formats/xml.ts";

/** Attributes and elements of a manifest that name pictures (Microsoft, app package manifest). */
const named = ["Square44x44Logo", "Square150x150Logo", "Logo"] as const;

/** The pictures that stand for an app, in all their sizes: a manifest names them without what tells these apart. */
export function iconsOf(files: PackageFiles, manifest: XmlElement): Map<string, Uint8Array> {
  const visual = findAll(manifest, "VisualElements");
  const bases = [
    ...visual.flatMap((each) => named.map((name) => attributeOf(each, name) ?? "")),
    ...findAll(manifest, "Logo").map(({ text }) => text.trim()),
  ].flatMap((path) => (path === "" ? [] : path.replaceAll("\\", "/").replace(/\.\w+$/, "")));
  const found = new Map<string, Uint8Array>();
  for (const name of files.names) {
    if (!bases.some((base) => name.startsWith(`${base}.`)) || !/\.(png|jpe?g)$/i.test(name)) continue;
    const bytes = files.read(name);
    if (bytes) found.set(name, bytes);
  }
  return found;
}
