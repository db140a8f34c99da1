import { execFileSync } from "node:child_process";
import { cpSync, existsSync, mkdirSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { around, expectClean, fixtures, text } from "../support/around.ts";
import { contents, oxalis } from "../support/oxalis.ts";

const put = (root: string, files: Readonly<Record<string, string>>) => {
  for (const [file, written] of Object.entries(files)) {
    mkdirSync(dirname(join(root, file)), { recursive: true });
    writeFileSync(join(root, file), written);
  }
};

test("an overlay, laid over the template, is the whole project to the byte; audit and a second run know it", () => {
  const { root, variant } = around(
    "web-bundled",
    "allow: [{ file: package.json, text: Tide Table, reason: the code's own name }]",
  );
  const tree = contents(variant);
  const over = oxalis(root, "generate", "--layout", "overlay");
  expect([over.code, over.out]).toEqual([0, expect.stringContaining("1 changed")]);
  const overlay = contents(variant);
  expect(overlay.has("src/main.js")).toBe(false);
  expect(overlay.has("index.html")).toBe(true);
  expect(oxalis(root, "audit").code).toBe(0);
  expect(oxalis(root, "generate", "--layout", "overlay").out).toContain("0 changed, 1 as before");

  const laid = join(root, "laid");
  cpSync(join(fixtures, "web-bundled"), laid, { recursive: true });
  for (const gone of text(variant, "left-out.txt").trim().split("\n")) rmSync(join(laid, gone));
  cpSync(variant, laid, { recursive: true });
  const same = (files: Map<string, Buffer>) =>
    [...files].filter(([file]) => file !== ".receipt.json" && file !== "left-out.txt");
  expect(same(contents(laid))).toEqual(same(tree));

  expect(oxalis(root, "generate").code).toBe(0);
  expect(same(contents(variant))).toEqual(same(tree));
  expect(existsSync(join(variant, "left-out.txt"))).toBe(false);
});

test("a checkout: what git leaves out, history, builds and keys go to no client; its commit is noted", () => {
  const { root, variant } = around(
    "web-static",
    "allow: [{ file: index.html, text: Tide Table, reason: a sentence }, { file: .env, reason: a place }]",
  );
  const template = join(root, "shared-app");
  put(template, {
    ".gitignore": "*.log\n/out/\nnotes/*\n!notes/keep.txt\n",
    "notes/.gitignore": "!shown.log\n",
    "notes/keep.txt": "kept",
    "notes/own.txt": "left",
    "out/made.js": "left",
    "deep/out/kept.js": "kept",
    "a.log": "left",
    "release.jks": "left",
    "deep/AuthKey.p8": "left",
    ".env.local": "left",
    ".env": "PLACE=north",
  });
  const git = (...args: string[]) =>
    execFileSync("git", ["-C", template, "-c", "user.name=q", "-c", "user.email=q@quayside.example", ...args], {
      encoding: "utf8",
    });
  git("init", "-q");
  git("add", "index.html");
  git("commit", "-q", "-m", "First");
  expect(oxalis(root, "generate").code).toBe(0);
  const listed = [...contents(variant)].filter(([, bytes]) => /^(left|kept)$/.test(bytes.toString("latin1")));
  expect(listed.map(([file]) => file)).toEqual(["deep/out/kept.js", "notes/keep.txt"]);
  expect(contents(variant).has(".env")).toBe(true);
  expect([...contents(variant).keys()].filter((file) => file.startsWith(".git/"))).toEqual([]);
  expect(JSON.parse(text(variant, ".receipt.json")).template).toBe(git("rev-parse", "HEAD").trim());
  git("add", "-A");
  git("commit", "-q", "-m", "Second");
  git("pack-refs", "--all");
  expectClean(root);
  expect(JSON.parse(text(variant, ".receipt.json")).template).toBe(git("rev-parse", "HEAD").trim());
});
