import { edit, workspaceWith } from "./oxalis.ts";

/** What template.yaml says without how packages are built. */
export const withoutBuilds = (text: string): string => text.slice(0, text.indexOf("\nbuilds:") + 1);

/** A workspace of the web part, whose build is these commands. */
export function withSteps(clients: readonly string[], steps: readonly string[], more = ""): string {
  const folder = workspaceWith(clients);
  edit(folder, "oxalis.yaml", (text) => text.replace("[android, ios, windows, web]", "[web]"));
  edit(folder, "template.yaml", (text) =>
    withoutBuilds(text).replace(/ {2}- file: (android|ios|windows).*\n.*\n.*\n/g, ""),
  );
  const lines = steps.map((run) => `      - run: ${JSON.stringify(run)}\n`).join("");
  const builds =
    steps.length === 0 ? "" : `builds:\n  web:\n    steps:\n${lines}    gives: { store: "out/*.tar" }\n${more}`;
  edit(folder, "template.yaml", (text) => `${text}\n${builds}`);
  return folder;
}
