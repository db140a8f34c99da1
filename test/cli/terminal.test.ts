import { spawnSync } from "node:child_process";
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { stripVTControlCharacters } from "node:util";
import stringWidth from "string-width";
import { describe, expect, test } from "vitest";
import { withSteps } from "../support/builds.ts";
import { oxalis, program, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { hasTool } from "../support/tools.ts";

const root = workspaceWith(["3-acre", "brennans-bothy"]);
const sh = (script: string, env: Readonly<Record<string, string>> = {}) =>
  spawnSync("sh", ["-c", script], {
    cwd: root,
    encoding: "utf8",
    env: { PATH: process.env.PATH ?? "", OXALIS: `node ${program}`, ...env },
  });

const controls = String.fromCharCode(27);

test("colour is for terminals, unless it is asked for; NO_COLOR holds where nobody asks", () => {
  expect(sh("$OXALIS clients").stdout).not.toContain(controls);
  expect(sh("$OXALIS clients --color always", { NO_COLOR: "1" }).stdout).toContain(`${controls}[`);
});

describe.runIf(hasTool("script"))("in a terminal", () => {
  const inTerminal = (command: string, env: Record<string, string> = {}, columns = 100) =>
    sh(`script -qec "stty cols ${columns}; node ${program} ${command}" /dev/null`, { TERM: "xterm", ...env }).stdout;

  test("there is colour, but where nobody wants it", () => {
    expect(inTerminal("clients")).toContain(`${controls}[`);
    expect(inTerminal("clients", { NO_COLOR: "1" })).not.toContain(`${controls}[`);
    expect(inTerminal("clients", { TERM: "dumb" })).not.toContain(`${controls}[`);
  });

  test.each([
    "--help",
    "clients -v",
    "check -v",
    "art",
    "art -v --role icon",
    "explain 3-acre",
    "generate --dry-run -v",
    "audit",
    "proof",
    "export roster.pdf",
    "release 3-acre",
    "import none.csv",
    "import --help",
    "rename-identifier 3-acre",
    "init made --template template --dry-run -v",
    "clean",
    "nonsense --wrong",
    "check nobody",
  ])("no line of %s is wider than sixty columns", (command) => {
    const lines = stripVTControlCharacters(inTerminal(command, {}, 60)).split(/[\r\n]+/);
    // A bar is drawn over itself.
    const shown = lines.filter((line) => !/[━─]/.test(line));
    expect(shown.filter((line) => stringWidth(line) > 60)).toEqual([]);
    expect(shown.join("").length).toBeGreaterThan(10);
  });
});

test.runIf(hasTool("script"))(
  "a build that takes its time says how long it has been at it, on a line that goes",
  () => {
    const folder = withSteps(["3-acre"], ["sleep 4", "mkdir ../out && tar cf ../out/a.tar ."]);
    oxalis(folder, "generate", "-q");
    const { stdout } = spawnSync("script", ["-qec", `stty cols 80; node ${program} build --unsigned`, "/dev/null"], {
      ...{ cwd: folder, encoding: "utf8", env: { ...process.env, TERM: "xterm" } },
    });
    const shown = stripVTControlCharacters(stdout);
    expect(shown).toMatch(/… 0:02 {2}3-acre {2}Web {2}1\.0\.0 \(1\)/);
    // What stays is one line for it, and its file.
    expect(shown.split(/\r?\n/).filter((line) => line.includes("✓ 3-acre  Web"))).toHaveLength(1);
  },
);

test("no line is wider than a narrow terminal, and every client is still named", () => {
  const { stdout } = sh("$OXALIS clients", { COLUMNS: "60" });
  expect(Math.max(...stdout.split("\n").map((line) => [...line].length))).toBeLessThanOrEqual(60);
  for (const name of ["3-acre", "brennans-bothy"]) expect(stdout).toContain(name);
});

test("a reader that has seen enough may go: no error, no trace", () => {
  const { status, stdout, stderr } = sh("$OXALIS art | head -n 2; exit 0");
  expect([status, stderr, stdout.split("\n").length]).toEqual([0, "", 3]);
});

test("results are on standard output alone, and JSON is all there is of it", () => {
  const { stdout, status } = sh("$OXALIS check --json 2>/dev/null");
  expect([status, JSON.parse(stdout).clients.length]).toEqual([0, 2]);
  expect(sh("$OXALIS generate -q --dry-run 2>/dev/null").stdout).not.toMatch(/✓/);
  const failed = sh("$OXALIS explain nobody --json");
  expect([failed.status, JSON.parse(failed.stdout).problems[0].code]).toEqual([1, "client-unknown"]);
});

test("a folder that is gone, and one that cannot be made, are told plainly", () => {
  const gone = join(temporaryFolder(), "gone");
  mkdirSync(gone);
  const { status, stderr } = sh(`cd ${gone} && rmdir ${gone} && $OXALIS clients`);
  expect([status, stderr]).toEqual([1, expect.stringContaining("The folder you are in is no longer there")]);
  const { code, err } = oxalis(root, "demo", "/proc/nowhere/example");
  expect([code, err]).toEqual([1, expect.stringContaining("[write-failed]")]);
  const file = oxalis(root, "demo", join(root, "oxalis.yaml/example"));
  expect([file.code, file.err]).toEqual([1, expect.stringContaining("[write-failed]")]);
});
