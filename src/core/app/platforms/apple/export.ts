import { plistStart } from "../../../formats/splice/formats/plist.ts";
import { parseXml } from "../../../formats/splice/formats/xml.ts";
import { emptySite, type Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Fill } from "../../template/found.ts";

/** Says whether an app uses encryption that needs papers: without it the store asks at each upload. */
const key = "ITSAppUsesNonExemptEncryption";

/** Where an app's property list says which encryption it uses; a place for it, where it does not say. */
export function encryptionFill(template: Folder, file: string): Fill[] {
  const source = template.source(file);
  const children = parseXml(source).children[0]?.children ?? [];
  const at = children.findIndex(({ name, text }) => name === "key" && text === key);
  if (at === -1) {
    const start = plistStart(source);
    if (start === undefined) return [];
    const opens = `\n\t<key>${key}</key>\n\t<`;
    return [
      {
        holds: "apple.encryption",
        site: emptySite(file, start, "raw"),
        shape: "text",
        opens,
        closes: "/>",
      },
    ];
  }
  const value = children[at + 1];
  if (!value || (value.name !== "true" && value.name !== "false")) return [];
  const start = value.start + 1;
  const site: Site = { file, start, end: start + value.name.length, value: value.name, form: "raw" };
  return [{ holds: "apple.encryption", site, shape: "text" }];
}
