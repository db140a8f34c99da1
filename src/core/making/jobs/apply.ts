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
  /** What other machines have drawn, by what it comes from. */
  drawn?: Drawn | undefined;
  writer: Writer;
  /** Whether pictures are pressed as small as they go. */
  smallest: boolean;
  onFile(): void;
}

type DrawEntry = Extract<Entry, { kind: "draw" }>;

/** Pictures, by the fingerprint of what each comes from. */
export type Drawn = ReadonlyMap<string, Uint8Array>;

/** What of these changes is to be drawn, each picture once: what the cache has is not. */
export function toDraw(changes: readonly FileChange[], cache: Cache, smallest: boolean): DrawEntry[] {
  const entries = changes.flatMap((change) => ("entry" in change ? [change.entry] : []));
  return groupedDrawings(entries).flatMap(([first]) => (first && !keptOf(first, cache, smallest).kept ? [first] : []));
}

function contentOf(
  entry: Exclude<Entry, { kind: "draw" | "keep" }>,
  { inputs }: Tools,
): string | Uint8Array | Promise<Uint8Array> {
  if (entry.kind === "write") return entry.text;
  if (entry.kind === "splice") return splicedContent(entry, inputs);
  const bytes = inputs.bytes(entry.input);
  return entry.picture ? pictureAlone(bytes, entry.input.path, entry.opaque) : bytes;
}

/** A file of the template with a client's values in it, in the encoding that it has. */
export const splicedContent = (
  { input, edits }: Extract<Entry, { kind: "splice" }>,
  inputs: Pick<Inputs, "bytes" | "text">,
): string | Uint8Array => encodedLike(inputs.bytes(input), applyEdits(inputs.text(input), edits));

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

/** A picture as the cache has it, and what it goes by there. */
function keptOf(entry: DrawEntry, cache: Cache, smallest: boolean): { kept?: Buffer | undefined; key?: string } {
  const press = smallest && isPng(entry);
  const worthKeeping = press || entry.drawings.some(({ width, height }) => width * height >= leastKept);
  if (!worthKeeping) return {};
  const key = press ? fingerprint({ smallest: entry.fingerprint }) : entry.fingerprint;
  return { kept: cache.get(key), key };
}

/** A picture from the cache or another machine, or drawn; and kept. */
async function drawnOrKept(entry: DrawEntry, { renderer, cache, smallest, drawn }: Tools): Promise<Uint8Array> {
  const { kept, key } = keptOf(entry, cache, smallest);
  if (kept) return kept;
  const content = drawn?.get(entry.fingerprint) ?? (await drawHere(entry, renderer, smallest));
  if (key !== undefined) cache.put(key, content);
  return content;
}

async function drawHere(entry: DrawEntry, renderer: Renderer, smallest: boolean): Promise<Buffer> {
  const picture = await draw(entry, renderer);
  return smallest && isPng(entry) ? pressPng(picture) : picture;
}

function draw({ container, drawings }: DrawEntry, renderer: Renderer): Promise<Buffer> {
  const [first] = drawings;
  if (!first) throw new Error("a picture without a drawing");
  if (container === "ico" || container === "icns") return renderer[container](drawings);
  if (container === "png") return renderer.png(first);
  return container === "svg" ? renderer.svg(first) : renderer.other(first, container);
}
