import { posix } from "node:path";
import { attributeOf, parseXml, textSite, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import { withoutBuildEnding } from "../../../formats/splice/known-ending.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { homeFill } from "../../template/addresses.ts";
import { aside, builders } from "../../template/builders.ts";
import { type Fill, heldValues, type PictureUse, type SurveyPart } from "../../template/found.ts";
import { besideApp, namedText } from "../../template/named-text.ts";
import { pictureSize } from "../../template/picture-size.ts";
import { pictureUse } from "../../template/picture-use.ts";
import { shellIcon, shellSide } from "./catalog.ts";
import { isAboutProgram, isHiddenEntry } from "./programs.ts";
import { buildVersions } from "./versions.ts";

const entryFile = /\.desktop(\.in)*$/;
const aboutFile = /\.(metainfo|appdata)\.xml(\.in)*$/;

/**
 * Surveys a program for Linux desktops by its entry and what software centres show of it (freedesktop.org, Desktop
 * Entry and AppStream): its names, whose it is, its icons. What it is identified by is its code's, and stays.
 */
export const surveyEntries: SurveyPart = (template) => {
  const files = template.list().filter((file) => !aside.test(file));
  const entries = entriesIn(template, files);
  if (entries.length === 0 || !files.some((file) => builders.test(file))) return undefined;
  const about = files
    .filter((file) => aboutFile.test(file) && isAboutProgram(textOf(template, file)?.text ?? ""))
    .flatMap((file) => aboutIn(template, file));
  const { fills: named, gaps } = namesOfPrograms(template, entries);
  const fills = [...named, ...besideFirst(about), ...buildVersions(template, files)];
  return {
    platform: "desktop",
    folder: "",
    identifiers: [],
    names: [...new Set([...heldValues(fills, "app.name"), ...gaps.map(({ name }) => name)])],
    fills,
    pictures: iconsOf(template, files, new Set(entries.flatMap((file) => iconNamed(template, file) ?? []))),
    ...{ brandFiles: [], added: [], missing: [], gaps: gaps.map(({ gap }) => gap) },
  };
};

const entriesIn = (template: Folder, files: readonly string[]): string[] =>
  files.filter((file) => entryFile.test(file) && isProgram(textOf(template, file)?.text ?? ""));

/** Entries and files of parts of the app, in words of their own: what they say says nothing of the template. */
export function entriesOfParts(template: Folder, files: readonly string[]): string[] {
  const [app, ...others] = appFirst(template, entriesIn(template, files));
  const names = app === undefined ? [] : namesIn(template, app).map(({ site }) => site.value);
  const additions = files.filter((file) => aboutFile.test(file) && !isAboutProgram(textOf(template, file)?.text ?? ""));
  const parts = others.filter(
    (file) =>
      isOfApp(template, file, app) && !namesIn(template, file).some((fill) => asAppIs(fill, names) !== undefined),
  );
  return [...parts, ...additions];
}

const isProgram = (text: string): boolean => /^\[Desktop Entry\]/m.test(text) && /^_?Type=Application\s*$/m.test(text);

/** What further programs are called in software centres keeps what tells them apart, "Client" of "Crate Client". */
function besideFirst(about: readonly Fill[]): Fill[] {
  const names = about.flatMap(({ holds, site }) => (holds === "app.name" ? [site.value] : []));
  const shortestFirst = [...new Set(names)].sort((one, other) => one.length - other.length);
  return about.map((fill) => (fill.holds === "app.name" ? besideApp(fill, shortestFirst) : fill));
}

/** A program that keeps a name of its own, and that it does. */
interface OwnName {
  name: string;
  gap: Problem;
}

/**
 * The names of a template's programs. The first is the app; others that are called by its name keep what tells them
 * apart, and those with a name of their own keep that.
 */
function namesOfPrograms(template: Folder, entries: readonly string[]): { fills: Fill[]; gaps: OwnName[] } {
  const [app, ...others] = appFirst(template, entries);
  const own = app === undefined ? [] : namesIn(template, app);
  const longestFirst = own.map(({ site }) => site.value).sort((one, other) => other.length - one.length);
  const fills = own.map((fill) => besideApp(fill, longestFirst));
  const gaps: OwnName[] = [];
  for (const file of others) {
    const names = namesIn(template, file);
    const called = names.map((fill) => asAppIs(fill, longestFirst));
    fills.push(...called.flatMap((fill) => fill ?? []));
    const [first] = names;
    if (called[0] || !first || isOfApp(template, file, app)) continue;
    const message = `Desktop: another program is called "${first.site.value}", and keeps that name.`;
    const place = placeAt(template.source(file), first.site.start);
    gaps.push({ name: first.site.value, gap: problem("template-gap", message, { severity: "warning", place }) });
  }
  return { fills, gaps };
}

/** A name within which the app's stands, in whatever place. */
function asAppIs(fill: Fill, names: readonly string[]): Fill | undefined {
  const { value } = fill.site;
  if (names.includes(value)) return fill;
  const beside = besideApp(fill, names);
  return beside.after === undefined ? namedText(fill.site, names)[0] : beside;
}

const stemOf = (file: string): string => posix.basename(file).replace(entryFile, "");

/**
 * Entries with the app's own in front: what others are called after, then what most files are called after, then the
 * one that lies nearest the top.
 */
function appFirst(template: Folder, entries: readonly string[]): string[] {
  if (entries.length < 2) return [...entries];
  const paths = template.list().map((file) => file.toLowerCase());
  const ranked = entries.map((file) => {
    const stem = stemOf(file);
    const last = stem.slice(stem.lastIndexOf(".") + 1).toLowerCase();
    return {
      file,
      followers: entries.filter((other) => stemOf(other).startsWith(stem)).length,
      named: paths.filter((path) => path.includes(last)).length,
      depth: file.split("/").length,
    };
  });
  return ranked
    .sort((one, other) => other.followers - one.followers || other.named - one.named || one.depth - other.depth)
    .map(({ file }) => file);
}

/** Whether an entry starts the same program as the app's, or is in no menu: its name is a part's of the app. */
function isOfApp(template: Folder, file: string, app: string | undefined): boolean {
  const { text } = template.source(file);
  const programOf = (of: string) => /^Exec=\s*"?([^\s"%]+)/m.exec(of)?.[1];
  return isHiddenEntry(text) || (app !== undefined && programOf(text) === programOf(template.source(app).text));
}

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

