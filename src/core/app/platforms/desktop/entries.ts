import { posix } from "node:path";
import { attributeOf, parseXml, textSite, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import { homeFill } from "../../template/addresses.ts";
import { type Fill, heldValues, type PictureUse, type SurveyPart } from "../../template/found.ts";
import { besideApp } from "../../template/named-text.ts";
import { pictureSize } from "../../template/picture-size.ts";
import { pictureUse } from "../../template/picture-use.ts";
import { shellIcon, shellSide } from "./catalog.ts";
import { aside, builders } from "./programs.ts";
import { buildVersions } from "./versions.ts";

const entryFile = /\.desktop(\.in)*$/;
const aboutFile = /\.(metainfo|appdata)\.xml(\.in)*$/;

/**
 * Surveys a program for Linux desktops by its entry and what software centres show of it (freedesktop.org, Desktop
 * Entry and AppStream): its names, whose it is, its icons. What it is identified by is its code's, and stays.
 */
export const surveyEntries: SurveyPart = (template) => {
  const files = template.list().filter((file) => !aside.test(file));
  const entries = files.filter((file) => entryFile.test(file) && isProgram(textIfAny(template.bytes(file)) ?? ""));
  if (entries.length === 0 || !files.some((file) => builders.test(file))) return undefined;
  const named = entries.flatMap((file) => namesIn(template, file));
  const longestFirst = named.map(({ site }) => site.value).sort((one, other) => other.length - one.length);
  const fills = [
    ...named.map((fill) => besideApp(fill, longestFirst)),
    ...files.filter((file) => aboutFile.test(file)).flatMap((file) => aboutIn(template, file)),
    ...buildVersions(template, files),
  ];
  return {
    platform: "desktop",
    folder: "",
    identifiers: [],
    names: heldValues(fills, "app.name"),
    fills,
    pictures: entries.flatMap((file) => iconsOf(template, files, file)),
    ...{ brandFiles: [], added: [], missing: [], gaps: [] },
  };
};

const isProgram = (text: string): boolean => /^\[Desktop Entry\]/m.test(text) && /^_?Type=Application\s*$/m.test(text);

/** The names of an entry, in every language; those of its actions are not the program's. */
function namesIn(template: Folder, file: string): Fill[] {
  const { text } = template.source(file);
  const end = text.indexOf("\n[Desktop Action");
  return [
    ...text
      .slice(0, end === -1 ? undefined : end)
      .matchAll(/^(_?Name(?:\[[\w@.-]+\])?[ \t]*=[ \t]*)(\S[^\r\n]*?)[ \t]*$/gm),
  ].map((match): Fill => {
    const [, before = "", value = ""] = match;
    const start = match.index + before.length;
    const site: Site = { file, start, end: start + value.length, value, form: "raw" };
    return { holds: "app.name", site, shape: "text" };
  });
}

/** What software centres show: the name in every language, who makes it, its page. */
function aboutIn(template: Folder, file: string): Fill[] {
  const root = orElse(
    attempt(() => parseXml(template.source(file))),
    undefined,
  );
  const fill = (holds: "app.name" | "owner", element: XmlElement | undefined): Fill[] => {
    const site = textSite(file, element);
    return site && site.value.trim() !== "" ? [{ holds, site, shape: "text" }] : [];
  };
  return (root?.children ?? []).flatMap((element): Fill[] => {
    const site = textSite(file, element);
    if (/^_?name$/.test(element.name)) return fill("app.name", element);
    if (/^_?developer_name$/.test(element.name)) return fill("owner", element);
    if (element.name === "developer")
      return element.children.flatMap((each) => (each.name === "name" ? fill("owner", each) : []));
    return element.name === "url" && attributeOf(element, "type") === "homepage" && site ? homeFill(site) : [];
  });
}

/** The pictures of the icon that an entry names, wherever the template keeps them. */
function iconsOf(template: Folder, files: readonly string[], file: string): PictureUse[] {
  const [, icon = ""] = /^_?Icon=(.+)$/m.exec(template.source(file).text) ?? [];
  const name = posix.basename(icon.trim()).replace(/\.(png|svg|xpm)$/, "");
  if (!/^[\w.@+-]{2,}$/.test(name) || name.includes("@")) return [];
  return files
    .filter((each) => /\.(png|svg)$/i.test(each) && posix.basename(each).replace(/\.\w+$/, "") === name)
    .flatMap((path) => pictureUse(shellIcon(pictureSize(template, path)?.width ?? shellSide), path) ?? []);
}
