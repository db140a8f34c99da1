import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { edit, oxalis } from "../support/oxalis.ts";
import { kelp, rivers } from "./clients.ts";
import * as kinds from "./render.ts";
import { made } from "./workspace.ts";

/** Folders that one platform's part has, and files that all parts share. */
const apps = [
  ["bareJavaScript", "ios", ["android"], ["app.json", "package.json"]],
  ["wrapperCode", "ios", ["android"], ["capacitor.config.ts", "www/index.html"]],
  ["dartLayout", "web", ["android", "ios"], ["lib/main.dart", "pubspec.yaml"]],
] as const;

test.each(apps)(
  "%s for %s alone: without the other parts, and what they share is filled",
  (kind, only, gone, shared) => {
    // biome-ignore lint/performance/noDynamicNamespaceImportAccess: a table and its app have one name.
    const { root } = made(kinds[kind]);
    const variant = join(root, "variants", rivers.key);
    const read = () => shared.map((file) => readFileSync(join(variant, file), "utf8"));
    const before = read();
    const brief = `clients/${rivers.key}/brief.yaml`;
    edit(root, brief, (text) => `${text}\nplatforms: [${only}]\n`);
    const { code, err } = oxalis(root, "generate");
    expect(code).toBe(0);
    expect(err).toMatch(new RegExp(`${rivers.key} .* removed  because of platforms$`, "m"));
    for (const folder of gone) {
      expect(existsSync(join(variant, folder))).toBe(false);
      expect(existsSync(join(root, "variants", kelp.key, folder))).toBe(true);
    }
    expect(read()).toEqual(before);
    expect(oxalis(root, "audit").code).toBe(0);
    const builds = JSON.parse(readFileSync(join(root, "variants/builds.json"), "utf8"));
    expect(builds.filter(({ client }: { client: string }) => client === rivers.key)).toEqual([
      expect.objectContaining({ platform: only }),
    ]);
  },
);

test("an error of one platform stops that one; where all share a file that names it, it stops the client", () => {
  const own = made(kinds.wrapperCode).root;
  const brief = `clients/${rivers.key}/brief.yaml`;
  const breakIt = (root: string) => edit(root, brief, (text) => `${text}\nidentifiers: { ios: x_y }\n`);
  breakIt(own);
  const partly = oxalis(own, "generate", rivers.key);
  expect(partly.code).toBe(1);
  expect(partly.err).toMatch(/^! .*without iOS$/m);
  expect(existsSync(join(own, "variants", rivers.key, "ios/App"))).toBe(false);
  expect(existsSync(join(own, "variants", rivers.key, "android/app"))).toBe(true);
  const audited = JSON.parse(oxalis(own, "audit", rivers.key, "--json").out);
  expect(audited.clients[0].problems).toEqual([
    expect.objectContaining({ code: "identifier-invalid", platform: "ios" }),
  ]);
  const shared = made(kinds.managed).root;
  const before = readFileSync(join(shared, "variants", rivers.key, "app.json"), "utf8");
  breakIt(shared);
  const stopped = oxalis(shared, "generate");
  expect(stopped.code).toBe(1);
  expect(stopped.err).toMatch(new RegExp(`^✗ ${rivers.key}`, "m"));
  expect(readFileSync(join(shared, "variants", rivers.key, "app.json"), "utf8")).toBe(before);
});
