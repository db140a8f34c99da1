import type { Folder } from "../../../ground/files/reading/folder.ts";
import { textIfAny } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { placeAt } from "../../../ground/values/source.ts";
import type { SettingsKind } from "./kind.ts";

/**
 * A page in a shell for desktops of which nothing says what the program is called: its package's name is shown, unless
 * the package says another for the product (package.json of Electron and of what packs it, productName).
 */
export const namelessShell: SettingsKind = {
  says: "a project that makes a program for desktops",
  file: /^package\.json$/,
  root: [["name", "version", "main"]],
  has: ["dependencies.electron", "devDependencies.electron", "dependencies.nw", "devDependencies.nw"],
  unless: ["productName", "packagerConfig.name"],
  makes: [{ platform: "desktop" }],
  wraps: true,
  places: [],
  pictures: [],
  needs: [{ group: "", member: "productName", holds: "app.name", platform: "desktop", lacks: "program-name" }],
};

/** A program's name that what packs it takes from somewhere in code. */
const taken = /\bpackagerConfig\s*:\s*\{[^}]*?\bname\s*:\s*(?!["'`])[\w.$]+/;

/** Told where what packs a shell takes the package's own name for the program's: no client's may stand there. */
export function takenNames(template: Folder): Problem[] {
  return template.list().flatMap((file) => {
    const text = /(^|\/)[\w.-]+\.config\.[cm]?[jt]s$/.test(file) ? textIfAny(template.bytes(file)) : undefined;
    const found = text === undefined ? null : taken.exec(text);
    if (!found || /productName$/.test(found[0])) return [];
    return [
      problem("template-gap", `Desktop: the program's name is worked out in ${file}.`, {
        severity: "warning",
        place: placeAt(template.source(file), found.index + found[0].search(/\bname\s*:\s*[\w.$]+$/)),
        expected: "`productName` of package.json, or a text",
      }),
    ];
  });
}
