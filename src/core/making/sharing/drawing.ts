import { unwrap } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { type Drawn, toDraw } from "../jobs/apply.ts";
import { inputsOf, storeInputs } from "../jobs/inputs.ts";
import type { DrawElsewhere } from "../make/generate.ts";
import { planText } from "../plan/file.ts";
import type { HandingOut } from "./handing-out.ts";
import { drawingKind } from "./ticket.ts";

/**
 * Has other machines draw what a variant lacks: the same bytes, since they have the same version. Nothing, where none
 * of them is there: it is drawn here then. @param on is told who is away
 */
export const drawsElsewhere =
  (handing: HandingOut, onNobody: () => void): DrawElsewhere =>
  async ({ plan, changes, smallest }, cache, inputs): Promise<Drawn> => {
    const entries = toDraw(changes, cache, smallest);
    if (entries.length === 0) return new Map();
    const drawings = { ...plan, entries };
    const text = planText(drawings);
    await storeInputs(inputsOf(drawings), inputs, handing.contents);
    const name = `drawing.${sha256(`${text}${smallest}`).slice(0, 24)}`;
    const says = `${entries.length} pictures`;
    const done = await handing.carry(name, drawingKind, text, {
      ...{ what: "drawing", client: plan.client, says, smallest },
    });
    await handing.remove({ name, kind: drawingKind });
    if (!done) {
      onNobody();
      return new Map();
    }
    const { results } = unwrap(done);
    const sums = new Map(results.map(({ path, sha256 }) => [path, sha256]));
    const found = entries.map(async ({ path, fingerprint }) => {
      const sum = sums.get(path);
      return sum === undefined ? [] : [[fingerprint, await handing.contents.get(sum)] as const];
    });
    return new Map((await Promise.all(found)).flat());
  };
