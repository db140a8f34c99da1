import { posix } from "node:path";
import { assemblyFacts } from "../../../formats/splice/formats/assembly-info.ts";
import { findAll, parseXml, textSite, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Fill } from "../../template/found.ts";
import { besideApp } from "../../template/named-text.ts";

/** What a project and its assembly say of a program (Microsoft, MSBuild properties; .NET, assembly attributes). */
const shown: Readonly<Record<string, Field>> = {
  Product: "app.name",
  ProductName: "app.name",
  AssemblyTitle: "app.name",
  AssemblyProduct: "app.name",
  Company: "owner",
  Authors: "owner",
  PublisherName: "owner",
  AssemblyCompany: "owner",
  Copyright: "copyright",
  AssemblyCopyright: "copyright",
  Version: "version",
  AssemblyInformationalVersion: "version",
  FileVersion: "windows.version",
  AssemblyVersion: "windows.version",
  AssemblyFileVersion: "windows.version",
};

interface Project {
  file: string;
  root: XmlElement;
}

/** Projects that make a program with windows of its own, and no package or telephone's app (MSBuild, OutputType). */
function dotnetProjects(template: Folder): Project[] {
  return template.list().flatMap((file) => {
    if (!/\.(cs|vb|fs)proj$/i.test(file) || textIfAny(template.bytes(file)) === undefined) return [];
    const root = orElse(
      attempt(() => parseXml(template.source(file))),
      undefined,
    );
    const says = (name: string, is: RegExp) => root && findAll(root, name).some(({ text }) => is.test(text.trim()));
    return root && says("OutputType", /^winexe$/i) && !says("UseMaui", /^true$/i) ? [{ file, root }] : [];
  });
}

/** What programs of .NET say to whoever looks at their properties, with the folder of each. */
export function dotnetFills(template: Folder): { folder: string; fills: Fill[] }[] {
  const said = dotnetProjects(template).map(({ file, root }) => {
    const folder = folderOf(file);
    return { folder, values: [...inProject(file, root), ...inAssembly(template, folder)].filter(isLiteral) };
  });
  const names = said
    .flatMap(({ values }) => values)
    .flatMap(({ key, site }) => (shown[key] === "app.name" ? [site.value] : []));
  return said.map(({ folder, values }) => ({
    folder,
    fills: values.flatMap(({ key, site }) => (shown[key] ? [fillOf(shown[key], site, names)] : [])),
  }));
}

/** A version with a star is counted on by the compiler; what refers to a property follows that. */
const isLiteral = ({ site }: { site: Site }): boolean => site.value.trim() !== "" && !/\$\(|\*/.test(site.value);

function fillOf(holds: Field, site: Site, names: readonly string[]): Fill {
  const fill: Fill = { holds, site, shape: "text" };
  if (holds === "app.name") return besideApp(fill, names);
  return holds === "windows.version" ? { ...fill, optional: true } : fill;
}

const inProject = (file: string, root: XmlElement) =>
  findAll(root, "PropertyGroup")
    .flatMap(({ children }) => children)
    .flatMap((element) => {
      const site = textSite(file, element);
      return site ? [{ key: element.name, site }] : [];
    });

const inAssembly = (template: Folder, folder: string) =>
  ["", "Properties", "My Project"]
    .flatMap((below) => ["cs", "fs", "vb"].map((ending) => posix.join(folder, below, `AssemblyInfo.${ending}`)))
    .filter((file) => template.has(file) && textIfAny(template.bytes(file)) !== undefined)
    .flatMap((file) => assemblyFacts(file, template.source(file)));

/** The folder that a file lies in; empty for the top. */
export const folderOf = (file: string): string => (posix.dirname(file) === "." ? "" : posix.dirname(file));
