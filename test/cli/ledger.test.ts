import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { beforeEach, describe, expect, test } from "vitest";
import { historyOf } from "../support/history.ts";
import { edit, oxalis, sums, workspaceWith } from "../support/oxalis.ts";

let folder: string;
const brief = "clients/3-acre/brief.yaml";
const ledger = (key = "3-acre") => historyOf(folder, key);
const inVariant = (file: string) => readFileSync(join(folder, "variants/3-acre", file), "utf8");

/** Pictures are not what is looked at here. */
beforeEach(() => {
  folder = workspaceWith(["3-acre", "saltmarsh"]);
  edit(folder, "oxalis.yaml", (text) => text.replace("[android, ios, windows, web]", "[android, windows]"));
  edit(folder, "template.yaml", (text) => text.replace(/ {2}- file: (web|ios).*\n.*\n.*\n/g, ""));
});

test("an identifier is reserved when it is first generated, and follows the brief until it is released", () => {
  oxalis(folder, "generate");
  expect(ledger().identifiers.android).toEqual({
    value: "example.n3acre.n3acregreens",
    reserved: expect.any(String),
  });
  edit(folder, brief, (text) => text.replace("3 Acre Greens", "Acre Greens"));
  oxalis(folder, "generate");
  expect(ledger().identifiers.android).toEqual({
    value: "example.n3acre.acregreens",
    reserved: expect.any(String),
  });
});

test("once released, no name and no pattern changes an identifier; generate keeps it and says so", () => {
  expect(oxalis(folder, "release", "3-acre", "--force").out).toContain("first release: 1.0.0 build 1");
  edit(folder, brief, (text) => text.replace("3 Acre Greens", "Acre Greens"));
  edit(folder, "oxalis.yaml", (text) => text.replace("{app.name joined}", "{app.name initials lower}"));
  const { code, err } = oxalis(folder, "generate");
  expect(code).toBe(0);
  expect(err).toContain('keeps the identifier "example.n3acre.n3acregreens"');
  expect(err).toContain('brief and patterns would now give "example.n3acre.ag"');
  expect(inVariant("android/app/build.gradle.kts")).toContain('applicationId = "example.n3acre.n3acregreens"');
  expect(inVariant("windows/Package.appxmanifest")).toContain("DisplayName>Acre Greens<");
});

test("versions rise as asked, and a build number is used once, on every platform in its own form", () => {
  const release = (...args: string[]) => oxalis(folder, "release", "3-acre", "--force", ...args).out;
  release();
  expect(release("--minor", "--note", "More greens", "--note", "fr=Plus de vert")).toContain(
    "1.0.0 build 1 → 1.1.0 build 2",
  );
  expect(release("--rebuild")).toContain("1.1.0 build 2 → 1.1.0 build 3");
  expect(release("--patch")).toContain("1.1.0 build 3 → 1.1.1 build 4");
  expect(release("--major", "--dry-run")).toContain("1.1.1 build 4 → 2.0.0 build 5");
  expect(ledger().releases.map((each: { version: string; build: number }) => `${each.version} ${each.build}`)).toEqual([
    "1.0.0 1",
    "1.1.0 2",
    "1.1.0 3",
    "1.1.1 4",
  ]);
  expect(ledger().releases[1]?.notes).toEqual({ en: "More greens", fr: "Plus de vert" });
  oxalis(folder, "generate", "3-acre");
  expect(inVariant("android/app/build.gradle.kts")).toMatch(/versionCode = 4\n\s+versionName = "1\.1\.1"/);
  expect(inVariant("windows/Package.appxmanifest")).toContain('Version="1.1.4.0"');
});

test("a release of several clients is all or nothing", () => {
  oxalis(folder, "release", "3-acre", "--force");
  const before = sums(join(folder, "clients"));
  const { code, err } = oxalis(folder, "release", "3-acre", "saltmarsh");
  expect(code).toBe(1);
  expect(err).toContain("3-acre is at 1.0.0: say how the next version follows.");
  expect(sums(join(folder, "clients"))).toEqual(before);
  expect(oxalis(folder, "release", "saltmarsh", "--rebuild").err).toContain("there is nothing to build again");
  expect(oxalis(folder, "release", "3-acre", "--minor", "--major").code).toBe(2);
});

test("a build number that a platform in use does not take is refused", () => {
  edit(folder, brief, (text) => `${text}build: 65535\n`);
  expect(oxalis(folder, "release", "3-acre", "--force").code).toBe(0);
  expect(oxalis(folder, "release", "3-acre", "--patch").err).toContain("65536 is more than 65535");
});

