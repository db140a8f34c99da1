import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { beforeAll, expect, test } from "vitest";
import { historyOf } from "../support/history.ts";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";

const root = workspaceWith(["3-acre", "root-and-leaf"]);
const read = (variant: string, file: string) => readFileSync(join(root, "variants", variant, file));
const text = (variant: string, file: string) => read(variant, file).toString();

beforeAll(() => {
  expect(oxalis(root, "generate", "-q").code).toBe(0);
});

test("a stage's variants stand beside the store's, under their own identifiers and labels, proven alike", () => {
  const ledger = () => historyOf(root, "3-acre");
  const before = { ledger: ledger(), store: text("3-acre", ".receipt.json") };
  // A stage changes no ledger, and so may be made where none may change.
  expect(oxalis(root, "generate", "-q", "--settled", "--stage", "testers")).toMatchObject({
    code: 0,
    err: "",
  });
  expect(oxalis(root, "audit", "--stage", "testers")).toMatchObject({ code: 0, err: "" });
  expect(oxalis(root, "audit").code).toBe(0);
  expect({ ledger: ledger(), store: text("3-acre", ".receipt.json") }).toEqual(before);

  const gradle = "android/app/build.gradle.kts";
  const strings = "android/app/src/main/res/values/texts.xml";
  const storeId = "example.n3acre.n3acregreens";
  expect(text("3-acre", gradle)).toContain(`"${storeId}"`);
  expect(text("3-acre.testers", gradle)).toContain(`"${storeId}.test"`);
  expect(text("3-acre.testers", strings)).toContain(">T 3 Acre<");

  expect(oxalis(root, "proof", "--stage", "testers", "-o", "stage.html").code).toBe(0);
  const page = readFileSync(join(root, "stage.html"), "utf8");
  expect(page.match(/The stage testers: installed beside the app that everybody gets/g)).toHaveLength(2);
  // A class with a full stop in it would be two, and the pictures would show nowhere.
  expect(page).toMatch(/\.c-3-acre \.p-ios-icon/);

  const builds = JSON.parse(readFileSync(join(root, "variants/builds.json"), "utf8"));
  const rows = builds.map(({ stage, folder, identifier }: Record<string, string>) =>
    [stage, folder, identifier].join(" "),
  );
  expect(rows).toHaveLength(16);
  expect([...new Set(builds.map(({ stage, installs }: Record<string, string>) => `${stage} ${installs}`))]).toEqual([
    "store store",
    "testers beside",
  ]);
  expect(rows).toContain(`store variants/3-acre/ios ${storeId}`);
  expect(rows).toContain(`testers variants/3-acre.testers/ios ${storeId}.test`);
  expect(rows).toContain("testers variants/3-acre.testers/web /3-acre-greens-test");
});

test.each(["3-acre", "root-and-leaf"])("%s: the mark is on icons, and on nothing that is not one", (client) => {
  const { files } = JSON.parse(text(client, ".receipt.json")) as {
    files: Record<string, [kind: string]>;
  };
  const drawn = Object.keys(files).filter((file) => files[file]?.[0] === "draw");
  const marked = drawn.filter((file) => !read(client, file).equals(read(`${client}.testers`, file)));
  const icons =
    /mipmap|ic_launcher_foreground|appiconset|SideList|SideSmall|SideMedium|SideLarge|SideWide|Stall\.scale/;
  expect(marked.filter((file) => /start|Opening|Stencil|notification|social|store\/|branding/i.test(file))).toEqual([]);
  expect(marked.filter((file) => icons.test(file)).length).toBeGreaterThan(80);
});

test("a stage that nobody described is refused with the nearest one, and a fault in its pattern is shown", () => {
  const unknown = oxalis(root, "generate", "--stage", "tester");
  expect(unknown.code).toBe(1);
  expect(unknown.err).toMatch(/stage-unknown[\s\S]*expected {2}"testers"/);
  expect(existsSync(join(root, "variants/3-acre.tester"))).toBe(false);
  edit(root, "oxalis.yaml", (yaml) => yaml.replace("T {app.label}", "{app.lable}"));
  const faulty = oxalis(root, "check", "--stage", "testers");
  expect(faulty.code).toBe(1);
  expect(faulty.err).toMatch(/pattern-invalid[\s\S]*oxalis\.yaml:\d+:\d+/);
});

test("a stage is beside the store's app or in its place: what is said of it and its suffix agree", () => {
  const folder = workspaceWith(["3-acre"]);
  const stages = (text: string) => edit(folder, "oxalis.yaml", (agency) => agency.replace(/^stages:\n( .*\n)+/m, text));
  stages("stages:\n  tracks:\n    installs: beside\n");
  expect(oxalis(folder, "check")).toMatchObject({ code: 1, err: expect.stringContaining("app needs a suffix") });
  stages("stages:\n  tracks:\n    installs: instead\n    suffix: test\n");
  expect(oxalis(folder, "check").err).toMatch(/stages\.tracks\.installs: .* has its identifier, and no suffix/);
  stages('stages:\n  tracks:\n    label: "T {app.label}"\n');
  expect(oxalis(folder, "generate", "-q", "--stage", "tracks").code).toBe(0);
  const builds = JSON.parse(readFileSync(join(folder, "variants/builds.json"), "utf8"));
  expect(builds[0]).toMatchObject({ stage: "tracks", installs: "instead", identifier: "example.n3acre.n3acregreens" });
  oxalis(folder, "proof", "--stage", "tracks", "-o", "stage.html");
  expect(readFileSync(join(folder, "stage.html"), "utf8")).toContain("for testers of the store's own tracks");
});
