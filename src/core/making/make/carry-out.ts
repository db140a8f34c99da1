import { availableParallelism } from "node:os";
import pLimit, { type LimitFunction } from "p-limit";
import { sumsIn } from "../../ground/files/reading/sums.ts";
import { openWriter } from "../../ground/files/writing/folder-there.ts";
import { attemptAsync, type Result } from "../../ground/problems/result.ts";
import type { Plan } from "../plan/plan.ts";
import { createRenderer } from "../render/draw.ts";
import { applyChanges } from "./apply.ts";
import type { Cache } from "./cache.ts";
import { type Change, difference } from "./difference.ts";
import { artInput, type Inputs } from "./inputs.ts";
import { type Receipt, readReceipt } from "./receipt.ts";

/** A folder below a root. */
interface To {
  root: string;
  folder: string;
}

/** What has to be done to a folder so that it holds what a plan says: plain data, before anything is written. */
export interface Work {
  plan: Plan;
  changes: readonly Change[];
  /** What lay there before. */
  before: Receipt;
  /** Pictures are pressed as small as they go. */
  smallest: boolean;
}

/** Holds a plan against what lies in a folder. Stops: receipt-damaged, path-outside */
export function workFor(plan: Plan, { root, folder }: To, smallest = false): Work {
  const before = readReceipt(root, folder, plan.client);
  return { plan, changes: difference(plan, before, sumsIn(root, folder), smallest), before, smallest };
}

/** One more than there are cores: one part of drawing waits for another. */
export const drawingLimit = (): LimitFunction => pLimit(availableParallelism() + 1);

/** Carries work out, wherever that is: all that it needs is the work and its inputs. */
export const carryOut = (
  { plan, changes, before, smallest }: Work,
  inputs: Inputs,
  { root, folder }: To,
  {
    cache,
    drawing = drawingLimit(),
    onFile = () => {},
  }: { cache: Cache; drawing?: LimitFunction; onFile?: () => void },
): Promise<Result<Receipt>> =>
  attemptAsync(() => {
    // Its decoded pictures go with it.
    const renderer = createRenderer((art) => inputs.bytes(artInput(art)));
    const writer = openWriter(root, folder);
    return applyChanges(plan, changes, before, { inputs, renderer, cache, drawing, writer, smallest, onFile });
  });
