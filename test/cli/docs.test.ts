import { execFileSync } from "node:child_process";
import { existsSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { dirname, join } from "node:path";
import { describe, expect, test } from "vitest";
import { flagOf, type Row } from "../../src/cli/rows/row.ts";
import { rows } from "../../src/cli/rows/table.ts";
import { parseYaml } from "../../src/core/agency/documents/document.ts";
import { validate } from "../../src/core/agency/documents/validate.ts";
import { agencySchema } from "../../src/core/agency/workspace/schema/agency.ts";
import { briefSchema } from "../../src/core/agency/workspace/schema/brief.ts";
import { testersSchema } from "../../src/core/agency/workspace/schema/testers.ts";
import { templateSchema } from "../../src/core/app/platforms/template-schema.ts";
import { oxalis, workspaceWith } from "../support/oxalis.ts";

const root = join(import.meta.dirname, "../..");
const pages = [
  "README.md",
  "CONTRIBUTING.md",
  ...readdirSync(join(root, "docs"))
    .filter((file) => file.endsWith(".md"))
    .map((file) => `docs/${file}`),
];
const read = (page: string) => readFileSync(join(root, page), "utf8");
const fences = (info: RegExp) =>
  pages.flatMap((page) =>
    [...read(page).matchAll(/^```([^\n]*)\n([\s\S]*?)^```$/gm)]
      .filter((match) => info.test(match[1] ?? ""))
      .map((match) => ({ page, info: match[1] ?? "", text: match[2] ?? "" })),
  );

/** Each line must stand in what was printed, in this order; a line of three dots stands for any number of lines. */
function expectLines(printed: string, wanted: readonly string[]): void {
  const lines = printed.split("\n").map((line) => line.trimEnd());
  let at = 0;
  let free = true;
  for (const line of wanted) {
    if (line === "…") {
      free = true;
      continue;
    }
    const found = lines.indexOf(line, at);
    expect([line, found >= 0 && (free || found === at)]).toEqual([line, true]);
    at = found + 1;
    free = false;
  }
}

describe("examples with a command", () => {
  const folder = workspaceWith(["3-acre", "brennans-bothy", "saltmarsh"]);
  const examples = fences(/^console/).flatMap(({ page, text }) =>
    text
      .split(/^\$ /m)
      .slice(1)
      .map((part) => {
        const [command = "", ...lines] = part.trimEnd().split("\n");
        return { page, command, lines };
      }),
  );

  test("there are some", () => expect(examples.length).toBeGreaterThan(3));

  test.each(examples)("$page: $command", ({ command, lines }) => {
    if (command === "oxalis clean") rmSync(join(folder, ".oxalis"), { recursive: true });
    if (command.startsWith("oxalis audit")) {
      oxalis(folder, "generate", "saltmarsh");
      execFileSync("sed", ["-i", "s/CIC/Ltd/", join(folder, "clients/saltmarsh/brief.yaml")]);
    }
    const { out, err } = oxalis(folder, ...command.split(" ").slice(1));
    expectLines(out + err, lines);
  });
});

const schemas = { agency: agencySchema, brief: briefSchema, template: templateSchema, testers: testersSchema };

test.each(fences(/^yaml /))("$page: the example of a $info file is valid", ({ info, text }) => {
  const kind = info.replace("yaml ", "") as keyof typeof schemas;
  expect(() => validate(parseYaml({ file: kind, text }), schemas[kind])).not.toThrow();
});

test("tables taken from the program are what the program says", () => {
  expect(execFileSync("node", ["scripts/docs.mjs", "--check"], { cwd: root, encoding: "utf8" })).toBe("");
});

test("every link leads somewhere, every screenshot is shown, every script exists", () => {
  const broken = pages.flatMap((page) =>
    [...read(page).matchAll(/\]\(([^)#]+)[^)]*\)/g)]
      .map((match) => match[1] ?? "")
      .filter((target) => !/^https?:/.test(target) && !existsSync(join(root, dirname(page), target)))
      .map((target) => `${page}: ${target}`),
  );
  expect(broken).toEqual([]);
  const shown = read("README.md");
  expect(
    readdirSync(join(root, "docs/screenshots")).filter((file) => !shown.includes(`docs/screenshots/${file}`)),
  ).toEqual([]);
  const { scripts } = JSON.parse(read("package.json"));
  const named = pages.flatMap((page) => [...read(page).matchAll(/npm run ([a-z]+)/g)].map((match) => match[1] ?? ""));
  expect(named.filter((name) => scripts[name] === undefined)).toEqual([]);
});

test("every command and option is documented, and every dependency is accounted for", () => {
  const page = read("docs/commands.md");
  const [top = "", ...parts] = page.split(/^## /m);
  const sections = new Map(parts.map((text) => [/^[a-z-]+(?: [a-z-]+)?(?= |\n)/.exec(text)?.[0], text]));
  for (const [name, { options, arguments: given }] of Object.entries<Row>(rows)) {
    const section = sections.get(name);
    expect(section, name).toBeDefined();
    for (const argument of Object.keys(given))
      expect(section?.split("\n")[0], name).toContain(argument.replace(/s$/, ""));
    for (const option of Object.keys(options)) expect(`${top}${section}`, name).toContain(flagOf(option));
  }
  const { dependencies, devDependencies } = JSON.parse(read("package.json"));
  const named = Object.keys({ ...dependencies, ...devDependencies }).filter((name) => !name.startsWith("@types/"));
  for (const name of named) expect(read("docs/dependencies.md")).toContain(name);
});
