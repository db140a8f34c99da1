import { readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { edit, oxalis } from "../support/oxalis.ts";
import { kelp } from "./clients.ts";
import * as kinds from "./render.ts";
import { made } from "./workspace.ts";

/** What a team may have of its own: an entry for desktops beside the shell's files. */
const packing = `import { readFileSync, writeFileSync } from "node:fs";
const name = JSON.parse(readFileSync("shown.json", "utf8")).name;
writeFileSync("tide-table.desktop", \`[Desktop Entry]\\nType=Application\\nName=\${name}\\nIcon=icon\\nExec=tide-table\\n\`);
`;

const notes = `fill:
  - { file: shown.json, at: name, with: "{app.name}" }
builds:
  desktop:
    steps:
      - run: node pack.mjs
      - run: mkdir out && tar czf out/shell-$BUILD.tar.gz package.json tide-table.desktop src resources/icon.png
    gives: { install: "out/*.tar.gz" }
`;

test("a desktop shell is packed as an archive by its team's own commands, and looked into", () => {
  const { root, template } = made(kinds.desktopShell);
  writeFileSync(join(template, "pack.mjs"), packing);
  writeFileSync(join(template, "shown.json"), '{ "name": "Tide Table" }\n');
  edit(root, "template.yaml", (text) => `${text.replace(/^# builds:[\s\S]*$/m, "")}\n${notes}`);
  expect(oxalis(root, "generate", kelp.key)).toMatchObject({ code: 0 });
  const { code, out, err } = oxalis(root, "build", kelp.key, "--unsigned", "--json");
  expect([code, err]).toEqual([0, ""]);
  expect(JSON.parse(out).builds).toEqual([expect.objectContaining({ platform: "desktop", state: "good" })]);
  const at = join(root, "builds/kelp/store");
  const folder = join(at, readdirSync(at).find((each) => !each.startsWith(".")) ?? "", "desktop");
  const archive = join(folder, readdirSync(folder).find((each) => each.endsWith(".tar.gz")) ?? "");
  const [looked] = JSON.parse(oxalis(root, "inspect", archive, "--json").out).packages;
  expect(looked.facts).toMatchObject({ kind: "linux", labels: { "": kelp.name }, odd: [], closed: [] });
  // With the template's own icon and name in it, it is told, and fails.
  edit(template, "pack.mjs", (text) => text.replace(/Name=[^\\]*/, "Name=Tide Table"));
  const again = oxalis(root, "build", kelp.key, "--unsigned");
  expect([again.code, again.err]).toEqual([1, expect.stringContaining('is called "Tide Table"')]);
});
