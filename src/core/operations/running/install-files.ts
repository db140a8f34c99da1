import type { BuiltFile } from "../../agency/history/builds.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { PlannedBuild } from "../../making/building/prepare.ts";
import { buildFolder } from "../../making/building/work.ts";
import { accentOf } from "../../pages/parts/accent.ts";
import { wordsInFirst } from "../../pages/words/own.ts";
import { installFilesOf } from "../../showing/installing/files.ts";

/** What lies beside a build for whoever installs it, by path within the workspace. Stops: words-invalid */
export type InstallFiles = (
  build: PlannedBuild,
  files: readonly BuiltFile[],
) => readonly [path: string, text: string][];

/** Pages for whoever installs builds, in the agency's colours and the language of each client. */
export function installFilesIn(workspace: Workspace): InstallFiles {
  const { agency, builds, defaults } = workspace.agency.data;
  return (build, files) => {
    const { client, platform, variant, version, build: number } = build;
    const folder = buildFolder(build);
    const { locale, ...values } = variant.values;
    const ledger = workspace.clients.find(({ key }) => key === client)?.ledger;
    const notes = ledger?.releases.findLast((each) => each.version === version)?.notes ?? {};
    const made = installFilesOf({
      ...{ agency: agency.name, ...accentOf(workspace), version, build: number, files, notes },
      name: values["app.name"]?.value ?? client,
      identifier: values[`identifiers.${platform}`]?.value ?? "",
      served:
        builds.address && new URL(`${folder.replace(/^builds\//, "").replaceAll("+", "%2B")}/`, builds.address).href,
      words: wordsInFirst(workspace.root, [locale?.value, defaults.locale, agency.language]),
    });
    return made.map(([name, text]) => [`${folder}/${name}`, text]);
  };
}
