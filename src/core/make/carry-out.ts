import { availableParallelism } from "node:os";
import pLimit from "p-limit";
import { openWriter } from "../files/writing/folder-there.ts";
import type { Plan } from "../plan/plan.ts";
import { attemptAsync, type Result } from "../problems/result.ts";
import { createRenderer } from "../render/draw.ts";
import { applyChanges } from "./apply.ts";
import type { Cache } from "./cache.ts";
import { difference } from "./difference.ts";
import { artInput, type Inputs } from "./inputs.ts";
import { type Receipt, readReceipt } from "./receipt.ts";

/**
 * Carries a plan out, wherever that is: all that it needs is the plan and its inputs. @param to a folder below a root
 */
export const carryOut = (
  plan: Plan,
  inputs: Inputs,
  to: { root: string; folder: string },
  { cache, smallest = false }: { cache: Cache; smallest?: boolean },
): Promise<Result<Receipt>> =>
  attemptAsync(async () => {
    const writer = openWriter(to.root, to.folder);
    const before = readReceipt(to.root, to.folder, plan.client);
    const renderer = createRenderer((art) => inputs.bytes(artInput(art)));
    const drawing = pLimit(availableParallelism() + 1);
    return applyChanges(plan, difference(plan, before, writer.hash, smallest), before, {
      inputs,
      renderer,
      cache,
      drawing,
      writer,
      smallest,
      onFile: () => {},
    });
  });
