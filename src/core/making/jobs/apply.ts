import { setImmediate } from "node:timers/promises";
import type { LimitFunction } from "p-limit";
import { receiptFile } from "../../app/variant/receipt-file.ts";
import { applyEdits } from "../../formats/splice/site.ts";
import { encodedLike } from "../../ground/files/reading/encoding.ts";
import type { Writer } from "../../ground/files/writing/writer.ts";
import { fingerprint, sha256 } from "../../ground/values/hash.ts";
import type { Entry, Plan } from "../plan/plan.ts";
import type { Renderer } from "../render/draw.ts";
import { pictureAlone } from "../render/formats/alone.ts";
import { pressPng } from "../render/png/press.ts";
import type { Cache } from "./cache.ts";
import type { FileChange } from "./difference.ts";
import type { Inputs } from "./inputs.ts";
import { isPng, type Produced, producedBy, type Receipt, receiptText } from "./receipt.ts";

/**
 * Performs the changes, writes the receipt and returns it. Everything is made beside and then put into its place
 * together, so a variant is either what it was or what its receipt says.
 */
export async function applyChanges(
  plan: Plan,
  changes: readonly FileChange[],
  before: Receipt,
  tools: Tools,
): Promise<Receipt> {
  const { drawing, writer, smallest, onFile } = tools;
  const { revision } = plan;
  const isSame = before.layout === plan.layout && before.template === revision;
  if (isSame && changes.length === 0 && Object.keys(before.files).length === plan.entries.length) return before;
  const files: Record<string, Produced> = { ...before.files };
  const touched = changes.flatMap((change) => ("entry" in change ? [change.entry] : []));

  const done = async (entry: Entry, content: string | Uint8Array) => {
    await writer.write(entry.path, content, "executable" in entry && entry.executable);
    files[entry.path] = producedBy(entry, sha256(content), smallest);
    onFile();
  };
  const drawn = groupedDrawings(touched).map((same) =>
    drawing(async () => {
      const content = await drawnOrKept(same[0] as DrawEntry, tools);
      await Promise.all(same.map((entry) => done(entry, content)));
    }),
  );
  /** Written between the pictures, so that drawing goes on meanwhile. */
  const written = async () => {
    let copied = 0;
    for (const entry of touched) {
      if (entry.kind === "draw") continue;
      if (entry.kind === "keep") {
        tools.inputs.copy(entry.input, writer, entry.path, entry.executable);
        files[entry.path] = producedBy(entry, entry.input.sha256);
        onFile();
        if (++copied % copiedAtOnce === 0) await setImmediate();
        continue;
      }
      await done(entry, await contentOf(entry, tools));
    }
  };
  for (const each of await Promise.allSettled([...drawn, written()]))
    if (each.status === "rejected") {
      writer.abandon();
      throw each.reason;
    }
  for (const { what, path } of changes) if (what === "remove") writer.remove(path);

  const planned = new Set(plan.entries.map((entry) => entry.path));
  const kept = Object.fromEntries(Object.entries(files).filter(([path]) => planned.has(path)));
  const receipt: Receipt = {
    client: plan.client,
    layout: plan.layout,
    ...(revision ? { template: revision } : {}),
    files: kept,
  };
  await writer.write(receiptFile, receiptText(receipt));
  writer.finish();
  return receipt;
}

/** Files copied before others have their turn. */
const copiedAtOnce = 16;

/** What changes are performed with. */
export interface Tools {
  inputs: Inputs;
  renderer: Renderer;
  cache: Cache;
  /** As many pictures at once as suits the machine. */
  drawing: LimitFunction;
  writer: Writer;
  /** Whether pictures are pressed as small as they go. */
  smallest: boolean;
  onFile(): void;
}

type DrawEntry = Extract<Entry, { kind: "draw" }>;

function contentOf(
  entry: Exclude<Entry, { kind: "draw" | "keep" }>,
  { inputs }: Tools,
): string | Uint8Array | Promise<Uint8Array> {
  if (entry.kind === "write") return entry.text;
  const bytes = inputs.bytes(entry.input);
  if (entry.kind === "supply") return entry.picture ? pictureAlone(bytes, entry.input.path, entry.opaque) : bytes;
  return encodedLike(bytes, applyEdits(inputs.text(entry.input), entry.edits));
}

/** The same picture wanted in several places is drawn once; pictures that show the same drawing follow each other. */
function groupedDrawings(entries: readonly Entry[]): DrawEntry[][] {
  const groups = new Map<string, DrawEntry[]>();
  for (const entry of entries) {
    if (entry.kind !== "draw") continue;
    groups.set(entry.fingerprint, [...(groups.get(entry.fingerprint) ?? []), entry]);
  }
  return [...groups.values()].sort((a, b) => widthDrawn(a) - widthDrawn(b));
}

const widthDrawn = ([first]: readonly DrawEntry[]): number => first?.drawings[0]?.picture?.at.width ?? 0;

/** Pixels of a picture that takes longer to draw than to read. */
const leastKept = 256 * 256;

/** A picture from the cache, or drawn and kept there. */
async function drawnOrKept(entry: DrawEntry, { renderer, cache, smallest }: Tools): Promise<Buffer> {
  const press = smallest && isPng(entry);
  const key = press ? fingerprint({ smallest: entry.fingerprint }) : entry.fingerprint;
  const worthKeeping = press || entry.drawings.some(({ width, height }) => width * height >= leastKept);
  const kept = worthKeeping ? cache.get(key) : undefined;
  if (kept) return kept;
  const drawn = await draw(entry, renderer);
  const content = press ? await pressPng(drawn) : drawn;
  if (worthKeeping) cache.put(key, content);
  return content;
}

function draw({ container, drawings }: DrawEntry, renderer: Renderer): Promise<Buffer> {
  const [first] = drawings;
  if (!first) throw new Error("a picture without a drawing");
  if (container === "ico" || container === "icns") return renderer[container](drawings);
  if (container === "png") return renderer.png(first);
  return container === "svg" ? renderer.svg(first) : renderer.other(first, container);
}
