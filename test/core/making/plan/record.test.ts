import { mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout } from "node:timers/promises";
import { expect, test } from "vitest";
import { receiptFile } from "../../../../src/core/app/variant/receipt-file.ts";
import { sha256 } from "../../../../src/core/ground/values/hash.ts";
import type { Receipt } from "../../../../src/core/making/jobs/receipt.ts";
import { keepMade, type Made, madeOf, readMade, seenAgain } from "../../../../src/core/making/make/known.ts";

/** A variant of one file and its receipt, recorded at once. */
function recorded(): { root: string; folder: string; file: string; made: Made } {
  const root = mkdtempSync(join(tmpdir(), "oxalis-record-"));
  const folder = "variant";
  mkdirSync(join(root, folder));
  const file = join(root, folder, "a.txt");
  writeFileSync(file, "one");
  writeFileSync(join(root, folder, receiptFile), "{}");
  const files: Receipt["files"] = { "a.txt": { kind: "write", fingerprint: "", sha256: sha256("one") } };
  const from = { platforms: "", values: {}, pictures: {}, template: {}, renderer: 1 };
  const made = madeOf(
    { root, name: "a" },
    folder,
    { client: "a", layout: "tree", files },
    { key: "key", from, problems: [] },
  );
  return { root, folder, file, made };
}

const sums = (made: Made | undefined) => Object.values(made?.files ?? {}).map(([, , , sum]) => sum);

test("a file that was recorded as soon as it was written is read again, until that is long enough ago", async () => {
  const { root, folder, made } = recorded();
  expect(sums(made)).toEqual([sha256("one"), sha256("{}")]);
  await setTimeout(150);
  const later = seenAgain(root, folder, made);
  expect(sums(later)).toEqual([undefined, undefined]);
  expect(seenAgain(root, folder, later as Made)).toBe(later);
});

test.each([
  ["as soon as it was recorded", 0],
  ["when its record is sure", 150],
])("a file of the same size but another content is noticed %s", async (_, wait) => {
  const { root, folder, file, made } = recorded();
  await setTimeout(wait);
  const sure = seenAgain(root, folder, made) as Made;
  writeFileSync(file, "two");
  expect(seenAgain(root, folder, sure)).toBeUndefined();
});

test("a record is read as it was kept; one of another form, or none, counts for nothing", () => {
  const { root, made } = recorded();
  const kept = { root, name: "a" };
  expect(readMade(kept)).toBeUndefined();
  keepMade(kept, () => made);
  expect(readMade(kept)).toEqual(made);
  writeFileSync(join(root, ".oxalis", "made", "a.json"), '{"form":1}');
  expect(readMade(kept)).toBeUndefined();
});
