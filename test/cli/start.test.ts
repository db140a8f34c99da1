import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from "node:fs";
import { basename, dirname, join } from "node:path";
import { beforeAll, expect, test } from "vitest";
import { program, temporaryFolder } from "../support/oxalis.ts";

const work = readdirSync(dirname(program)).find((file) => file.endsWith(".cjs")) ?? "";
const cache = temporaryFolder();
const run = () => {
  const env = { ...process.env, XDG_CACHE_HOME: cache };
  const { status, stdout, stderr } = spawnSync("node", [program, "schema", "brief"], {
    encoding: "utf8",
    env,
  });
  return { code: status, out: stdout, err: stderr };
};
const kept = () => {
  const [name = ""] = readdirSync(join(cache, "oxalis")).filter((file) => file.endsWith(".compiled"));
  return join(cache, "oxalis", name);
};

/**
 * A program that says whether the engine takes what was compiled of the script: behind a sum of four bytes and a line.
 */
const asks = `
const { readFileSync } = require("node:fs");
const [file, compiled] = process.argv.slice(1);
const bytes = readFileSync(compiled);
const cachedData = bytes.subarray(bytes.indexOf("\\n", 4) + 1);
const { Script } = require("node:vm");
const script = new Script(readFileSync(file, "latin1"), { filename: process.argv[3], cachedData });
console.log(script.cachedDataRejected);`;

let before: ReturnType<typeof run>;
let whole: Buffer;
beforeAll(() => {
  before = run();
  whole = readFileSync(kept());
});

test("the start holds what reads a command line, and no other package: help waits for nothing else", () => {
  const { sources }: { sources: string[] } = JSON.parse(readFileSync(`${program}.map`, "utf8"));
  const packages = sources.flatMap((source) => /node_modules\/([^/]+)/.exec(source)?.[1] ?? []);
  expect([...new Set(packages)]).toEqual(["commander"]);
});

test("what the engine compiles is kept where the program is used, and taken at the next run", () => {
  const asked = spawnSync("node", ["-e", asks, join(dirname(program), work), kept()], { encoding: "utf8" });
  expect(asked.stdout).toBe("false\n");
  expect(readdirSync(dirname(program)).filter((file) => file.endsWith(".compiled"))).toEqual([]);
});

const flipped = (at: number): [string, (bytes: Buffer) => Buffer] => [
  `has a bit wrong at ${at} of 14`,
  (bytes) => {
    const copy = Buffer.from(bytes);
    const where = Math.floor(((at - 0.5) / 14) * copy.length);
    copy[where] = (copy[where] ?? 0) ^ (1 << (at % 8));
    return copy;
  },
];
test.each([
  ...Array.from({ length: 14 }, (_, at) => flipped(at + 1)),
  ["is cut off", (bytes: Buffer) => bytes.subarray(0, bytes.length >> 1)] as const,
  ["is nothing of the kind", () => Buffer.from("oxalis")] as const,
  ["is empty", () => Buffer.alloc(0)] as const,
])("where that %s, the program does the same, and makes it anew", (_, damage) => {
  writeFileSync(kept(), damage(whole));
  expect(run()).toEqual(before);
  expect(readFileSync(kept()).subarray(4, 12)).toEqual(whole.subarray(4, 12));
});

test("what other builds of the program have left is thrown away, all but the last few, and what is a month old", () => {
  const own = kept();
  const hour = 3_600;
  const now = Date.now() / 1000;
  for (const hours of [...Array(20).keys()]) {
    const made = now - (hours < 5 ? hours + 1 : hours === 5 ? 800 : hours) * hour;
    const old = join(cache, "oxalis", `${hours}-old.compiled`);
    writeFileSync(old, "old");
    utimesSync(old, made, made);
  }
  rmSync(own);
  expect(run()).toEqual(before);
  const left = [basename(own), ...[0, 1, 2, 3, 4, 6, 7, 8, 9, 10, 11].map((at) => `${at}-old.compiled`)];
  expect(readdirSync(join(cache, "oxalis")).sort()).toEqual(left.sort());
});
