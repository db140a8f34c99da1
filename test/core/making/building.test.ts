import fc from "fast-check";
import { expect, test } from "vitest";
import type { BuildRecord, BuildRecords } from "../../../src/core/agency/history/builds.ts";
import type { OwnKeys } from "../../../src/core/agency/workspace/workspace.ts";
import { type PackageFacts, unsaid } from "../../../src/core/app/packages/facts.ts";
import type { ProfileFacts } from "../../../src/core/app/platforms/apple/profile.ts";
import { keyRoles } from "../../../src/core/clients/keys/roles.ts";
import { systemFacts } from "../../../src/core/ground/systems/system.ts";
import type { Platform } from "../../../src/core/ground/values/platform.ts";
import { byHand } from "../../../src/core/making/building/by-hand.ts";
import { decideBuilds } from "../../../src/core/making/building/decide.ts";
import { environmentOf, ofMachine } from "../../../src/core/making/building/environment.ts";
import type { PlannedBuild } from "../../../src/core/making/building/prepare.ts";
import { signingPlan } from "../../../src/core/making/building/signing.ts";
import { buildFolder, workFolder } from "../../../src/core/making/building/work.ts";
import { judgePackage } from "../../../src/core/proving/packages/judge.ts";
import { artwork, variantOf } from "../../support/variant.ts";

const today = "2026-11-29";
const place = { file: "template.yaml", line: 1, column: 1, text: "" };
const variant = variantOf(artwork({}), {
  "app.label": "Hill",
  "identifiers.android": "example.hill",
  "identifiers.ios": "example.hill",
  "identifiers.windows": "Hill.Farm",
  "windows.publisher": "CN=Hill Ltd",
  "windows.version": "2.3.41.0",
  version: "2.3.0",
  build: "41",
  domain: "hill.example",
});

const record = (build: number, state: BuildRecord["state"], variantSum = "sum"): BuildRecord => ({
  ...{ stage: "store", platform: "web", version: "1.0.0", build, on: today, variant: variantSum, state },
  ...{ files: [], given: [] },
});
const records = (...all: readonly BuildRecord[]): BuildRecords =>
  Object.fromEntries(all.map((each, at) => [`${at}`, each]));

test("what is built is what is not as its last good build was, and why is told", () => {
  const decide = (all: BuildRecords, build: number, more: { again?: boolean; sum?: string } = {}) => {
    const { again = false, sum = "sum" } = more;
    const [own] = decideBuilds(all, { stage: "store", platforms: ["web"], sum: () => sum, build, again });
    return [own?.reason ?? "same", own?.isSpent ? "spent" : "free", own?.good?.build ?? 0];
  };
  expect(decide({}, 1)).toEqual(["never", "free", 0]);
  expect(decide(records(record(1, "good")), 1)).toEqual(["same", "spent", 1]);
  expect(decide(records(record(1, "good")), 1, { again: true })).toEqual(["asked", "spent", 1]);
  expect(decide(records(record(1, "good")), 1, { sum: "other" })).toEqual(["changed", "spent", 1]);
  // A number that was taken meanwhile is free.
  expect(decide(records(record(1, "good")), 2, { sum: "other" })).toEqual(["changed", "free", 1]);
  expect(decide(records(record(1, "good"), record(2, "failed")), 2)).toEqual(["failed", "spent", 1]);
  expect(decide(records(record(1, "good"), record(2, "begun")), 2)).toEqual(["broken-off", "spent", 1]);
  // Good, failed, and good again: the last one counts.
  expect(decide(records(record(3, "good"), record(2, "failed"), record(1, "good", "old")), 3)).toEqual([
    "same",
    "spent",
    3,
  ]);
  // Another stage's, and another platform's, are none of its.
  const others = records({ ...record(5, "good"), stage: "testers" }, { ...record(6, "good"), platform: "android" });
  expect(decide(others, 1)).toEqual(["never", "free", 0]);
});

test("no build is ever decided to go by a number that one has already", () => {
  const states = fc.constantFrom("good" as const, "failed" as const, "begun" as const);
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.nat(30), { minLength: 1 }),
      states,
      fc.nat(40),
      fc.boolean(),
      (numbers, state, build, again) => {
        const all = records(...numbers.map((each) => record(each + 1, state)));
        const [own] = decideBuilds(all, {
          stage: "store",
          platforms: ["web"],
          sum: () => "new",
          build: build + 1,
          again,
        });
        const spent = numbers.some((each) => each + 1 >= build + 1);
        expect(own?.isSpent).toBe(spent);
      },
    ),
  );
});

