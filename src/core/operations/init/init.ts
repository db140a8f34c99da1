import { join, relative, resolve, sep } from "node:path";
import { stringify } from "yaml";
import { agencyFile } from "../../agency/workspace/locate.ts";
import { ownColors } from "../../app/survey/colors.ts";
import { type Content, contentOf } from "../../app/survey/content.ts";
import { exampleAlone } from "../../app/survey/example-app.ts";
import { notUnderstood } from "../../app/survey/no-app.ts";
import { findSecrets } from "../../app/survey/secrets/find.ts";
import { drawnFiles, surveyTemplate } from "../../app/survey/template.ts";
import { isFolder, isThere, openFolder } from "../../ground/files/reading/folder.ts";
import { makeRoot } from "../../ground/files/writing/door.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import { unwritten } from "../../ground/files/writing/writer.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { orStop, refuse } from "../../ground/problems/result.ts";
import { colorRoles } from "../../ground/values/fields.ts";
import { type Place, placeAt } from "../../ground/values/source.ts";
import { type Account, accountOf } from "./account.ts";
import { type Elsewhere, lookElsewhere, type Suggestion } from "./elsewhere.ts";
import { proposedSteps, stepsText } from "./steps.ts";

export interface InitOptions {
  /** The workspace's folder, absolute. */
  folder: string;
  /** The template's folder, absolute. */
  template: string;
  agency: string;
  /** The year that copyright lines begin with. */
  year: number;
  /** Look and tell, and write nothing. */
  dryRun: boolean;
}

/** What was found in a template, and the files of the workspace around it. */
export interface Initiated {
  accounts: Account[];
  /** What looks like a further part of the app and was not understood. */
  unclear: Problem[];
  /** What no client may get, and what looks like it. */
  secrets: Problem[];
  left: Elsewhere[];
  suggestions: Suggestion[];
  /** Colours that could be given a part, each with its value and the first of its places. */
  colors: { name: string; value: string; place: Place }[];
  /** What people see of it and is no part of its identity. */
  content: Content[];
  /** Texts by path within the workspace. */
  files: ReadonlyMap<string, string>;
}

/** Surveys a template and writes a workspace around it. Stops where there is one, or the template holds no app. */
export function init({ folder, template, agency, year, dryRun }: InitOptions): Initiated {
  if (isThere(join(folder, agencyFile)))
    refuse("folder-in-use", `${agencyFile} is there already: ${join(folder, agencyFile)}.`, {
      fix: "Name another folder, or work in this workspace: `oxalis check`.",
    });
  if (!isFolder(template)) refuse("template-empty", `The template's folder ${template} is not there.`);
  const opened = openFolder(template);
  const parts = surveyTemplate(opened);
  const { left, suggestions, unknown } = lookElsewhere(opened, parts);
  const named = new Set(suggestions.map(({ at }) => at));
  const colors = ownColors(opened, parts)
    .filter(({ name }) => !named.has(name))
    .map(({ name, fill: { site, shape } }) => ({
      name,
      value: shape === "color" ? site.value : "red, green, blue",
      place: placeAt(opened.source(site.file), site.start),
    }));
  const drawn = drawnFiles(parts);
  const content = contentOf(
    opened,
    opened.list().filter((file) => !drawn.has(file)),
  );
  const shown = relative(folder, template).split(sep).join("/") || ".";
  const files = new Map([
    [
      agencyFile,
      agencyText(
        agency,
        year,
        shown,
        parts.map(({ platform }) => platform),
      ),
    ],
    ["template.yaml", templateText(suggestions, colors, content) + stepsText(proposedSteps(opened, parts))],
  ]);
  if (!isThere(join(folder, ".gitignore"))) files.set(".gitignore", "variants/\nbuilds/\nletters/\n.oxalis/\n");
  if (!dryRun) writeNew(resolve(folder), files);
  return {
    accounts: parts.map((part) => accountOf(opened, part)),
    secrets: findSecrets(opened, opened.list()).map(({ problem }) => problem),
    unclear: [
      ...unknown,
      ...exampleAlone(opened, parts),
      ...notUnderstood(
        opened,
        parts.map(({ platform }) => platform),
      ),
    ],
    left,
    suggestions,
    colors,
    content,
    files,
  };
}

/** Writes the files of a workspace whose folder may not be there yet. */
function writeNew(root: string, files: ReadonlyMap<string, string>): void {
  orStop(() => makeRoot(root), unwritten(root));
  writeTogether(root, files);
}

const agencyText = (agency: string, year: number, template: string, platforms: readonly string[]): string =>
  `# The agency, its rules, and what holds for every client unless its brief says otherwise.
${stringify({ agency: { name: agency } })}
${stringify({ template })}platforms: [${platforms.join(", ")}]
year: ${year}

defaults:
  locale: en
  version: 1.0.0
  build: 1
`;

function templateText(
  suggestions: readonly Suggestion[],
  colors: Initiated["colors"],
  content: readonly Content[],
): string {
  const fill = `
# Places that name the template beyond its build files, and what goes there instead.
${stringify({ fill: suggestions })}`;
  const roles = `
# Colours of the template's own. Where one is to be a client's, take the # away and say what it is:
# ${colorRoles.join(", ")}.
# colors:
${colors.map(({ name }) => `#   ${name}:\n`).join("")}`;
  const common = `
# What people see of the template. What all apps are to have in common, say here, and why; what is each client's own
# becomes a question or a collection.
# shared:
${content.map(({ file }) => `#   - file: ${file}\n#     reason: ...\n`).join("")}`;
  return [
    "# What a survey of the template cannot know.\n",
    ...(suggestions.length > 0 ? [fill] : []),
    ...(colors.length > 0 ? [roles] : []),
    ...(content.length > 0 ? [common] : []),
  ].join("");
}
