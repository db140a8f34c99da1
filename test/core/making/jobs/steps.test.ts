import { mkdirSync, symlinkSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { pathOfSum } from "../../../../src/core/ground/contents/folder.ts";
import { run } from "../../../../src/core/ground/processes/run.ts";
import { sha256 } from "../../../../src/core/ground/values/hash.ts";
import { secretOf } from "../../../../src/core/ground/values/secret.ts";
import { carryOut } from "../../../../src/core/making/jobs/carry-out.ts";
import { storedInputs } from "../../../../src/core/making/jobs/inputs.ts";
import type { ProgramStep, StepsJob } from "../../../../src/core/making/jobs/job.ts";
import { contents, temporaryFolder } from "../../../support/oxalis.ts";

const step = (text: string, more: Partial<ProgramStep> = {}): ProgramStep => ({
  command: "/bin/sh",
  args: ["-c", text],
  environment: { PATH: process.env.PATH ?? "" },
  secrets: [],
  limits: { seconds: 10, output: 10_000 },
  ...more,
});

/** Carries steps out over one input, `notes.txt`, and says what came of it and what lies there. */
async function after(steps: readonly ProgramStep[], results: readonly string[] = [], stored = "old notes") {
  const root = temporaryFolder();
  const input = { of: "client" as const, path: "notes.txt", sha256: sha256("old notes") };
  mkdirSync(dirname(join(root, pathOfSum(input.sha256))), { recursive: true });
  writeFileSync(join(root, pathOfSum(input.sha256)), stored);
  symlinkSync("/etc", join(root, "elsewhere"));
  const job: StepsJob = { what: "steps", inputs: { "in/notes.txt": input }, steps, results };
  const secrets: Readonly<Record<string, string>> = { PASSWORD: "open sesame" };
  const secret = (name: string) => (secrets[name] === undefined ? undefined : secretOf(secrets[name]));
  const done = await carryOut(job, storedInputs(root), { root, folder: "job" }, { runner: { run, secret } });
  return { ...done, told: done.problems.map(({ code, message, expected }) => [code, message, expected]), root };
}

test("steps work on a job's inputs, in its folder, and what they make is known by its sum", async () => {
  const { files, told, log, root } = await after(
    [step("cat in/notes.txt; mkdir out"), step("tr o 0 < ../in/notes.txt > made.txt", { folder: "out" })],
    ["out/made.txt"],
  );
  expect([told, log, files]).toEqual([[], "old notes", { "out/made.txt": sha256("0ld n0tes") }]);
  expect([...contents(join(root, "job")).keys()]).toEqual(["in/notes.txt", "out/made.txt"]);
});

test("the first step that fails is the last: it is told with the last thing that it said", async () => {
  const { files, told, root } = await after([step("echo begun; echo 'no such key' >&2; exit 3"), step("touch late")]);
  expect([files, told]).toEqual([
    {},
    [["step-failed", "/bin/sh -c echo begun; echo 'no such key' >&2; exit 3 ended with 3.", "no such key"]],
  ]);
  expect([...contents(join(root, "job")).keys()]).toEqual(["in/notes.txt"]);
});

test("a secret reaches the step that names it, and no log; one that is not set stops the job", async () => {
  const tells = step('echo "$PASSWORD"; test "$PASSWORD" = "open sesame"', { secrets: ["PASSWORD"] });
  expect(await after([tells])).toMatchObject({ told: [], log: "•••\n" });
  expect((await after([step("true", { secrets: ["NOT_SET"] })])).told[0]?.[1]).toContain("NOT_SET is wanted by a step");
});

test("nothing is taken that is not there, leads outside, or is not what the job was planned with", async () => {
  const codes = async (...args: Parameters<typeof after>) => (await after(...args)).told.map(([code]) => code);
  expect(await codes([step("true")], ["made.txt"])).toEqual(["step-failed"]);
  expect(await codes([step("ln -s /etc/passwd made.txt")], ["made.txt"])).toEqual(["step-failed"]);
  expect(await codes([step("true")], ["../elsewhere/passwd"])).toEqual(["path-outside"]);
  expect(await codes([step("true", { folder: "../elsewhere" })])).toEqual(["path-outside"]);
  expect(await codes([step("true")], [], "other notes")).toEqual(["plan-damaged"]);
  expect(await codes([step("sleep 30", { limits: { seconds: 1, output: 100 } })])).toEqual(["program-late"]);
});
