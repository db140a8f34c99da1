import { execFile } from "node:child_process";
import { cpSync, readdirSync, readFileSync, rmSync, statSync, utimesSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import { beforeEach, expect, test } from "vitest";
import { sha256 } from "../../src/core/ground/values/hash.ts";
import { edit, oxalis, program, workspaceWith } from "../support/oxalis.ts";

let folder: string;

beforeEach(() => {
  folder = workspaceWith(["3-acre", "saltmarsh"]);
  rmSync(join(folder, ".oxalis"), { recursive: true }); // drawn here, not before
  edit(folder, "oxalis.yaml", (text) => text.replace(/^platforms:.*$/m, "platforms: [android]"));
});

const filesIn = (path: string) =>
  readdirSync(join(folder, path), { recursive: true, encoding: "utf8" })
    .filter((file) => statSync(join(folder, path, file)).isFile())
    .sort();
const hashes = () =>
  filesIn("variants").map((file) => `${file} ${sha256(readFileSync(join(folder, "variants", file)))}`);
const changes = (...args: string[]) => {
  const { out } = oxalis(folder, "generate", "--json", ...args);
  return JSON.parse(out).clients.flatMap((each: { client: string; changes: { what: string; path: string }[] }) =>
    each.changes.map(({ what, path }) => `${each.client} ${what} ${path}`),
  ) as string[];
};

test("pictures drawn before come from the cache, but not one that was damaged; clean empties it", () => {
  oxalis(folder, "generate");
  const before = hashes();
  for (const file of filesIn(".oxalis/cache").slice(0, 5)) {
    const bytes = readFileSync(join(folder, ".oxalis/cache", file));
    bytes[bytes.length - 1] = (bytes[bytes.length - 1] ?? 0) ^ 1;
    writeFileSync(join(folder, ".oxalis/cache", file), bytes);
  }
  rmSync(join(folder, "variants"), { recursive: true });
  oxalis(folder, "generate");
  expect(hashes()).toEqual(before);
  expect(oxalis(folder, "clean").out).toMatch(/^The cache is empty now: \d+ pictures, \d\.\d MB\.\n$/);
  expect(oxalis(folder, "clean").out).toBe("The cache is empty.\n");
  expect(changes()).toEqual([]);
});

test("a change by hand is seen though size and time are the same; a changed mark makes its own pictures alone", () => {
  oxalis(folder, "generate");
  const touched = join(folder, "variants/3-acre/android/app/src/main/res/values/texts.xml");
  const { atime, mtime } = statSync(touched);
  const before = readFileSync(touched, "utf8");
  writeFileSync(touched, before.replace("3 Acre", "8 Acre"));
  utimesSync(touched, atime, mtime);
  expect(changes()).toEqual(["3-acre restore android/app/src/main/res/values/texts.xml"]);
  expect(readFileSync(touched, "utf8")).toBe(before);
  edit(folder, "clients/saltmarsh/art/mark.svg", (text) => text.replace("#ff8a3d", "#ff3d8a"));
  const made = changes();
  expect(made.length).toBeGreaterThan(10);
  for (const each of made) expect(each).toMatch(/^saltmarsh change .*\.png$/);
  expect(made.join()).not.toContain("mipmap-hdpi/crate_lid.png"); // drawn from the icon
  expect(changes()).toEqual([]);
});

test("--smallest presses what is there; a plain run then leaves it", () => {
  oxalis(folder, "generate", "3-acre");
  const bytes = () =>
    filesIn("variants/3-acre").reduce((sum, file) => sum + statSync(join(folder, "variants/3-acre", file)).size, 0);
  const before = bytes();
  const pressed = changes("3-acre", "--smallest");
  expect(new Set(pressed.map((each) => each.split(" ")[1]))).toEqual(new Set(["press"]));
  expect(bytes()).toBeLessThan(before);
  expect([changes("3-acre"), changes("3-acre", "--smallest")]).toEqual([[], []]);
  expect(oxalis(folder, "audit", "3-acre").code).toBe(0);
});

test("what cannot be read of all this costs time only; two runs at once do not disturb each other", async () => {
  oxalis(folder, "generate");
  const before = hashes();
  for (const file of ["made/3-acre.json", "pictures.json"]) writeFileSync(join(folder, ".oxalis", file), "{");
  expect(changes()).toEqual([]);
  rmSync(join(folder, "variants"), { recursive: true });
  oxalis(folder, "clean");
  const run = () => promisify(execFile)("node", [program, "generate", "-C", folder]);
  await Promise.all([run(), run()]);
  expect(hashes()).toEqual(before);
});

test("what was made for clients and stages that are gone is told, and removed where nobody has worked in it", () => {
  oxalis(folder, "generate");
  oxalis(folder, "proof", "3-acre");
  const [first = "", second = ""] = readdirSync(join(folder, "clients"));
  for (const key of [first, second])
    cpSync(join(folder, "variants", key), join(folder, "variants", `gone-${key}`), { recursive: true });
  writeFileSync(join(folder, `variants/gone-${second}/own.txt`), "by hand");
  expect(oxalis(folder, "generate").err).toContain(
    `variants/gone-${first}, variants/gone-${second}: oxalis clean --variants`,
  );
  const { code, out } = oxalis(folder, "clean", "--variants");
  expect([code, out]).toEqual([
    1,
    `removed  variants/gone-${first}\nkept  variants/gone-${second}: own.txt is not as it was made. Remove it by hand.\n`,
  ]);
  expect(readdirSync(join(folder, "variants")).sort()).toEqual(
    [first, second, `gone-${second}`, "builds.example.yml", "builds.json", "proof-3-acre.html"].sort(),
  );
});
