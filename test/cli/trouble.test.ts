import { spawnSync } from "node:child_process";
import { chmodSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { beforeAll, expect, test } from "vitest";
import { withLock } from "../../src/core/ground/files/holding/lock.ts";
import { contents, edit, endOf, oxalis, program, startOxalis, startWith, workspaceWith } from "../support/oxalis.ts";

let folder: string;
const at = (file: string) => join(folder, file);
beforeAll(() => {
  folder = workspaceWith(["3-acre", "saltmarsh"]);
  expect(oxalis(folder, "generate", "3-acre").code).toBe(0);
});

test("while another run holds the workspace, nothing is written, and that is told", async () => {
  const before = [...contents(at("variants")).keys()];
  let told = "";
  const code = await withLock(folder, () => {
    const run = startOxalis(folder, "generate");
    run.stderr.on("data", (part) => {
      told += part;
    });
    return endOf(run);
  });
  expect(told).toContain("[run-in-progress]");
  expect(told).toContain(`process ${process.pid}`);
  expect(code).toBe(1);
  expect([...contents(at("variants")).keys()]).toEqual(before);
});

test("the page to sign off names the clients that are not on it, and why", () => {
  const { out } = oxalis(folder, "proof", "--json");
  expect(JSON.parse(out)).toMatchObject({ shown: ["3-acre"], absent: [{ client: "saltmarsh" }] });
  const page = readFileSync(at("variants/proof.html"), "utf8");
  expect(page).toMatch(/Not on this page[\s\S]*Not generated yet: saltmarsh\./);
});

test("a file that was deleted is missed by the audit, and comes back", () => {
  const file = "variants/3-acre/ios/Storefront/Info.plist";
  const before = readFileSync(at(file));
  rmSync(at(file));
  const { code, err, out } = oxalis(folder, "audit", "3-acre");
  expect(code).toBe(1);
  expect(out + err).toContain(`${file} is missing.  [output-missing]`);
  expect(oxalis(folder, "generate", "3-acre").code).toBe(0);
  expect(readFileSync(at(file)).equals(before)).toBe(true);
});

test("a folder where a file should be: told, and nothing in it is lost; the next run is whole again", () => {
  const target = at("variants/3-acre/web/index.html");
  rmSync(target);
  mkdirSync(target);
  writeFileSync(join(target, "notes.txt"), "mine");
  const { code, err } = oxalis(folder, "generate", "3-acre");
  expect(code).toBe(1);
  expect(err).toContain("[write-failed]");
  expect(readFileSync(join(target, "notes.txt"), "utf8")).toBe("mine");
  rmSync(target, { recursive: true });
  expect(oxalis(folder, "generate", "3-acre").code).toBe(0);
  expect(oxalis(folder, "audit", "3-acre").code).toBe(0);
});

test.each(["{", "[]", '{ "form": 1 }', ""])("a receipt that cannot be read: %j", (text) => {
  const file = at("variants/3-acre/.receipt.json");
  const before = readFileSync(file);
  writeFileSync(file, text);
  rmSync(at(".oxalis/made"), { recursive: true });
  const { code, err } = oxalis(folder, "generate", "3-acre");
  expect(err).toContain("[receipt-damaged]");
  expect(err).toContain("to do     Delete the variant's folder and generate it again.");
  expect(code).toBe(1);
  writeFileSync(file, before);
  expect(oxalis(folder, "generate", "3-acre").code).toBe(0);
});

test.each([
  [["art", "--csv", "--role", "maskabel"], "role-unknown", '"maskable"'],
  [["art", "--json", "--role", "nonsense"], "role-unknown", "one of"],
  [["clients", "--group", "nowhere"], "group-unknown", "expected"],
])("%j names what is not there, and what is near", (args, code, expected) => {
  const ran = oxalis(folder, ...args);
  expect([ran.code, ran.out + ran.err]).toEqual([1, expect.stringContaining(code)]);
  expect(ran.out + ran.err).toContain(expected);
});

test.each([{ HOME: "/proc", XDG_CACHE_HOME: "" }, { XDG_CACHE_HOME: "/proc/x" }])(
  "a place that nothing can be kept in costs time alone: %j",
  async (env) => {
    const run = startWith(env, folder, "clients", "3-acre", "--csv");
    const hung = setTimeout(() => run.kill("SIGKILL"), 60_000);
    expect(await endOf(run)).toBe(0);
    clearTimeout(hung);
  },
);

test.each(["9020000000000", "-99999999999", "99999999999999999"])("a clock that says %s is told", (seconds) => {
  const { status, stderr } = spawnSync("node", [program, "board"], {
    cwd: folder,
    encoding: "utf8",
    env: { ...process.env, SOURCE_DATE_EPOCH: seconds },
  });
  expect([status, stderr]).toEqual([1, expect.stringContaining("[clock-wrong]")]);
});

test("where a process gets few addresses, a name that has to be shaped fails alone", () => {
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => text.replace(/^( +name:).*$/m, "$1 صندوق الخضار"));
  const limited = (...args: string[]) =>
    spawnSync("sh", ["-c", 'ulimit -v 6000000; exec node "$0" "$@"', program, ...args], {
      cwd: folder,
      encoding: "utf8",
    });
  const { status, stderr, stdout } = limited("check");
  expect(status).toBe(1);
  expect(stderr).toMatch(/cannot letter a name in this script: .*\. {2}\[lettering-refused\]/);
  expect(stdout).toMatch(/3-acre .*ready/);
  expect(limited("generate", "3-acre").status).toBe(0);
});

test.skipIf(process.getuid?.() !== 0)("an ordinary user is told what it may not read or write; others go on", () => {
  const nobody = 65_534;
  const own = workspaceWith(["3-acre", "saltmarsh"]);
  const as = (...args: string[]) => {
    const cwd = own;
    const { status, stdout, stderr } = spawnSync("node", [program, ...args], {
      cwd,
      encoding: "utf8",
      uid: nobody,
      gid: nobody,
      env: { ...process.env, HOME: "/nowhere" },
    });
    return { code: status, said: stderr + stdout };
  };
  spawnSync("chown", ["-R", `${nobody}:${nobody}`, own]);
  expect(as("generate", "saltmarsh", "-q").code).toBe(0);
  const without = (path: string, mode: number, work: () => void) => {
    const before = statSync(join(own, path)).mode;
    chmodSync(join(own, path), mode);
    work();
    chmodSync(join(own, path), before);
  };
  without("clients/3-acre/brief.yaml", 0, () => {
    expect(as("generate")).toMatchObject({
      code: 1,
      said: expect.stringMatching(/brief\.yaml cannot be read[\s\S]*1 as before/),
    });
    expect(as("ask", "3-acre")).toMatchObject({ code: 1, said: expect.stringContaining("[file-unreadable]") });
  });
  for (const path of ["oxalis.yaml", "clients", "template/web"])
    without(path, 0, () =>
      expect(as("check")).toMatchObject({ code: 1, said: expect.stringContaining("[file-unreadable]") }),
    );
  without("clients/saltmarsh/history", 0o555, () =>
    expect(as("release", "saltmarsh", "--force")).toMatchObject({
      code: 1,
      said: expect.stringContaining("[write-failed]"),
    }),
  );
  without("variants", 0o555, () =>
    expect(as("copy-sheet", "saltmarsh", "app-store")).toMatchObject({
      code: 1,
      said: expect.stringContaining("[write-failed]"),
    }),
  );
  expect(as("release", "saltmarsh", "--force").code).toBe(0);
});
