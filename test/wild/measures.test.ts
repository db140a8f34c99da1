import { cpSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import picomatch from "picomatch";
import sharp from "sharp";
import { afterAll, describe, expect, test } from "vitest";
import { parse, parseDocument } from "yaml";
import { templateFor } from "../../src/core/app/survey/narrow.ts";
import { openTemplate } from "../../src/core/app/survey/template.ts";
import { readWorkspace } from "../../src/core/app/survey/workspace.ts";
import { resolvePicked } from "../../src/core/clients/derive/resolve.ts";
import { decodeText, encodedLike } from "../../src/core/ground/files/reading/encoding.ts";
import { type Entry, planVariant } from "../../src/core/making/plan/plan.ts";
import { audit } from "../../src/core/proving/audit/audit.ts";
import { contents, oxalis } from "../support/oxalis.ts";
import { kelp } from "./clients.ts";
import type { Table } from "./expect.ts";
import { knownOf, plant } from "./planted.ts";
import * as kinds from "./render.ts";
import * as tables from "./tables.ts";
import { made } from "./workspace.ts";

/** Which files the audit names for one client, by what it says of them. */
async function told(root: string): Promise<Map<string, Set<string>>> {
  const {
    findings: [finding],
  } = await audit(readWorkspace(root), [kelp.key]);
  const files = new Map<string, Set<string>>();
  for (const { code, cause } of finding?.problems ?? []) {
    if (!cause) continue;
    const codes = files.get(cause.file) ?? new Set();
    files.set(cause.file, codes.add(code));
  }
  return files;
}

const isResidue = (codes: Set<string> | undefined): boolean =>
  [...(codes ?? [])].some((code) => code.startsWith("residue-"));

async function planOf(root: string) {
  const workspace = readWorkspace(root);
  const template = openTemplate(workspace);
  const { picked } = await resolvePicked(workspace, [kelp.key]);
  const own = templateFor(template, picked[0] as (typeof picked)[0]);
  if (!own.ok) throw new Error("no variant");
  return { template, plan: planVariant(own.value.variant, own.value.template, "tree") };
}

type Spliced = Extract<Entry, { kind: "splice" }>;

/** A file's text with all edits but one. */
function without(before: string, edits: Spliced["edits"], left: number): string {
  const ordered = edits.map((edit, at) => ({ ...edit, at })).sort((a, b) => b.start - a.start || b.at - a.at);
  return ordered.reduce(
    (text, { start, end, text: put, at }) => (at === left ? text : text.slice(0, start) + put + text.slice(end)),
    before,
  );
}

/** Pictures that show something; nobody knows a plain one again, nor one of a few pixels. */
async function shows(file: string): Promise<boolean> {
  const { width } = await sharp(file).metadata();
  if (width < 48) return false;
  const coarse = await sharp(file).flatten({ background: "#808080" }).greyscale().resize(24, 24).toBuffer();
  const { channels } = await sharp(coarse).stats();
  return channels.some(({ stdev }) => stdev > 8);
}

const counts = { edits: 0, editsNamed: 0, pictures: 0, picturesNamed: 0, planted: 0, found: 0 };
afterAll(() => {
  process.stdout.write(
    `corpus: ${counts.editsNamed} of ${counts.edits} edits and ${counts.picturesNamed} of ` +
      `${counts.pictures} pictures named when undone; ${counts.found} of ${counts.planted} planted ` +
      "residues found\n",
  );
});

const all = Object.entries(tables) as [keyof typeof tables, Table][];

/** Residues planted a run, over all kinds of apps. */
const plantedInAll = 300;

/** How many are planted in the first so many apps. */
const upTo = (apps: number): number => Math.floor((plantedInAll * apps) / all.length);

describe.each(all)("%s", (kind, table) => {
  // biome-ignore lint/performance/noDynamicNamespaceImportAccess: a table and its app have one name.
  const { template: source, root } = made(kinds[kind]);
  const variant = join(root, "variants", kelp.key);
  const known = knownOf[kind];
  const kept = join(root, "kept");
  cpSync(variant, kept, { recursive: true });
  const restore = (files: readonly string[]) => {
    for (const file of files) cpSync(join(kept, file), join(variant, file));
  };

  test("each edit that is undone is named, by the search alone where it left something of the template", async () => {
    const { template, plan } = await planOf(root);
    const spliced = plan.entries.filter((entry): entry is Spliced => entry.kind === "splice");
    const words = new RegExp(
      Object.values(known)
        .flat()
        .map((word: string) => word.replace(/[.\s]/g, "[ ._]?"))
        .join("|"),
      "i",
    );
    const rounds = Math.max(...spliced.map(({ edits }) => edits.length));
    for (let round = 0; round < rounds; round++) {
      const undone: Spliced[] = [];
      const leaves: string[] = [];
      for (const entry of spliced) {
        const { path, input, edits } = entry;
        const left = edits[round];
        if (!left) continue;
        const bytes = template.folder.bytes(input.path);
        const before = decodeText(bytes) ?? "";
        const was = before.slice(left.start, left.end);
        // A client may want what the template has.
        if (was === left.text) continue;
        writeFileSync(join(variant, path), encodedLike(bytes, without(before, edits, round)));
        undone.push(entry);
        if (words.test(was)) leaves.push(`${path}: ${was}`);
      }
      const files = await told(root);
      const named = undone.filter(({ path }) => files.has(path));
      counts.edits += undone.length;
      counts.editsNamed += named.length;
      expect(undone.filter(({ path }) => !files.has(path)).map(({ path }) => `${path} ${round}`)).toEqual([]);
      const unseen = leaves.filter((each) => !isResidue(files.get(each.slice(0, each.indexOf(":")))));
      expect(unseen).toEqual([]);
      restore(undone.map(({ path }) => path));
    }
  });

  test("each picture that is put back, or taken away, is named", async () => {
    const { template, plan } = await planOf(root);
    const drawn = plan.entries.filter((entry) => entry.kind === "draw").map(({ path }) => path);
    const back = drawn.filter((path) => template.folder.has(path));
    for (const path of back) writeFileSync(join(variant, path), template.folder.bytes(path));
    const seen = await told(root);
    restore(back);
    const away = drawn.filter((path) => !template.folder.has(path));
    for (const path of away) rmSync(join(variant, path));
    const missed = await told(root);
    restore(away);
    const unnamed = [...back.filter((path) => !isResidue(seen.get(path))), ...away.filter((path) => !missed.has(path))];
    counts.pictures += drawn.length;
    counts.picturesNamed += drawn.length - unnamed.length;
    expect(unnamed).toEqual([]);
  });

  test("what is planted is found", async () => {
    const isBrand = picomatch([...table.drawn], { dot: true });
    const pictures: string[] = [];
    for (const file of contents(source).keys())
      if (table.drawn.length > 0 && isBrand(file) && /\.(png|webp)$/.test(file) && (await shows(join(source, file))))
        pictures.push(join(source, file));
    const at = all.findIndex(([name]) => name === kind);
    const share = upTo(at + 1) - upTo(at);
    const planted = await plant(variant, known, pictures, share);
    const files = await told(root);
    rmSync(join(variant, "more"), { recursive: true, force: true });
    const missed = planted.filter((file) => !isResidue(files.get(file)));
    counts.planted += planted.length;
    counts.found += planted.length - missed.length;
    // Which one was missed is told by name.
    expect(missed.slice(1)).toEqual([]);
  });

  test("the lines that the audit prints settle what it found", () => {
    const notes = join(root, "template.yaml");
    const before = readFileSync(notes, "utf8");
    const document = parseDocument(before);
    const { out, err } = oxalis(root, "audit", "--verbose", kelp.key);
    for (const [list, entries] of printed(out + err)) {
      if (!document.has(list)) document.set(list, document.createNode([]));
      // A reason is somebody's own.
      for (const entry of entries)
        document.addIn(
          [list],
          list === "allow" ? { ...(entry as object), reason: "Looked at: nobody sees it." } : entry,
        );
    }
    writeFileSync(notes, document.toString());
    expect(oxalis(root, "generate", kelp.key).err).not.toContain("error");
    const { causes } = JSON.parse(oxalis(root, "audit", "--json", kelp.key).out) as {
      causes: { settle: unknown[]; code: string }[];
    };
    expect(causes.filter(({ settle }) => settle.length > 0)).toEqual([]);
    writeFileSync(notes, before);
  });
});

/** Entries that an audit prints for template.yaml, by the list that they go into. */
function printed(out: string): [list: string, entries: unknown[]][] {
  const indent = " ".repeat(13);
  return out
    .split(/in template\.yaml[^\n]*:\n/)
    .slice(1)
    .flatMap((part) => {
      const lines = part.split("\n");
      const end = lines.findIndex((line) => !line.startsWith(indent));
      const text = lines.slice(0, end).map((line) => line.slice(indent.length));
      return Object.entries(parse(text.join("\n")) as Record<string, unknown[]>);
    });
}

test("of all that was planted, at most one in three hundred was missed", () => {
  expect(counts.planted).toBe(plantedInAll);
  expect(counts.found).toBeGreaterThanOrEqual(plantedInAll - 1);
});
