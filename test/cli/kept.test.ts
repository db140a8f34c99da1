import { readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { oxalis, workspaceWith } from "../support/oxalis.ts";

const damaged = '{\n  "form": 2,\n<<<<<<< ours\n';

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