/** What the icon is called that an entry names; where a build puts that in, it is called as the entry is. */
function iconNamed(template: Folder, file: string): string | undefined {
  const [, icon = ""] = /^_?Icon=(.+)$/m.exec(template.source(file).text) ?? [];
  const said = posix.basename(icon.trim()).replace(/\.(png|svg|xpm)$/, "");
  const name = /[@$]/.test(said) ? posix.basename(withoutBuildEnding(file)).replace(/\.desktop$/, "") : said;
  return /^[\w.+-]{2,}$/.test(name) ? name : undefined;
}

/** The pictures of these icons, wherever the template keeps them. */
const iconsOf = (template: Folder, files: readonly string[], icons: ReadonlySet<string>): PictureUse[] =>
  files
    .filter((each) => /\.(png|svg)$/i.test(each))
    .flatMap((path) => {
      const stem = posix.basename(path).replace(/\.\w+$/, "");
      const width = [...icons].some((icon) => stem.includes(icon)) ? pictureSize(template, path)?.width : undefined;
      const isIcon = [...icons].some((icon) => isCalledAs(stem, icon, width));
      return isIcon ? (pictureUse(shellIcon(width ?? shellSide), path) ?? []) : [];
    });

/** Whether a picture is called as an icon is: by its name, with its size behind that, or as a theme has it. */
function isCalledAs(stem: string, icon: string, width: number | undefined): boolean {
  const [, side] = /^[-_.]?(\d+)(?:x\d+)?$/.exec(stem.startsWith(icon) ? stem.slice(icon.length) : "") ?? [];
  return (
    stem === icon || (side !== undefined && Number(side) === width) || /^(\d+|sc)-apps-(.+)$/.exec(stem)?.[2] === icon
  );
}