test("rename-identifier says what it breaks, and wants --yes", () => {
  oxalis(folder, "release", "3-acre", "saltmarsh", "--force");
  const before = ledger();
  const asked = oxalis(folder, "rename-identifier", "3-acre", "android", "example.acres.green");
  expect(asked.code).toBe(1);
  expect(asked.out).toContain("breaks  The store takes it for another app");
  expect(ledger()).toEqual(before);
  expect(oxalis(folder, "rename-identifier", "3-acre", "android", "example.acres.green", "--yes").code).toBe(0);
  expect(ledger().identifiers.android).toEqual({ value: "example.acres.green", fixed: expect.any(String) });
  const rename = (...args: string[]) => oxalis(folder, "rename-identifier", "3-acre", ...args, "--yes");
  expect(rename("windows", "EXAMPLE.saltmarsh.saltmarshroots").err).toContain("is the identifier of saltmarsh");
  expect(rename("android", "green").err).toContain("[identifier-invalid]");
  expect(rename("symbian", "example.acres.green").code).toBe(2);
});

describe("--settled", () => {
  test("fails and writes nothing where a ledger would have to change", () => {
    const { code, err } = oxalis(folder, "generate", "--settled");
    expect(code).toBe(1);
    expect(err).toContain("The ledger in clients/3-acre/history would have to change.");
    expect(existsSync(join(folder, "variants"))).toBe(false);
    oxalis(folder, "generate");
    rmSync(join(folder, "variants"), { recursive: true });
    expect(oxalis(folder, "generate", "--settled").code).toBe(0);
  });
});

test("a damaged ledger is an error that says where, and is never replaced", () => {
  oxalis(folder, "release", "3-acre", "--force");
  const path = join(folder, "clients/3-acre/history/build-1.json");
  const damaged = readFileSync(path, "utf8").replace('"build": 1', '"build": "one"');
  writeFileSync(path, damaged);
  for (const args of [["generate"], ["release", "3-acre", "--minor"]]) {
    const { code, err } = oxalis(folder, ...args);
    expect(code).toBe(1);
    expect(err).toContain("[ledger-damaged]");
    expect(err).toMatch(/clients\/3-acre\/history\/build-1\.json:\d+:12/);
  }
  expect(readFileSync(path, "utf8")).toBe(damaged);
});

test("groups: of what agency, groups and brief say, the later wins, and the trail shows all of them", () => {
  edit(
    folder,
    "oxalis.yaml",
    (text) => `${text}groups:\n  coast:\n    locale: cy\n    version: 2.0.0\n  new:\n    version: 3.0.0\n`,
  );
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => `groups: [coast, new]\n${text}`);
  const { out } = oxalis(folder, "explain", "saltmarsh", "--json");
  const { version, locale } = JSON.parse(out).values;
  expect(version.trail.map((step: { note: string; value: string }) => `${step.note}: ${step.value}`)).toEqual([
    "the agency's default for all: 1.0.0",
    "the group coast: 2.0.0",
    "the group new: 3.0.0",
  ]);
  expect(locale.value).toBe("cy");
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => text.replace("coast, new", "coats"));
  expect(oxalis(folder, "generate", "saltmarsh").err).toMatch(/No group is called "coats"[\s\S]*expected {2}"coast"/);
});

test("explain --pattern tries a pattern, and shows where it is wrong", () => {
  const tried = (pattern: string) => oxalis(folder, "explain", "saltmarsh", "--pattern", pattern);
  expect(tried("{app.name without roots,the upper}-{build}").out).toBe("SALTMARSH-1\n");
  expect(tried("{app.name uper}")).toMatchObject({ code: 1, err: expect.stringContaining("pattern:1:11") });
});

test("a name of which nothing is left is an error that asks for an identifier", () => {
  edit(folder, brief, (text) => text.replace("3 Acre Greens", "★★★"));
  const { code, err } = oxalis(folder, "generate", "3-acre");
  expect(code).toBe(1);
  expect(err).toContain('Nothing is left of app.name, "★★★"');
  edit(folder, brief, (text) => `${text}identifiers:\n  base: example.three.stars\n  web: /stars\n`);
  expect(oxalis(folder, "generate", "3-acre").code).toBe(0);
});

