import { spawnSync } from "node:child_process";
import { readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";

const damaged = '{\n  "form": 2,\n<<<<<<< ours\n';

test("two branches that release one number of different variants do not merge without a word", () => {
  const folder = workspaceWith(["3-acre"]);
  const git = (...args: string[]) =>
    spawnSync("git", ["-c", "user.name=m", "-c", "user.email=m@a.example", ...args], { cwd: folder, encoding: "utf8" });
  git("init", "-q");
  git("add", "-A", "clients", "oxalis.yaml");
  git("commit", "-qm", "start");
  const releasedOn = (branch: string, color: string) => {
    git("checkout", "-qb", branch);
    edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace(/brand: .*/, `brand: "${color}"`));
    expect(oxalis(folder, "generate", "-q").code).toBe(0);
    expect(oxalis(folder, "release", "3-acre", "--force").code).toBe(0);
    git("add", "clients/3-acre/ledger.json");
    git("commit", "-qm", branch);
    git("checkout", "-q", "clients/3-acre/brief.yaml");
  };
  releasedOn("one", "#114422");
  git("checkout", "-q", "HEAD~1");
  releasedOn("other", "#221144");
  const merged = git("merge", "-q", "one");
  expect([merged.status, merged.stdout]).toEqual([1, expect.stringContaining("CONFLICT")]);
  const { code, err } = oxalis(folder, "check", "3-acre");
  expect([code, err]).toEqual([1, expect.stringContaining("ledger.json holds a merge that nobody has settled.")]);
});

test("nothing writes over a ledger that cannot be read, nor through a link that leads nowhere", () => {
  const folder = workspaceWith(["3-acre", "saltmarsh"]);
  const file = join(folder, "clients/3-acre/ledger.json");
  expect(oxalis(folder, "release", "3-acre", "saltmarsh", "--force").code).toBe(0);
  const calls = [
    ["rename-identifier", "3-acre", "android", "example.other.app"],
    ["rename-identifier", "3-acre", "android", "example.other.app", "--yes"],
    ["release", "3-acre", "--force", "--patch"],
    ["release", "3-acre", "--take-back"],
    ["generate", "3-acre"],
  ];
  writeFileSync(file, damaged);
  for (const call of calls) {
    const { code, err } = oxalis(folder, ...call);
    expect([call[0], code, err.includes("clients/3-acre/ledger.json:3:1")]).toEqual([call[0], 1, true]);
  }
  expect(readFileSync(file, "utf8")).toBe(damaged);
  rmSync(file);
  symlinkSync("nowhere.json", file);
  for (const call of calls) {
    const { code, err } = oxalis(folder, ...call);
    expect([call[0], code, err.includes("[ledger-damaged]")]).toEqual([call[0], 1, true]);
  }
  expect(() => readFileSync(file)).toThrow("ENOENT");
});
