import fc from "fast-check";
import { expect, test } from "vitest";
import { parseYaml } from "../../../../src/core/agency/documents/document.ts";
import { agencySchema } from "../../../../src/core/agency/workspace/schema/agency.ts";
import { briefSchema } from "../../../../src/core/agency/workspace/schema/brief.ts";
import type { Client, Workspace } from "../../../../src/core/agency/workspace/workspace.ts";
import { definitions } from "../../../../src/core/app/platforms/all.ts";
import { templateSchema } from "../../../../src/core/app/platforms/template-schema.ts";
import { noArtwork, type Resolved } from "../../../../src/core/app/variant/variant.ts";
import { brokenRules } from "../../../../src/core/clients/derive/fields/identifier.ts";
import { judgeTogether } from "../../../../src/core/clients/derive/fields/rules.ts";
import { resolveVariant } from "../../../../src/core/clients/derive/one-client.ts";
import { isError } from "../../../../src/core/ground/problems/problem.ts";
import { steeringIn } from "../../../../src/core/ground/values/plain-text.ts";
import { platforms } from "../../../../src/core/ground/values/platform.ts";
import type { Art } from "../../../../src/core/pictures/artwork/art.ts";
import { smallOf } from "../../../../src/core/pictures/artwork/seen/small.ts";
import { artwork } from "../../../support/variant.ts";

const written = <T>(file: string, text: string, parse: (data: unknown) => T) => {
  const document = parseYaml({ file, text });
  return { document, data: parse(document.data) };
};

const workspace: Workspace = {
  root: "/nowhere",
  template: "/nowhere/template",
  agency: written("oxalis.yaml", "agency: { name: A }\nyear: 2026", (data) => agencySchema.parse(data)),
  notes: written("template.yaml", "", (data) => templateSchema.parse(data)),
  clients: [],
  retired: [],
};

const client = (key: string, name: string, domain: string): Client => ({
  key,
  folder: `/nowhere/clients/${key}`,
  problems: [],
  brief: written(
    `clients/${key}/brief.yaml`,
    JSON.stringify({ app: { name }, domain, colors: { brand: "#123456" } }),
    (data) => briefSchema.parse(data),
  ),
});

/** Names that are often alike once they are written in ASCII, and others. */
const names = fc.oneof(
  fc.constantFrom("Ácre", "Acre", "ACRE", "a c r e", "Acre!", "Áçre", "Акре", "3", "three", "new", "Con"),
  fc
    .string({ unit: "grapheme", minLength: 2, maxLength: 24 })
    .filter((text) => text.trim() !== "" && steeringIn(text) === undefined),
);
const domains = fc.constantFrom(
  "hill.example",
  "HILL.example",
  "h-ill.example",
  "hügel.example",
  "3.example",
  "aux.example",
);

test("whatever the names and domains: accepted everywhere or told; no collision untold; the same each time", () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(names, domains), { minLength: 1, maxLength: 8 }), (pairs) => {
      const resolve = () =>
        pairs.map(([name, domain], at) =>
          resolveVariant(workspace, client(`c${at}`, name, domain), noArtwork, new Map()),
        );
      const all = resolve();
      expect(resolve().map((each) => each.values)).toEqual(all.map((each) => each.values));
      const told = judgeTogether(all);
      for (const each of all) if (!each.variant) expect(each.problems.some(isError)).toBe(true);
      for (const platform of platforms) {
        const held = all.flatMap(({ client: { key }, variant }) => {
          const value = variant?.values[`identifiers.${platform}`]?.value;
          return value
            ? [
                {
                  key,
                  id: definitions[platform].identifiers.comparable(value, variant?.values.domain?.value ?? ""),
                },
              ]
            : [];
        });
        const shared = held.filter(({ key, id }) => held.some((other) => other.key !== key && other.id === id));
        for (const { key } of shared)
          expect(told.get(key)?.some((each) => each.code === "identifier-taken")).toBe(true);
      }
    }),
    { numRuns: 200 },
  );
});

test("a picture on a plain ground gives its colour where the brief gives none", async () => {
  const bare = client("bare", "Acre", "hill.example");
  if (bare.brief) bare.brief.document.data = { app: { name: "Acre" }, domain: "hill.example" };
  const white = { data: Buffer.alloc(4 * 64, 255), width: 8, height: 8 };
  const small = await smallOf(white, { x: 0, y: 0, width: 1, height: 1 });
  const icon = { file: "clients/bare/art/icon.png", edge: "#aabbcc", small } as unknown as Art;
  const { values, problems } = resolveVariant(workspace, bare, artwork({ icon }), new Map());
  expect(values["colors.brand"]?.trail).toEqual([
    { by: "picture", note: "the plain ground of clients/bare/art/icon.png", value: "#aabbcc" },
  ]);
  expect(values["colors.brandText"]?.value).toBe("#000000");
  expect(problems.filter(isError)).toEqual([]);
});

test("at a stage, every identifier is another one that its platform accepts; what it is worked out from stays", () => {
  const suffixes = fc.stringMatching(/^[a-z][a-z0-9]{0,19}$/);
  fc.assert(
    fc.property(names, domains, suffixes, (name, domain, suffix) => {
      const stage = { name: "testers", has: { suffix, name: "{app.name} T" } };
      const at = (where: typeof workspace): Resolved =>
        resolveVariant(where, client("c", name, domain), noArtwork, new Map());
      const [store, tested] = [at(workspace), at({ ...workspace, stage })];
      fc.pre(store.variant !== undefined);
      for (const platform of platforms) {
        const of = ({ values }: Resolved) => values[`identifiers.${platform}`]?.value ?? "";
        expect(of(tested)).not.toBe(of(store));
        // A word of Java is refused with its reason.
        if (!tested.problems.some(isError)) expect(brokenRules(platform, of(tested))).toEqual([]);
      }
      for (const field of ["identifiers.base", "sku", "copyright"] as const)
        expect(tested.values[field]?.value).toBe(store.values[field]?.value);
    }),
  );
});