describe("a release", () => {
  test("of what is not proven is refused, unless forced", () => {
    const refused = oxalis(folder, "release", "3-acre");
    expect(refused).toMatchObject({ code: 1, err: expect.stringContaining("[release-unproven]") });
    expect(refused.err).toContain("the variant has not been generated");
    expect(existsSync(join(folder, "clients/3-acre/history"))).toBe(false);
    oxalis(folder, "generate", "3-acre");
    edit(folder, "variants/3-acre/android/app/src/main/AndroidManifest.xml", (text) => `${text}<!-- by hand -->`);
    expect(oxalis(folder, "release", "3-acre").err).toContain("AndroidManifest.xml is not as it was made.");
    oxalis(folder, "generate", "3-acre");
    expect(oxalis(folder, "release", "3-acre").code).toBe(0);
  });

  test("fixes no identifier that nobody can be sure of before somebody has confirmed it", () => {
    edit(folder, brief, (text) => text.replace("3 Acre Greens", "สวนผัก"));
    oxalis(folder, "generate", "3-acre", "-q");
    const { code, err } = oxalis(folder, "release", "3-acre", "--dry-run");
    expect([code, err.includes("release-unsure"), ledger().releases]).toEqual([1, true, []]);
    edit(folder, brief, (text) => `${text}identifiers: { base: example.n3acre.suanphak }\n`);
    oxalis(folder, "generate", "3-acre", "-q");
    expect(oxalis(folder, "release", "3-acre", "--dry-run").err).not.toContain("release-unsure");
  });

  test("of a client of whom an error stops a platform is held, but for platforms that are named", () => {
    edit(folder, brief, (text) => `${text}identifiers: { windows: x }\n`);
    expect(oxalis(folder, "generate", "3-acre").code).toBe(1);
    const { code, out, err } = oxalis(folder, "release", "3-acre");
    expect([code, out]).toEqual([1, "Nobody has taken a number.\n"]);
    expect(err).toContain('an audit finds: Windows does not accept the identifier "x".');
    const named = oxalis(folder, "release", "3-acre", "--platform", "android");
    expect([named.code, named.out]).toEqual([0, expect.stringContaining("1.0.0 build 1 for Android")]);
    const { identifiers, releases } = ledger();
    expect(Object.keys(identifiers)).toEqual(["android"]);
    expect(releases[0]?.platforms).toEqual(["android"]);
    edit(folder, brief, (text) => text.replace("identifiers: { windows: x }\n", ""));
    oxalis(folder, "generate", "3-acre");
    expect(oxalis(folder, "release", "3-acre", "--rebuild", "--platform", "windows")).toMatchObject({
      code: 0,
      err: "",
    });
    expect(ledger().identifiers.windows?.fixed).toBeDefined();
  });

  test("made by mistake is taken back until there is a later one; the first one frees its identifiers", () => {
    oxalis(folder, "release", "3-acre", "--force");
    oxalis(folder, "release", "3-acre", "--force", "--minor");
    expect(oxalis(folder, "release", "3-acre", "--take-back").out).toContain(
      "1.1.0 build 2 taken back: 1.0.0 build 1 is the last one again",
    );
    expect(oxalis(folder, "release", "3-acre", "--take-back").out).toContain("it has no number");
    const { identifiers, releases } = ledger();
    expect(releases).toEqual([]);
    expect(identifiers.android?.fixed).toBeUndefined();
    expect(oxalis(folder, "release", "3-acre", "--take-back").err).toContain("there is nothing to take back");
    edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("3 Acre Greens", "4 Acre Greens"));
    oxalis(folder, "release", "3-acre", "--force");
    expect(ledger().identifiers.android?.value).toBe("example.n3acre.n4acregreens");
  });

  test("has notes that its stores take; a brief's version that it has passed is told", () => {
    const { code, err } = oxalis(folder, "release", "3-acre", "--force", "--note", `de=${"ä".repeat(501)}`);
    expect(code).toBe(1);
    expect(err).toMatch(/notes in de have 501 characters.*\n.*at most 500 for the Google Play/);
    expect(oxalis(folder, "release", "3-acre", "--force", "--note", `de=${"ä".repeat(500)}`).code).toBe(0);
    edit(folder, "clients/3-acre/brief.yaml", (text) => `${text}\nversion: 2.0.0\n`);
    expect(oxalis(folder, "check", "3-acre").err).toContain("The brief's version 2.0.0 is not taken: 1.0.0 was taken");
  });
});
