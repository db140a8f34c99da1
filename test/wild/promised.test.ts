import { cpSync, existsSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { follow, type Told } from "../support/advice.ts";
import { oxalis, temporaryFolder } from "../support/oxalis.ts";
import { kelp, writeClients } from "./clients.ts";
import { unpacked } from "./packages.ts";
import { type Promised, promised } from "./promised.ts";
import { pictures } from "./workspace.ts";

/** What the audit finds of the one client: each code with the files that it is in. */
function found(root: string): { asks: string[]; causes: Told[] } {
  const { causes } = JSON.parse(oxalis(root, "audit", "--json").out) as { causes: Told[] };
  const asks = causes.map(({ code, places }) => [code, ...new Set(places.map(({ file }) => file))].join(" "));
  return { asks: asks.sort(), causes };
}

const all = Object.entries(promised) as [string, Promised][];

describe.each(all)(
  "%s",
  (_, { of: [name, folder = ""], has, stays, drawn = [], tells = [], asks = [], leaves = [] }) => {
    const root = temporaryFolder();
    const app = join(root, "app");
    cpSync(join(unpacked(name), folder), app, { recursive: true });
    rmSync(join(app, "node_modules"), { recursive: true, force: true });
    const started = oxalis(root, "init", "--template", "app", "--agency", "Quayside");
    writeClients(root, pictures, [kelp]);
    const generated = oxalis(root, "generate");
    const made = (file: string) => readFileSync(join(root, "variants/kelp", file), "utf8");

    test("has the client's, and keeps what code refers to", () => {
      expect([started.code, generated.code]).toEqual([0, 0]);
      for (const each of tells) expect(started.err).toContain(each);
      for (const [file, ...texts] of [...has, ...stays])
        for (const text of texts) expect(`${file}:\n${made(file)}`).toContain(text);
      for (const picture of drawn) {
        const own = join(app, picture);
        const before = existsSync(own) ? readFileSync(own) : Buffer.alloc(0);
        expect([picture, readFileSync(join(root, "variants/kelp", picture)).equals(before)]).toEqual([picture, false]);
      }
    });

    test("the audit asks what a reader would, and its advice leads to a clean app or a question", () => {
      const before = found(root);
      const source = (each: string | RegExp) => (typeof each === "string" ? each : each.source);
      const inOrder = [...asks].sort((one, other) => (source(one) < source(other) ? -1 : 1));
      expect(before.asks).toEqual(
        inOrder.map((each) => (typeof each === "string" ? each : expect.stringMatching(each))),
      );
      if (before.causes.every(({ settle }) => settle.length === 0)) return;
      follow(root, before.causes);
      expect(oxalis(root, "generate")).toMatchObject({ code: 0 });
      const after = found(root);
      expect([after.asks, after.causes.flatMap(({ settle }) => settle)]).toEqual([[...leaves].sort(), []]);
    });
  },
);
