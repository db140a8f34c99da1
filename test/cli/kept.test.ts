import { spawnSync } from "node:child_process";
import { readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { historyOf } from "../support/history.ts";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";

const damaged = '{\n  "form": 2,\n<<<<<<< ours\n';

/** A workspace under version control, and what git says there. */
function versioned(clients: readonly string[]) {
  const folder = workspaceWith(clients);
  const git = (...args: string[]) =>
    spawnSync("git", ["-c", "user.name=m", "-c", "user.email=m@a.example", ...args], { cwd: folder, encoding: "utf8" });
  git("init", "-q");
  git("add", "-A", "clients", "oxalis.yaml");
  git("commit", "-qm", "start");
  /** Does something on a branch that begins where all began. */
  const onBranch = (branch: string, work: () => void) => {
    git("checkout", "-q", "-b", branch, "master");
    work();
    git("add", "-A", "clients");
    git("commit", "-qm", branch);
  };
  git("branch", "-M", "master");
  return { folder, git, onBranch };
}

test("two branches that release one number of different variants do not merge without a word", () => {
  const { folder, git, onBranch } = versioned(["3-acre"]);
  const releasedOn = (branch: string, color: string) =>
    onBranch(branch, () => {
      const before = readFileSync(join(folder, "clients/3-acre/brief.yaml"));
      edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace(/brand: .*/, `brand: "${color}"`));
      expect(oxalis(folder, "generate", "-q").code).toBe(0);
      expect(oxalis(folder, "release", "3-acre", "--force").code).toBe(0);
      writeFileSync(join(folder, "clients/3-acre/brief.yaml"), before);
    });
  releasedOn("one", "#114422");
  releasedOn("other", "#221144");
  const merged = git("merge", "-q", "one");
  expect([merged.status, merged.stdout]).toEqual([1, expect.stringContaining("CONFLICT")]);
  const { code, err } = oxalis(folder, "check", "3-acre");
  expect([code, err]).toEqual([
    1,
    expect.stringContaining("history/build-1.json holds a merge that nobody has settled."),
  ]);
});

test("what two branches did apart merges by itself: other platforms, other texts, a letter", () => {
  const { folder, git, onBranch } = versioned(["brennans-bothy", "3-acre"]);
  const done = (...args: string[]) => expect([args, oxalis(folder, ...args).code]).toEqual([args, 0]);
  onBranch("one", () => {
    done("release", "3-acre", "--force", "--platform", "android");
    done("approve", "brennans-bothy", "--by", "Mara", "--field", "short");
  });
  onBranch("other", () => {
    done("approve", "brennans-bothy", "--by", "Ines", "--field", "description");
    done("ask", "brennans-bothy", "--sent");
  });
  expect(git("merge", "-q", "-m", "both", "one")).toMatchObject({ status: 0, stdout: "" });
  const { approved, letters } = historyOf(folder, "brennans-bothy");
  expect([...new Set(Object.values(approved).map(({ by }) => by))].sort()).toEqual(["Ines", "Mara"]);
  expect([letters.length, historyOf(folder, "3-acre").releases.length]).toEqual([1, 1]);
  expect(oxalis(folder, "board").err).not.toMatch(/damaged/);
});

test("one number with two contents, or an entry that is not what its name says, is told however it came about", () => {
  const folder = workspaceWith(["3-acre"]);
  expect(oxalis(folder, "release", "3-acre", "--force").code).toBe(0);
  const file = join(folder, "clients/3-acre/history/build-1.json");
  const { form: _, ...release } = JSON.parse(readFileSync(file, "utf8"));
  const told = () => oxalis(folder, "check", "3-acre").err;
  const former = join(folder, "clients/3-acre/ledger.json");
  const ledger = (template: string) => JSON.stringify({ form: 2, releases: [{ ...release, by: undefined, template }] });
  writeFileSync(former, ledger("0ther"));
  expect(told()).toContain("clients/3-acre/ledger.json and clients/3-acre/history/build-1.json differ.");
  rmSync(former);
  writeFileSync(join(folder, "clients/3-acre/history/build-1 (1).json"), readFileSync(file));
  expect(told()).toContain("clients/3-acre/history/build-1 (1).json has build 1.");
  rmSync(join(folder, "clients/3-acre/history/build-1 (1).json"));
  writeFileSync(
    join(folder, "clients/3-acre/history/build-2.json"),
    JSON.stringify({ ...release, form: 1, build: 2, version: "0.9.0" }),
  );
  expect(told()).toContain("has build 2 (version 0.9.0) behind build 1 (version 1.0.0)");
  rmSync(join(folder, "clients/3-acre/history"), { recursive: true });
  symlinkSync("nowhere", join(folder, "clients/3-acre/history"));
  expect(told()).toContain("clients/3-acre/history is no folder: what has happened to 3-acre is not known.");
});

test("nothing writes over a ledger that cannot be read, nor through a link that leads nowhere", () => {
  const folder = workspaceWith(["3-acre", "saltmarsh"]);
  const file = join(folder, "clients/3-acre/history/build-1.json");
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
    expect([call[0], code, err.includes("clients/3-acre/history/build-1.json:3:1")]).toEqual([call[0], 1, true]);
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
