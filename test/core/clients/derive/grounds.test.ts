import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { readWorkspace } from "../../../../src/core/agency/workspace/read.ts";
import { androidSlots } from "../../../../src/core/app/platforms/android/catalog.ts";
import type { Resolved } from "../../../../src/core/app/variant/variant.ts";
import { resolveAll } from "../../../../src/core/clients/derive/resolve.ts";
import { readPlain } from "../../../../src/core/ground/files/reading/plain.ts";
import { createRenderer } from "../../../../src/core/making/render/draw.ts";
import { drawingOf } from "../../../../src/core/making/render/drawing.ts";
import { oddLogos } from "../../../support/odd-logos.ts";
import { workspaceWith } from "../../../support/oxalis.ts";

let root: string;
let all: ReadonlyMap<string, Resolved>;

const brief = (key: string, brand: string, more = "") =>
  `app: { name: App of ${key} }\nowner: ${key}\ndomain: ${key}.example\nemail: a@${key}.example\n` +
  `colors: { brand: "${brand}"${more} }\nart: { mark: mark.svg }\n`;

function write(key: string, svg: string, text: string): void {
  mkdirSync(join(root, "clients", key), { recursive: true });
  writeFileSync(join(root, "clients", key, "mark.svg"), svg);
  writeFileSync(join(root, "clients", key, "brief.yaml"), text);
}

/** The icon of a telephone's list as it is drawn, and how far each of its pixels lies from its corner's colour. */
async function iconOf({ variant }: Resolved): Promise<{ png: Buffer; seen: number }> {
  const slot = androidSlots.find(({ role, qualifier }) => role === "launcher" && qualifier === "mdpi");
  if (!slot || !variant) throw new Error("no icon is drawn");
  const png = await createRenderer(({ file }) => readPlain(join(root, file), 1e7) ?? Buffer.alloc(0)).png(
    drawingOf(slot, variant),
  );
  const { data, info } = await sharp(png).removeAlpha().greyscale().raw().toBuffer({ resolveWithObject: true });
  const ground = data[Math.floor(info.height * 0.12) * info.width + Math.floor(info.width / 2)] ?? 0;
  const inside = [...data].filter((_, at) => Math.hypot((at % 48) - 23.5, Math.floor(at / 48) - 23.5) < 20);
  return { png, seen: inside.filter((level) => Math.abs(level - ground) > 40).length / inside.length };
}

describe("sixty odd logos, and what a designer says of each", () => {
  beforeAll(async () => {
    root = workspaceWith([], { "template.yaml": "{}\n" });
    for (const { key, svg, brand } of oddLogos) write(key, svg, brief(key, brand));
    const workspace = readWorkspace(root);
    all = new Map((await resolveAll(workspace)).map((each) => [each.client.key, each]));
  });

  test.each(oddLogos)("$key stands on what it may stand on", async ({ key, brand, verdict }) => {
    const resolved = all.get(key) as Resolved;
    const ground = resolved.values["colors.ground"]?.value;
    expect([
      ground === brand ? "brand" : "other",
      resolved.problems.flatMap(({ severity, code }) => (severity === "error" ? [code] : [])),
    ]).toEqual([verdict, []]);
    const { seen } = await iconOf(resolved);
    // A strip of lines is little of an icon, and a plate is much of it.
    expect(seen).toBeGreaterThan(0.04);
  });
});