test("steps are given what is built, what template.yaml says, and of the machine what programs need and no more", () => {
  const machine: Readonly<Record<string, string>> = {
    PATH: "/bin",
    HOME: "/root",
    EDITOR: "vi",
    OWN: "x",
    TOKEN: "secret",
  };
  const steps = {
    steps: [{ run: "true", minutes: 1 }],
    gives: { store: "a" },
    environment: { SHOP: "{domain}/{app.label}", BUILD: "over" },
    passes: ["OWN", "LACKING"],
    secrets: ["TOKEN"],
  };
  const given = (system: keyof typeof systemFacts) => ({
    ...ofMachine(system, steps.passes, (name) => machine[name]),
    ...environmentOf(steps, variant, "android", { stage: "store", place }),
  });
  expect(given("linux")).toEqual({
    ...{ PATH: "/bin", HOME: "/root", OWN: "x", CLIENT: "x", STAGE: "store", IDENTIFIER: "example.hill" },
    ...{ VERSION: "2.3.0", BUILD: "over", SHOP: "hill.example/Hill" },
  });
  expect(given("windows")).not.toHaveProperty("HOME");
  for (const { shell, passes } of Object.values(systemFacts)) {
    expect(shell.length).toBeGreaterThan(1);
    expect(passes).toContain("PATH");
  }
});

test("keys go to steps by variables for all clients and for one, each with the file that it lies in", () => {
  const key = (name: string) => ({
    ...{ name, came: "made" as const, on: today, vault: "v", algorithm: "RSA 3072", alias: "upload" },
  });
  const own: OwnKeys = {
    records: { "android-upload": key("a-upload"), "windows-package": key("a-package"), "web-push": key("a-push") },
    requests: {},
    profiles: {
      "store-example.hill": {
        ...{
          name: "a-profile",
          on: today,
          vault: "v",
          sha256: "0",
          kind: "store",
          platform: "ios",
          title: "t",
          uuid: "u",
        },
        ...{ team: "T", identifier: "example.hill.widget", from: today, until: today, certificates: [], devices: 0 },
        ...{ entitlements: {}, signer: "" },
      },
    },
  };
  const held = keyRoles.flatMap((role) => {
    const kept = own.records[role];
    return kept ? [{ role, client: "3-acre", record: kept }] : [];
  });
  const plan = (platform: Parameters<typeof signingPlan>[1]) => signingPlan("3-acre", platform, held, own.profiles);
  expect(plan("android")).toEqual({
    files: ["SIGNING_STORE", "SIGNING_3_ACRE_STORE"].map((variable) => ({
      ...{ variable, sealed: "3-acre/a-upload.p12.age", name: "a-upload.p12" },
    })),
    secrets: ["SIGNING", "SIGNING_3_ACRE"].flatMap((name) =>
      ["STORE_PASSWORD", "KEY_PASSWORD"].map((what) => ({
        ...{ variable: `${name}_${what}`, sealed: "3-acre/a-upload.password.age" },
      })),
    ),
    plain: { SIGNING_KEY: "upload", SIGNING_3_ACRE_KEY: "upload" },
  });
  expect(plan("windows").plain).toEqual({ SIGNING_PACKAGE_KEY: "upload", SIGNING_3_ACRE_PACKAGE_KEY: "upload" });
  expect(plan("ios").files).toEqual([
    {
      variable: "SIGNING_PROFILE_EXAMPLE_HILL_WIDGET",
      sealed: "3-acre/a-profile.profile.age",
      name: "a-profile.mobileprovision",
    },
  ]);
  // A push key is a server's, and no build's.
  expect(plan("web")).toEqual({ files: [], secrets: [], plain: {} });
});

test("a sheet says what is typed where, what comes out, and how it comes back", () => {
  const build: PlannedBuild = {
    ...{ client: "hill", stage: "testers", platform: "ios", version: "2.3.0", build: 41, isSpent: false, sum: "s" },
    ...{ variant, folder: "variants/hill.testers", part: "ios", place },
    steps: {
      on: "mac",
      steps: [
        { run: "make archive", minutes: 30 },
        { run: "make export", in: "ios/tools", minutes: 5 },
      ],
      gives: { store: "ios/out/*.ipa", symbols: "ios/out/*.zip" },
      ...{ environment: {}, passes: [], secrets: [] },
    },
  };
  const sheet = byHand(build, "example.hill");
  for (const said of [
    "# hill: iOS, version 2.3.0, number 41",
    "This build wants a Mac. The app is example.hill; its project lies in `variants/hill.testers/ios`.",
    "1. In `variants/hill.testers/ios` (at most 30 minutes):\n\n       make archive",
    "2. In `variants/hill.testers/ios/tools` (at most 5 minutes):\n\n       make export",
    "CLIENT=hill STAGE=testers VERSION=2.3.0 BUILD=41",
    "- store: `variants/hill.testers/ios/out/*.ipa`\n- symbols: `variants/hill.testers/ios/out/*.zip`",
    "oxalis build hill --platform ios --stage testers --adopt <file>",
    "It lies in `builds/hill/testers/2.3.0+41/ios` then.",
  ])
    expect(sheet).toContain(said);
  expect([buildFolder(build), workFolder(build)]).toEqual([
    "builds/hill/testers/2.3.0+41/ios",
    ".oxalis/building/hill.testers.ios",
  ]);
});

