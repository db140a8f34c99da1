import { cpSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { oxalis, temporaryFolder } from "../support/oxalis.ts";
import { kelp, rivers } from "./clients.ts";
import { expectSpoken, expectVariant, type Table } from "./expect.ts";
import * as kinds from "./render.ts";
import * as tables from "./tables.ts";
import { made, pictures } from "./workspace.ts";

const all = Object.entries(tables) as [keyof typeof tables, Table][];

describe.each(all)("%s", (kind, table) => {
  // biome-ignore lint/performance/noDynamicNamespaceImportAccess: a table and its app have one name.
  const { template, root } = made(kinds[kind]);

  test.each([kelp, rivers])("$key has what the table says, and nothing else is touched", (client) => {
    expectVariant(template, join(root, "variants", client.key), table, client);
    expectSpoken(join(root, "variants", client.key));
  });

  test("the audit asks about what the table says, and nothing more", () => {
    const { out } = oxalis(root, "audit", "--json");
    const { causes } = JSON.parse(out) as { causes: { code: string; places: { file: string }[] }[] };
    // What a reader would call noise is at most this much.
    expect(causes.length).toBeLessThanOrEqual(3);
    expect(
      causes
        .map(({ code, places }) => `${code} ${[...new Set(places.map(({ file }) => file))].join(" ")}`)
        .sort(),
    ).toEqual([...(table.asks ?? [])].sort());
  });

  test("a second run changes nothing", () => {
    expect(oxalis(root, "generate").out).toContain("0 changed, 2 as before");
  });
});

test("a folder with parts of an app that are not understood says which, and what to do", () => {
  const root = temporaryFolder();
  kinds.nativeResources(join(root));
  const { code, err } = oxalis(root, "init", "--template", ".", "--agency", "Quayside");
  expect(code).toBe(1);
  expect(err).not.toContain("holds no app");
  expect(err).toContain("App_Resources/Android/src/main/AndroidManifest.xml: an Android manifest");
  expect(err).toContain("App_Resources/iOS/Info.plist: a property list, with no Xcode project that names it");
  const empty = temporaryFolder();
  cpSync(pictures, join(empty, "art"), { recursive: true });
  expect(oxalis(empty, "init", "--template", ".", "--agency", "Quayside").err).toContain("holds no app");
});
