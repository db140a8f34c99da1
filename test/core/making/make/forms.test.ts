import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { readWorkspace } from "../../../../src/core/app/survey/workspace.ts";
import { attempt } from "../../../../src/core/ground/problems/result.ts";
import { drawnFor, readReceipt, receiptText } from "../../../../src/core/making/jobs/receipt.ts";
import { historyOf } from "../../../support/history.ts";
import { oxalis, temporaryFolder, workspaceWith } from "../../../support/oxalis.ts";

const sum = "a".repeat(64);
const picture = "b".repeat(64);

test("a ledger of the first form counts as before, and becomes entries of the history when it next changes", () => {
  const root = workspaceWith(["3-acre"]);
  const file = join(root, "clients/3-acre/ledger.json");
  const earlier = {
    form: 1,
    identifiers: {
      android: { value: "example.acre.old", state: "fixed", since: "2025-03-01" },
      ios: { value: "example.acre.new", state: "reserved", since: "2025-04-01" },
    },
    releases: [{ version: "1.4.0", build: 7, on: "2025-03-01", template: "c0ffee", notes: { en: "First" } }],
  };
  writeFileSync(file, JSON.stringify(earlier));
  const [client] = readWorkspace(root).clients;
  expect(client?.ledger).toEqual({
    identifiers: {
      android: { value: "example.acre.old", fixed: "2025-03-01" },
      ios: { value: "example.acre.new", reserved: "2025-04-01" },
    },
    releases: earlier.releases,
  });
  expect(oxalis(root, "explain", "3-acre", "identifiers.android").out).toContain("in use since 2025-03-01");
  expect(oxalis(root, "release", "3-acre", "--force", "--minor").code).toBe(0);
  expect(existsSync(file)).toBe(false);
  const written = historyOf(root, "3-acre");
  expect(written).toMatchObject({
    identifiers: {
      android: { value: "example.acre.old", fixed: "2025-03-01" },
      ios: { value: "example.n3acre.n3acregreens", reserved: expect.any(String), fixed: expect.any(String) },
    },
  });
  expect(written.releases.map(({ build }) => build)).toEqual([7, 8]);
});

test("a ledger of a form to come, or of the first one with what that had not, is told and stays", () => {
  const root = workspaceWith(["3-acre"]);
  const file = join(root, "clients/3-acre/ledger.json");
  for (const [text, says] of [
    ['{ "form": 3 }', "form is 3"],
    ['{ "form": 1, "identifiers": { "ios": { "value": "a.b", "fixed": "2025-01-01" } } }', 'Nothing is called "fixed"'],
  ] as const) {
    writeFileSync(file, text);
    const { code, err } = oxalis(root, "check", "3-acre");
    expect([code, err]).toEqual([1, expect.stringContaining(says)]);
    expect(err).toContain("ledger-damaged");
    expect(readFileSync(file, "utf8")).toBe(text);
  }
});

const receipts = {
  1: {
    form: 1,
    client: "acre",
    layout: "overlay",
    template: "abc",
    files: {
      "a/keep.txt": { kind: "keep", fingerprint: "k", sha256: sum },
      "a/mark.png": { kind: "draw", fingerprint: "d", sha256: picture, smallest: true },
      "a/soon.txt": { kind: "write", fingerprint: "w", sha256: null },
    },
  },
  2: {
    form: 2,
    client: "acre",
    layout: "overlay",
    template: "abc",
    files: {
      "a/keep.txt": ["keep", "k", sum],
      "a/mark.png": ["draw", "d", picture, "smallest"],
      "a/soon.txt": ["write", "w", null],
    },
  },
};

/** A workspace with a variant whose receipt is this text. */
function withReceipt(text: string): string {
  const root = temporaryFolder();
  mkdirSync(join(root, "variants/acre"), { recursive: true });
  writeFileSync(join(root, "variants/acre/.receipt.json"), text);
  return root;
}

test("receipts of both forms say the same, and are written in the current one", () => {
  const read = Object.values(receipts).map((receipt) => {
    const root = withReceipt(JSON.stringify(receipt, null, 1));
    expect(drawnFor(withReceipt(receiptText(readReceipt(root, "variants/acre", "acre"))), "variants/acre")).toEqual([
      picture,
    ]);
    return readReceipt(root, "variants/acre", "acre");
  });
  const [first] = read;
  expect(read).toEqual([first, first]);
  expect(first?.files["a/mark.png"]).toEqual({
    kind: "draw",
    fingerprint: "d",
    sha256: picture,
    smallest: true,
  });
  expect(JSON.parse(first ? receiptText(first) : "")).toEqual(receipts[2]);
  expect(drawnFor(withReceipt(JSON.stringify(receipts[1], null, 1)), "variants/acre")).toEqual([picture]);
});

test.each([
  { ...receipts[2], form: 3 },
  { ...receipts[2], files: { "../out": ["keep", "k", sum] } },
  { ...receipts[1], files: { "../out": { kind: "keep", fingerprint: "k", sha256: sum } } },
  { ...receipts[2], files: { a: ["keep", "k"] } },
])("a receipt that cannot be trusted is refused: %j", (receipt) => {
  const root = withReceipt(JSON.stringify(receipt));
  const read = attempt(() => readReceipt(root, "variants/acre", "acre"));
  expect(read.ok ? [] : read.problems.map(({ code }) => code)).toEqual(["receipt-damaged"]);
});
