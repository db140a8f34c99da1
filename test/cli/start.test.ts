import { spawnSync } from "node:child_process";
import { cpSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { oxalis, program, temporaryFolder } from "../support/oxalis.ts";

const built = dirname(program);
const work = readdirSync(built).find((file) => file.endsWith(".cjs")) ?? "";
const compiled = readFileSync(join(built, `${work}.compiled`));

/** A program that says whether the engine takes what was compiled of the script. */
const asks = `
const { readFileSync } = require("node:fs");
const [file, compiled] = process.argv.slice(1);
const given = { filename: file, cachedData: readFileSync(compiled) };
console.log(new (require("node:vm").Script)(readFileSync(file, "latin1"), given).cachedDataRejected);`;

test("the engine takes what it compiled when the program was built", () => {
  const file = join(built, work);
  const { stdout } = spawnSync("node", ["-e", asks, file, `${file}.compiled`], { encoding: "utf8" });
  expect(stdout).toBe("false\n");
});

test.each([
  ["is gone", undefined],
  ["is cut off", compiled.subarray(0, compiled.length >> 1)],
  ["is from another engine", Buffer.from(compiled).fill(7, 0, 16)],
  ["is nothing of the kind", Buffer.from("oxalis")],
])("where that %s, the program does the same", (_, bytes) => {
  const folder = temporaryFolder();
  cpSync(built, folder, { recursive: true });
  writeFileSync(join(folder, "package.json"), '{ "type": "module" }');
  const file = join(folder, `${work}.compiled`);
  if (bytes) writeFileSync(file, bytes);
  else rmSync(file);
  const { stdout, status } = spawnSync("node", [join(folder, "oxalis.js"), "schema", "brief"], {
    encoding: "utf8",
  });
  expect({ out: stdout, code: status }).toMatchObject({
    out: oxalis(folder, "schema", "brief").out,
    code: 0,
  });
});
