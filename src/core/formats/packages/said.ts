import { textIfAny } from "../../ground/files/reading/folder.ts";
import { type ManifestElement, readBinaryXml } from "./binary-xml.ts";
import { textsOfCode } from "./dex.ts";
import { readPropertyList } from "./property-list.ts";
import { readProtoXml } from "./proto-xml.ts";
import { openMessages } from "./resource-messages.ts";
import { openTable } from "./resource-table.ts";

/** What a file of a package says, as text in the form of its source; undefined where it is a program or a picture. */
export function saidIn(name: string, bytes: Uint8Array): string | undefined {
  if (name.endsWith(".arsc")) return linesOf(openTable(bytes)?.texts());
  if (name.endsWith("resources.pb")) return linesOf(openMessages(bytes)?.texts());
  if (name.endsWith(".dex")) return textsOfCode(bytes)?.join("\n");
  if (/\.xml$/i.test(name)) {
    const text = textIfAny(bytes);
    const root = text?.trimStart().startsWith("<") ? undefined : (readBinaryXml(bytes) ?? readProtoXml(bytes));
    if (root) return written(root);
  }
  if (/\.(plist|strings)$/i.test(name)) {
    const list = readPropertyList(bytes);
    if (list) return JSON.stringify(list, null, 1);
  }
  return textIfAny(bytes);
}

/** Whether nobody reads a file as text: what signs the package, and what its own tools keep. */
export const isUnsaid = (name: string): boolean =>
  /^(META-INF|_CodeSignature)\/|\/_CodeSignature\/|(^|\/)(BundleConfig|native|assets)\.pb$|\.(RSA|EC|SF|MF|p7x)$/.test(
    name,
  );

/** Texts, without those that name the package's own files. */
const linesOf = (texts: readonly string[] | undefined): string | undefined =>
  texts?.filter((each) => !/^res\/|^[\w./-]+\.(xml|png|webp|jpg|ttf|otf)$/.test(each)).join("\n");

/** An element as its source had it; all attributes are the system's, as nearly all are. */
function written({ name, attributes, children }: ManifestElement, depth = 0): string {
  const own = [...attributes].map(([key, { text }]) => ` ${key === "package" ? key : `android:${key}`}="${text}"`);
  const inner = children.map((each) => written(each, depth + 1)).join("");
  return `${" ".repeat(depth)}<${name}${own.join("")}>\n${inner}`;
}
