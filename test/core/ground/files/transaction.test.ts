import { existsSync, mkdirSync, readFileSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { afterEach, expect, test, vi } from "vitest";
import * as door from "../../../../src/core/ground/files/writing/door.ts";
import { writeTogether } from "../../../../src/core/ground/files/writing/together.ts";
import { hasOpen, openTransaction, settleOpen } from "../../../../src/core/ground/files/writing/transaction.ts";
import { sha256 } from "../../../../src/core/ground/values/hash.ts";
import { contents, temporaryFolder } from "../../../support/oxalis.ts";

/** How many acts the process still does before it is dead, and does no more. */
let life = Number.POSITIVE_INFINITY;
vi.mock("../../../../src/core/ground/files/writing/door.ts", async (original) => {
  const real = await original<typeof door>();
  const mortal =
    <A extends unknown[], R>(act: (...given: A) => R) =>
    (...given: A): R => {
      if (life-- <= 0) throw new Error("dead");
      return act(...given);
    };
  return { ...real, put: mortal(real.put), move: mortal(real.move), removeTree: mortal(real.removeTree) };
});
afterEach(() => {
  life = Number.POSITIVE_INFINITY;
});

const ours = (root: string) =>
  Object.fromEntries(
    [...contents(root)].filter(([path]) => !path.startsWith(".oxalis/")).map(([path, text]) => [path, `${text}`]),
  );

const before = { "a/one": "1", "a/two": "2", "b/three": "3" };
const after = { "a/one": "I", "b/three": "III", "c/four": "IV" };

function prepared(): string {
  const root = temporaryFolder();
  for (const [path, text] of Object.entries(before)) door.put(root, path, text);
  return root;
}

function change(root: string): void {
  const transaction = openTransaction(root, { keeps: "a" });
  for (const [path, text] of Object.entries(after)) transaction.put(path, text);
  transaction.remove("a/two");
  transaction.commit();
}

test("whenever a run dies, the next command finds all of a change, or none of it", () => {
  const ends = new Set<string>();
  for (let acts = 0; acts < 40; acts++) {
    const root = prepared();
    life = acts;
    try {
      change(root);
    } catch {
      // As dead as it can be made here.
    }
    life = Number.POSITIVE_INFINITY;
    settleOpen(root);
    const found = JSON.stringify(ours(root));
    expect([JSON.stringify(before), JSON.stringify(after)], `after ${acts} acts`).toContain(found);
    expect(hasOpen(root)).toBe(false);
    ends.add(found);
  }
  expect(ends.size).toBe(2);
});

test("where one file cannot be written, none is, and that is told", () => {
  const root = prepared();
  mkdirSync(join(root, "c/four"), { recursive: true });
  expect(() => change(root)).toThrow(/none of them was/);
  expect(ours(root)).toEqual(before);
  expect(hasOpen(root)).toBe(false);
});

test("a link on the way leads nowhere, wherever it points", () => {
  const [root, outside] = [prepared(), temporaryFolder()];
  symlinkSync(outside, join(root, "c"));
  expect(() => change(root)).toThrow(/is not a folder, but a link/);
  expect(() => writeTogether(root, new Map([["../x", ""]]))).toThrow(/does not lead/);
  expect(() => door.removeTree(root, "c")).toThrow(/is not a folder/);
  expect(ours(root)).toEqual(before);
  expect(contents(outside).size).toBe(0);
});

test.each([
  ["leads out", [{ path: "../victim", gone: true }], true],
  ["leads out at once", [{ path: "/victim" }], true],
  ["has another sum", [{ path: "a/one", gone: true }], false],
])("a list of open changes that %s is not followed", (_, steps, summed) => {
  const root = prepared();
  const open = join(root, ".oxalis/open/1-1");
  mkdirSync(join(open, "new"), { recursive: true });
  writeFileSync(
    join(open, "list.json"),
    JSON.stringify({ form: 1, steps, sum: summed ? sha256(JSON.stringify(steps)) : "" }),
  );
  writeFileSync(join(root, "../victim"), "mine");
  expect(() => settleOpen(root)).toThrow(/is not as a run left it/);
  expect(readFileSync(join(root, "../victim"), "utf8")).toBe("mine");
  expect(existsSync(join(root, "a/one"))).toBe(true);
});
