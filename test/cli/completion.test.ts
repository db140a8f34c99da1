import { spawnSync } from "node:child_process";
import { mkdirSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { flagOf, type Row } from "../../src/cli/rows/row.ts";
import { rows } from "../../src/cli/rows/table.ts";
import { oxalis, program, temporaryFolder, workspaceWith } from "../support/oxalis.ts";

const root = workspaceWith(["3-acre", "saltmarsh"]);
const completed = (...words: string[]) =>
  oxalis(root, "completion", "words", "--", ...words)
    .out.split("\n")
    .filter(Boolean);

test("every command and each of its options is completed", () => {
  const names = Object.keys(rows);
  expect(completed("")).toEqual(names.filter((name) => !name.includes(" ")));
  expect(completed("keys", "a")).toEqual(["accept", "adopt"]);
  for (const [name, { options }] of Object.entries<Row>(rows))
    expect(completed(...name.split(" "), "--")).toEqual(Object.keys(options).map(flagOf));
});

test("a folder that is no client is not offered as one", () => {
  mkdirSync(join(root, "clients/$(touch x)"));
  expect(completed("generate", "")).toEqual(["3-acre", "saltmarsh"]);
});

test.each([
  [["ex"], ["export", "explain"]],
  [["generate", "s"], ["saltmarsh"]],
  [
    ["generate", "--dry-run", "3-acre", ""],
    ["3-acre", "saltmarsh"],
  ],
  [["explain", "3-acre", "identifiers.a"], ["identifiers.android"]],
  [
    ["generate", "--layout", ""],
    ["tree", "overlay"],
  ],
  [["audit", "--stage", "t"], ["testers"]],
  [
    ["rename-identifier", "3-acre", "w"],
    ["windows", "web"],
  ],
  [["art", "--role", "mask"], ["maskable"]],
  [["nothing", ""], []],
])("%j", (words, expected) => {
  expect(completed(...words)).toEqual(expected);
});

test("outside a workspace commands are completed all the same, and names are none", () => {
  const folder = temporaryFolder();
  expect(oxalis(folder, "completion", "words", "--", "gen").out).toBe("generate\n");
  expect(oxalis(folder, "completion", "words", "--", "generate", "").out).toBe("");
});

test("bash completes with the script that is printed for it", () => {
  const folder = temporaryFolder();
  mkdirSync(join(folder, "bin"));
  symlinkSync(program, join(folder, "bin/oxalis"));
  writeFileSync(join(folder, "script"), oxalis(root, "completion", "bash").out);
  const words = "COMP_WORDS=(oxalis audit --stage t); COMP_CWORD=3";
  const line = `source ./script; cd ${root}; ${words}; _oxalis; echo "$COMPREPLY"`;
  const env = { ...process.env, PATH: `${join(folder, "bin")}:${process.env.PATH}` };
  const { stdout, stderr } = spawnSync("bash", ["-c", line], { cwd: folder, env, encoding: "utf8" });
  expect([stdout, stderr]).toEqual(["testers\n", ""]);
});
