import { posix } from "node:path";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import type { Problem } from "../../../ground/problems/problem.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { programIcons } from "../../../pictures/slots/program.ts";
import { findFile } from "../../template/find-file.ts";
import type { Fill, PictureUse } from "../../template/found.ts";
import { programScripts } from "../../template/resource-scripts.ts";
import { versionBlock } from "./version-block.ts";

/**
 * A program's own resources: its icon files, and what its version block and its code say to people.
 * @param known what its project says
 */
export function windowsProgram(
  template: Folder,
  folder: string,
  names: readonly string[],
  known: readonly Fill[],
): { fills: Fill[]; pictures: PictureUse[]; gaps: Problem[] } {
  const below = folder ? `${folder}/` : "";
  const scripts = [...programScripts(template)].filter(([file]) => file.startsWith(below));
  const fills: Fill[] = [...known];
  const icons = new Set<string>();
  const said = new Set(names);
  for (const { holds, site } of known) if (holds === "app.name") said.add(site.value);
  const gaps: Problem[] = [];
  for (const [file, script] of scripts) {
    const { texts, icons: listed } = script;
    const block = versionBlock(template, file, script);
    gaps.push(...block.gaps);
    fills.push(...block.fills);
    for (const { holds, site } of block.fills) if (holds === "app.name") said.add(site.value);
    for (const { key, site } of texts)
      if (/TITLE|APP_?NAME|CAPTION/i.test(key)) {
        fills.push({ holds: "app.name", site, shape: "text" });
        said.add(site.value);
      }
    for (const { path } of listed) {
      const fromTop = /^\$\{\w*SOURCE_DIR\}\/(.+)$/.exec(path)?.[1];
      const found =
        findFile(template, fromTop ?? posix.normalize(posix.join(posix.dirname(file), path))) ??
        findFile(template, posix.normalize(path));
      if (found) icons.add(found);
    }
  }
  for (const path of listedIcons(template, below)) icons.add(path);
  const titles = template
    .list()
    .filter((file) => file.startsWith(below) && /\.(cpp|cc|cs|vb|h|xaml)$/.test(file))
    .flatMap((file) => titleSites(file, textIfAny(template.bytes(file)) ?? "", said));
  // Above its window a further program is called as it is elsewhere.
  for (const site of titles) {
    const said = known.find((fill) => fill.holds === "app.name" && fill.site.value === site.value);
    fills.push({ holds: "app.name", shape: "text", ...said, site });
  }
  const within = programIcons("windows");
  const [largest] = within.slice(-1);
  return {
    fills,
    gaps,
    pictures: largest ? [...icons].map((path) => ({ slot: largest, path, container: "ico", within })) : [],
  };
}

/**
 * Where a project names the certificate that signs its packages (Microsoft, MSBuild, PackageCertificateThumbprint);
 * filled where the client has one.
 */
export function thumbprints(template: Folder, folder: string): Fill[] {
  const below = folder ? `${folder}/` : "";
  const form = /<PackageCertificateThumbprint>\s*([0-9A-Fa-f]{40})\s*<\/PackageCertificateThumbprint>/g;
  return template
    .list()
    .filter((file) => file.startsWith(below) && /\.(wapproj|vcxproj|csproj|vbproj)$/i.test(file))
    .flatMap((file) =>
      [...(textIfAny(template.bytes(file)) ?? "").matchAll(form)].map((match): Fill => {
        const [whole, value = ""] = match;
        const start = match.index + whole.indexOf(value);
        const site: Site = { file, start, end: start + value.length, value, form: "xml-text" };
        return { holds: "signing.thumbprint", site, shape: "text", optional: true };
      }),
    );
}

/** Icons that a program's project lists, or takes for its own (Microsoft, MSBuild items and ApplicationIcon). */
function listedIcons(template: Folder, below: string): string[] {
  const item = /\bInclude="([^"*$]+\.ico)"|<ApplicationIcon>([^<$]+\.ico)<\/ApplicationIcon>/gi;
  return template
    .list()
    .filter((file) => file.startsWith(below) && /\.(vcxproj|csproj|vbproj)$/i.test(file))
    .flatMap((file) =>
      [...(textIfAny(template.bytes(file)) ?? "").matchAll(item)].flatMap(([, listed, own]) => {
        const path = (listed ?? own ?? "").replaceAll("\\", "/");
        return findFile(template, posix.normalize(posix.join(posix.dirname(file), path))) ?? [];
      }),
    );
}

/**
 * A call or an assignment that puts a name above a window (Microsoft, AppWindow.Title, CreateWindow, SetWindowText).
 */
const titled = longPattern("g")`
  (?:\bTitle\s*\(|\bTitle\s*=|\b(?:this|Me)\.Text\s*=|\bSetWindowTextW?\s*\([^,;]*,|\bCreate(?:AndShow)?\s*\(
  |\bsetTitle\s*\()\s*(L?"((?:[^"\\\n]|\\.)*)")
`;

function titleSites(file: string, text: string, names: ReadonlySet<string>): Site[] {
  return [...text.matchAll(titled)].flatMap((match): Site[] => {
    const [whole, literal = "", value = ""] = match;
    if (!names.has(value)) return [];
    const start = match.index + whole.lastIndexOf(literal) + (literal.startsWith("L") ? 1 : 0);
    const end = start + value.length + 2;
    if (file.endsWith(".xaml")) return [{ file, start: start + 1, end: end - 1, value, form: "xml-attribute" }];
    return [{ file, start, end, value, form: file.endsWith(".vb") ? "basic-string" : "c-string" }];
  });
}
