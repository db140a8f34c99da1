import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { beforeAll, expect, test } from "vitest";
import { parse as parseYaml } from "yaml";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";

/** What a client may well be called, with what means something in one format or another. */
const owner = `Brönt's "Big" \\ $HOME & <Co> # 魚, 100%; //`;

interface Case {
  file: string;
  at: string;
  before: string;
  /** What is needed to read it. */
  needs?: string;
  /** The value, as somebody else reads it. */
  read(text: string, path: string): unknown;
}

const shell = (_: string, path: string) => tool("sh", ["-c", '. "$1"; printf %s "$SHOP"', "sh", path]);
const xpath = (question: string) => (_: string, path: string) =>
  tool("xmllint", ["--xpath", question, path]).replace(/\n$/, "");
const python = (code: string) => (_: string, path: string) => tool("python3", ["-c", code, path]);

const cases: readonly Case[] = [
  {
    file: "web/a.yaml",
    at: "contact.names.1",
    before: "# ours\ncontact:\n  names:\n    - One # first\n    - Old # second\n",
    read: (text) => parseYaml(text).contact.names[1],
  },
  {
    file: "web/b.yml",
    at: "name",
    before: "{ name: 'Old', other: 1 }\n",
    read: (text) => parseYaml(text).name,
  },
  { file: "web/.env", at: "SHOP", before: "# ours\nOTHER=1\nSHOP=Old\n", read: shell },
  { file: "web/.env.shop", at: "SHOP", before: "export SHOP='Old'\nOTHER=1\n", read: shell },
  {
    file: "web/c.toml",
    at: "shop.name",
    before: "[shop] # ours\nname = 'Old' # here\n",
    needs: "python3",
    read: python(
      "import sys, tomllib; sys.stdout.buffer.write(tomllib.load(open(sys.argv[1], 'rb'))['shop']['name'].encode())",
    ),
  },
  {
    file: "web/d.json",
    at: "shop.name",
    before: '\ufeff{ "shop": { "name": "Old" } }',
    read: (text) => JSON.parse(text.slice(1)).shop.name,
  },
  {
    file: "web/e.resw",
    at: "Shop",
    before: '<root><data name="Shop" xml:space="preserve"><value>Old</value></data></root>',
    needs: "xmllint",
    read: xpath("string(//data[@name='Shop']/value)"),
  },
  {
    file: "web/f.css",
    at: "--shop",
    before: ':root { --shop: "Old"; /* ours */ }',
    read: (text) =>
      /--shop: "((?:[^"\\]|\\.)*)"/
        .exec(text)?.[1]
        ?.replace(/\\([0-9a-f]{1,6}) ?|\\(.)/gi, (_, code, same) =>
          code ? String.fromCodePoint(Number.parseInt(code, 16)) : same,
        ),
  },
];

/** A workspace whose template has all these files, with the owner filled in where each case says. */
function workspaceFilling(placeOf: (each: Case) => string): string {
  const folder = workspaceWith(["3-acre"]);
  const fills = cases.map((each) => `  - { file: ${each.file}, at: "${placeOf(each)}", with: "{owner}" }\n`);
  edit(folder, "template.yaml", (text) => text.replace("fill:\n", `fill:\n${fills.join("")}`));
  for (const { file, before } of cases) writeFileSync(join(folder, "template", file), before);
  return folder;
}

let folder: string;
beforeAll(() => {
  folder = workspaceFilling(({ at }) => at);
  edit(folder, "clients/3-acre/brief.yaml", (text) =>
    text.replace(/^owner: .*/m, () => `owner: ${JSON.stringify(owner)}`),
  );
  const { code, err } = oxalis(folder, "generate", "-q");
  expect([code, err]).toEqual([0, expect.not.stringContaining("error")]);
});

test.each(cases.filter(({ needs }) => !needs || hasTool(needs)))(
  "$file: the value is read as it was given, and nothing else is changed",
  ({ file, before, read }) => {
    const path = join(folder, "variants/3-acre", file);
    const text = readFileSync(path, "utf8");
    expect(read(text, path)).toBe(owner);
    const [head = "", tail = ""] = before.split(/["']?Old["']?/);
    expect(text.startsWith(head)).toBe(true);
    expect(text.endsWith(tail)).toBe(true);
  },
);

test("a place that is not there, in each kind of file: what such a place looks like", () => {
  const { code, err } = oxalis(
    workspaceFilling(() => "no.such"),
    "check",
  );
  expect(code).toBe(1);
  for (const { file } of cases) expect(err).toContain(`${file} has nothing at "no.such".`);
  expect(err.match(/expected {2}a/g)?.length).toBeGreaterThanOrEqual(cases.length);
});
