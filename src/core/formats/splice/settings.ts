import { getNodePath, type Node as JsonNode } from "jsonc-parser";
import { isMap, isScalar, isSeq, parseDocument, type Node as YamlNode } from "yaml";
import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { parsedOnce } from "../../ground/files/reading/parsed-once.ts";
import { attempt, orElse } from "../../ground/problems/result.ts";
import type { Source } from "../../ground/values/source.ts";
import { codeParts, isCode } from "./formats/code.ts";
import { iniSettings } from "./formats/ini.ts";
import { memberSite, nodeSite, parseJson } from "./formats/json.ts";
import { lineSites } from "./formats/lines.ts";
import { tomlStrings } from "./formats/toml.ts";
import { yamlFiles } from "./known-ending.ts";
import { emptySite, type Site } from "./site.ts";

/** A value within a file of settings, and the keys that lead to it. */
export interface Setting {
  path: readonly string[];
  site: Site;
}

/** A group of settings, and how a further one is put into it. */
export interface Group {
  path: readonly string[];
  members: readonly string[];
  /** The place of a new member, and what stands around its value. */
  place(name: string): { site: Site; opens: string; closes: string };
}

/** A file of settings in whatever form: JSON, YAML or code. */
export interface Settings {
  file: string;
  values: readonly Setting[];
  groups: readonly Group[];
}

const forms: readonly { file: RegExp; read: (source: Source) => Omit<Settings, "file"> }[] = [
  { file: /\.(json|jsonc|webmanifest|webapp)$/, read: parsedOnce(ofJson) },
  { file: yamlFiles, read: parsedOnce(ofYaml) },
  { file: /\.([cm]?[jt]s|[jt]sx)$/, read: parsedOnce(ofCode) },
  {
    file: /\.(cfg|godot)$|(^|\/)(buildozer\.spec|game\.project|Config\/Default\w+\.ini)$/,
    read: parsedOnce(ofSections),
  },
  { file: /(^|\/)robovm\.properties$/, read: parsedOnce(ofLines) },
  { file: /(^|\/)Cargo\.toml$/, read: parsedOnce(ofTables) },
];

/** Opens a file of settings; undefined where it is of another form, or cannot be read as its own. */
export function openSettings(template: Pick<Folder, "bytes" | "source">, file: string): Settings | undefined {
  const form = forms.find((each) => each.file.test(file));
  if (!form || textIfAny(template.bytes(file)) === undefined) return undefined;
  const read = attempt((): Settings => {
    const { values, groups } = form.read(template.source(file));
    const here = (site: Site): Site => ({ ...site, file });
    return {
      file,
      values: values.map(({ path, site }) => ({ path, site: here(site) })),
      groups: groups.map((group) => ({
        ...group,
        place: (name) => {
          const { site, opens, closes } = group.place(name);
          return { site: here(site), opens, closes };
        },
      })),
    };
  });
  return orElse(read, undefined);
}

/** A key and a value a line (Java, "Properties"). */
function ofLines(source: Source): Omit<Settings, "file"> {
  const values = lineSites(source.file, source, "properties").map(({ key, site }) => ({ path: key.split("."), site }));
  return { values, groups: [groupIn(source, [], [...new Set(values.flatMap(({ path: [first] }) => first ?? []))])] };
}

/** A group of a form into which nothing is put. */
const groupIn = ({ file, text }: Source, path: readonly string[], members: readonly string[]): Group => ({
  ...{ path, members },
  place: () => ({ site: emptySite(file, text.length, "raw"), opens: "", closes: "" }),
});

/** Texts of tables (TOML); a table is a group by its whole name. */
function ofTables(source: Source): Omit<Settings, "file"> {
  const all = tomlStrings(source.file, source);
  const values = all.map(({ table, key, site }) => ({ path: [...table.split("."), ...key.split(".")], site }));
  const tables = [...new Set(all.map(({ table }) => table))];
  const groups = tables.map((table) => groupIn(source, table.split("."), []));
  return { values, groups: [groupIn(source, [], tables), ...groups] };
}

function ofJson(source: Source): Omit<Settings, "file"> {
  const values: Setting[] = [];
  const groups: Group[] = [];
  const visit = (node: JsonNode): void => {
    if (node.type === "string") values.push({ path: pathTo(node), site: nodeSite(source.file, node) });
    if (node.type === "number")
      values.push({ path: pathTo(node), site: { ...nodeSite(source.file, node), form: "raw" } });
    if (node.type === "object") groups.push(jsonGroup(source, node));
    const inside = node.type === "property" ? (node.children ?? []).slice(1) : (node.children ?? []);
    for (const child of inside) visit(child);
  };
  visit(parseJson(source));
  return { values, groups };
}

