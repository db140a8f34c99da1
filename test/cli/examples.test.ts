import { cpSync, mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { examples } from "../../src/cli/rows/examples.ts";
import { rows } from "../../src/cli/rows/table.ts";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";

/** Words of a line, as a shell takes them apart. */
const wordsOf = (line: string): string[] =>
  [...line.matchAll(/"([^"]*)"|(\S+)/g)].map(([, quoted, plain]) => quoted ?? plain ?? "");

test("every example in --help does what it says", () => {
  const folder = workspaceWith(["saltmarsh"]);
  // Of one platform: what is looked at here are the calls.
  edit(folder, "oxalis.yaml", (text) => text.replace("[android, ios, windows, web]", "[android]"));
  edit(folder, "oxalis.yaml", (text) => `${text}\ngroups: { coast: {} }\n`);
  edit(folder, "template.yaml", (text) => text.replace(/ {2}- file: (web|ios|windows).*\n.*\n.*\n/g, ""));
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => `groups: [coast]\n${text.replace(/^groups:.*\n/m, "")}`);
  cpSync(join(folder, "template"), join(folder, "shared-app"), { recursive: true });
  mkdirSync(join(folder, "logos"));
  oxalis(folder, "export", "roster.csv");
  oxalis(folder, "export", "boxes.csv", "--collection", "boxes");
  writeFileSync(join(folder, "unused.txt"), "");
  for (const name of Object.keys(rows) as (keyof typeof rows)[]) {
    expect(oxalis(folder, name, "--help").out).toContain(`Examples:\n  oxalis ${examples[name][0]}`);
    for (const example of examples[name]) {
      const { code, err } = oxalis(folder, ...wordsOf(example));
      // What it breaks is said, and not done.
      expect([example, code, code === 0 ? "" : err]).toEqual([example, name === "rename-identifier" ? 1 : 0, ""]);
    }
  }
});