test("a package is held against the client's app: each thing that is not so is told, and what is a reference is not judged", () => {
  const sound: PackageFacts = {
    ...unsaid,
    ...{ kind: "apk", identifier: "example.hill", labels: { "": "Hill" }, version: "2.3.0", build: "41" },
    ...{ target: "36", odd: [], files: 9 },
    signer: { subject: "CN=Hill Ltd", sha256: "AA:BB", by: "", holds: true },
  };
  const codes = (more: Partial<PackageFacts>, platform: Platform = "android") =>
    judgePackage(
      { ...sound, ...more },
      { variant, platform, version: "2.3.0", build: 41, signers: ["AA:BB"], today: "2026-11-29" },
      "x.apk",
    ).map(({ code, severity }) => `${code} ${severity}`);
  const foreign = ["package-foreign error"];
  const signer = ["package-signer error"];
  const unfit = ["package-unfit error"];
  expect(codes({})).toEqual([]);
  expect(codes({ identifier: "example.other" })).toEqual(foreign);
  expect(codes({ version: "2.2.0" })).toEqual(["package-stale error"]);
  expect(codes({ build: "40" })).toEqual(["package-stale error"]);
  expect(codes({ labels: { "": "Hill", de: "Template" } })).toEqual(foreign);
  expect(codes({ labels: { "": "@string/app_name" } })).toEqual([]);
  expect(codes({ isDebuggable: true })).toEqual(unfit);
  expect(codes({ unfit: ["is not aligned"] })).toEqual(unfit);
  expect(codes({ target: "35" })).toEqual(["package-unfit warning"]);
  expect(codes({ signer: { subject: "CN=Hill Ltd", sha256: "CC:DD", by: "" } })).toEqual(signer);
  expect(codes({ signer: { subject: "CN=Hill Ltd", sha256: "AA:BB", by: "", holds: false } })).toEqual(signer);
  expect(codes({ signer: { subject: "C=US, O=Android, CN=Android Debug", sha256: "AA:BB", by: "" } })).toEqual(signer);
  expect(codes({ odd: ["../x", "a", "b", "c"] })).toEqual(unfit);
  const own = { version: "1", build: "1" };
  expect(codes({ parts: [{ identifier: "example.hill.widget", ...own }] })).toEqual([]);
  expect(codes({ parts: [{ identifier: "example.hillside", ...own }] })).toEqual(foreign);
  const windows: Partial<PackageFacts> = {
    ...{ kind: "msix", identifier: "Hill.Farm", version: "2.3.41.0", build: "2.3.41.0" },
  };
  expect(codes({ ...windows, publisher: 'CN="Hill Ltd"' }, "windows")).toEqual([]);
  expect(codes({ ...windows, publisher: "CN=Other" }, "windows")).toEqual(foreign);
  // A program for Windows says no identifier and no number; its version has four parts.
  const program: Partial<PackageFacts> = { kind: "program", identifier: "", build: "" };
  expect(codes({ ...program, version: "2.3.0.0" }, "windows")).toEqual([]);
  expect(codes({ ...program, version: "2.3.01" }, "windows")).toEqual(["package-stale error"]);
  const profile: ProfileFacts = {
    ...{ kind: "store", platform: "ios", title: "Hill", uuid: "1", team: "AB12CD34EF", identifier: "example.hill" },
    ...{ from: "2026-01-01", until: "2027-01-01", certificates: [], devices: 0, entitlements: {}, signer: "" },
  };
  const phone: Partial<PackageFacts> = { kind: "ipa", identifier: "example.hill" };
  expect(codes({ ...phone, profile }, "ios")).toEqual([]);
  expect(codes({ ...phone, profile: { ...profile, identifier: "example.*" } }, "ios")).toEqual([]);
  expect(codes({ ...phone, profile: { ...profile, identifier: "example.other" } }, "ios")).toEqual(signer);
  expect(codes({ ...phone, profile: { ...profile, until: "2026-11-28" } }, "ios")).toEqual(signer);
});