const pathTo = (node: JsonNode): string[] => getNodePath(node).map(String);

function jsonGroup({ file, text }: Source, node: JsonNode): Group {
  const members = (node.children ?? []).flatMap(({ children }) => String(children?.[0]?.value ?? ""));
  return {
    path: pathTo(node),
    members,
    place: (name) => {
      const { site } = memberSite(file, node);
      const first = node.children?.[0];
      const blank = first ? (/\r?\n[ \t]*$/.exec(text.slice(0, first.offset))?.[0] ?? " ") : " ";
      return {
        site: { ...site, form: "json" },
        opens: `${first ? "," : ""}${blank}${JSON.stringify(name)}: `,
        closes: "",
      };
    },
  };
}

/** Sections by their names; the options of a preset, `[preset.0.options]`, by the platform that `[preset.0]` names. */
function ofSections(source: Source): Omit<Settings, "file"> {
  const all = iniSettings(source);
  const named = new Map(all.flatMap(({ section, key, site }) => (key === "platform" ? [[section, site.value]] : [])));
  const values = all.map(({ section, key, site }): Setting => {
    const platform = named.get(section.replace(/\.options$/, ""));
    return { path: [platform ?? section, ...key.split(".")], site };
  });
  const sections = [...new Set(values.flatMap(({ path: [section = ""] }) => section))];
  const groupOf = (path: readonly string[], members: readonly string[]): Group => ({
    ...{ path, members },
    place: (name) => ({ site: emptySite(source.file, source.text.length, "json"), opens: `\n${name}=`, closes: "\n" }),
  });
  const membersOf = (section: string) => values.flatMap(({ path: [own, key = ""] }) => (own === section ? [key] : []));
  return { values, groups: [groupOf([], sections), ...sections.map((each) => groupOf([each], membersOf(each)))] };
}

function ofYaml(source: Source): Omit<Settings, "file"> {
  const document = parseDocument(source.text, { prettyErrors: false });
  if (document.errors.length > 0) return { values: [], groups: [] };
  const values: Setting[] = [];
  const groups: Group[] = [];
  const visit = (node: unknown, path: readonly string[]): void => {
    if (isMap(node)) {
      const members = node.items.map(({ key }) => String(isScalar(key) ? key.value : ""));
      groups.push({ path, members, place: (name) => yamlPlace(source, node as YamlNode, name) });
      for (const { key, value } of node.items) visit(value, [...path, String(isScalar(key) ? key.value : "")]);
    } else if (isSeq(node)) for (const [at, item] of node.items.entries()) visit(item, [...path, String(at)]);
    else if (isScalar(node) && node.range && ["string", "number"].includes(typeof node.value)) {
      const [start, end] = node.range;
      const isNumber = typeof node.value === "number";
      // As it is written: 1.10 is no 1.1.
      const value = isNumber ? (node.source ?? String(node.value)) : String(node.value);
      values.push({ path, site: { file: source.file, start, end, value, form: isNumber ? "raw" : "json" } });
    }
  };
  visit(document.contents, []);
  return { values, groups };
}

/** In front of a mapping's first key, as far in as that. */
function yamlPlace({ file, text }: Source, node: YamlNode, name: string): ReturnType<Group["place"]> {
  const start = node.range?.[0] ?? 0;
  const indent = /[^\n]*$/.exec(text.slice(0, start))?.[0] ?? "";
  return { site: emptySite(file, start, "json"), opens: `${name}: `, closes: `\n${indent}` };
}

function ofCode(source: Source): Omit<Settings, "file"> {
  if (!isCode(source.file)) return { values: [], groups: [] };
  const { texts, objects } = codeParts(source);
  return {
    values: texts,
    groups: objects.map(({ path, inside, members }) => ({
      path,
      members,
      place: (name) => {
        const blank = /^\r?\n[ \t]*/.exec(source.text.slice(inside))?.[0] ?? " ";
        const site = emptySite(source.file, inside, "code-double");
        return { site, opens: `${blank}${name}: `, closes: members.length > 0 ? "," : "" };
      },
    })),
  };
}
