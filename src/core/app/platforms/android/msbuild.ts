import { posix } from "node:path";
import { findAll, parseXml, textSite, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import { findFile } from "../../template/find-file.ts";
import type { AppModule } from "./gradle-project.ts";

/** What tells a project of .NET that makes an app for Android (Microsoft, .NET for Android; Xamarin, project types). */
const makesApp = /\bnet\d[\d.]*-android\b|<AndroidApplication>\s*true|\{EFBA0AD7-5A72-4C68-AF49-83D382785DCF\}/i;

/** Where its manifest lies unless it says so. */
const usual = ["Properties/AndroidManifest.xml", "AndroidManifest.xml"];

/** Projects of .NET whose own manifest and resources make an app, as modules: their build is MSBuild's. */
export const msbuildModules = (template: Folder): AppModule[] =>
  template.list().flatMap((script): AppModule[] => {
    const text = /\.csproj$/i.test(script) ? (textIfAny(template.bytes(script)) ?? "") : "";
    if (!makesApp.test(text) || /<UseMaui>\s*true/i.test(text)) return [];
    const project = orElse(
      attempt(() => parseXml(template.source(script))),
      undefined,
    );
    const isLibrary = !/<AndroidApplication>\s*true/i.test(text) && !/<OutputType>\s*Exe\s*</i.test(text);
    if (!project || isLibrary) return [];
    const folder = posix.dirname(script) === "." ? "" : posix.dirname(script);
    const said = (name: string) => siteOf(script, project, name)?.value.replaceAll("\\", "/");
    const [manifest] = [said("AndroidManifest"), ...usual].flatMap((path) =>
      path === undefined ? [] : (findFile(template, posix.join(folder, path)) ?? []),
    );
    const resources = posix.join(folder, "Resources");
    if (manifest === undefined || !template.list().some((file) => file.startsWith(`${resources}/`))) return [];
    return [
      {
        ...{ script, folder, root: folder, statements: [], manifests: [manifest], resources: [resources] },
        resolve: () => [],
        project: {
          takesNewFiles: project.attributes.has("Sdk"),
          said: (name) => siteOf(script, project, name),
        },
      },
    ];
  });

/** The first value of a property that nothing is put into. */
const siteOf = (file: string, project: XmlElement, name: string): Site | undefined =>
  findAll(project, name)
    .flatMap((element) => textSite(file, element) ?? [])
    .find(({ value }) => value.trim() !== "" && !value.includes("$("));

/** What of an activity or an application the code says, where no manifest does (Microsoft, ActivityAttribute). */
const attribute = /\[(?:assembly:\s*)?(?:Activity|Application)\s*\((?<said>(?:[^()"]|"[^"]*")*)\)/g;

/** Labels and icons in the code of such an app: of what people open it by, as sites of what stands in quotes. */
export function saidByCode(template: Folder, folder: string): { file: string; name: string; site: Site }[] {
  const below = folder ? `${folder}/` : "";
  return template
    .list()
    .filter((file) => file.startsWith(below) && file.endsWith(".cs"))
    .flatMap((file) =>
      [...(textIfAny(template.bytes(file)) ?? "").matchAll(attribute)].flatMap((match) => {
        const said = match.groups?.said ?? "";
        const from = match.index + match[0].length - 1 - said.length;
        const isOpened = !match[0].includes("Activity") || /\bMainLauncher\s*=\s*true/.test(said);
        return [...(isOpened ? said.matchAll(/\b(Label|Icon|RoundIcon)\s*=\s*"([^"\n]*)"/g) : [])].map((each) => {
          const [whole, name = "", value = ""] = each;
          const start = from + each.index + whole.length - 1 - value.length;
          return { file, name, site: { file, start, end: start + value.length, value, form: "double-inner" as const } };
        });
      }),
    );
}
