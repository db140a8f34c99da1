import { textIfAny } from "../../ground/files/reading/folder.ts";
import { type ManifestElement, readBinaryXml } from "./binary-xml.ts";
import { readPropertyList } from "./property-list.ts";
import { chunksIn, chunkTypes, stringsOf } from "./string-pool.ts";

/** What a file of a package says, as text in the form that its source has; undefined where it is code or a picture. */
export function saidIn(name: string, bytes: Uint8Array): string | undefined {
  if (name.endsWith(".arsc")) return valuesOf(bytes)?.join("\n");
  if (/\.xml$/i.test(name)) {
    const root = readBinaryXml(bytes);
    if (root) return written(root);
  }
  if (/\.(plist|strings)$/i.test(name)) {
    const list = readPropertyList(bytes);
    if (list) return JSON.stringify(list, null, 1);
  }
  return textIfAny(bytes);
}

/** Whether nobody reads a file as text: what signs the package, and code. */
export const isUnsaid = (name: string): boolean =>
  /^(META-INF|_CodeSignature)\/|\.(dex|so|dylib|car|pb|RSA|EC|SF|MF)$/.test(name);

/** The values of a compiled table (resources.arsc), without those that name its own files. */
function valuesOf(bytes: Uint8Array): string[] | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [whole] = chunksIn(view, 0, bytes.length);
  if (whole?.type !== chunkTypes.table) return undefined;
  // The first pool has the values; those of its packages have the names by which code calls them.
  const [pool] = chunksIn(view, whole.body, whole.end);
  if (pool?.type !== chunkTypes.strings) return undefined;
  const strings = stringsOf(view, pool);
  const all: string[] = [];
  for (let index = 0; ; index++) {
    const value = strings(index);
    if (value === undefined) return all;
    if (!/^res\/|^[\w./-]+\.(xml|png|webp|jpg|ttf|otf)$/.test(value)) all.push(value);
  }
}

/** An element as its source had it; all attributes are the system's, as nearly all are. */
function written({ name, attributes, children }: ManifestElement, depth = 0): string {
  const own = [...attributes].map(([key, { text }]) => ` ${key === "package" ? key : `android:${key}`}="${text}"`);
  const inner = children.map((each) => written(each, depth + 1)).join("");
  return `${" ".repeat(depth)}<${name}${own.join("")}>\n${inner}`;
}
