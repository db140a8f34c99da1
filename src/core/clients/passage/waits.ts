import type { KeptHappening } from "../../agency/history/happenings.ts";
import type { Conduct } from "../../stores/conduct.ts";
import type { HappeningKind } from "../../stores/happening.ts";

/** What is waited for in a store. */
export type Waited = keyof Conduct["waits"];

/** What begins each wait, and what ends it. */
const spans: Readonly<Record<Waited, { from: HappeningKind; to: readonly HappeningKind[] }>> = {
  processing: { from: "build-sent", to: ["build-ready", "build-refused"] },
  review: { from: "submitted", to: ["approved", "refused", "asked"] },
  testing: { from: "testing-sent", to: ["testing-allowed", "testing-refused"] },
};

/** So many waits of one's own say more than what a store says of all. */
const telling = 5;

/** How long something takes as a rule, in hours, and by what that is known. */
export interface UsualWait {
  usual: number;
  long: number;
  from: "history" | "stated";
}

/** How long things take in a store: as they took so far where there are enough of them, otherwise as is stated. */
export function usualWait(
  waited: Waited,
  conduct: Conduct,
  histories: readonly (readonly KeptHappening[])[],
): UsualWait {
  const took = histories.flatMap((all) => tookOf(spans[waited], all)).sort((a, b) => a - b);
  if (took.length < telling) {
    const { usual, long } = conduct.waits[waited];
    return { usual, long, from: "stated" };
  }
  const at = (share: number) => took[Math.min(took.length - 1, Math.floor(took.length * share))] ?? 0;
  return { usual: at(0.5), long: at(0.95), from: "history" };
}

/** Hours between each beginning and its end, of one store's happenings. */
function tookOf({ from, to }: (typeof spans)[Waited], all: readonly KeptHappening[]): number[] {
  let since: number | undefined;
  const took: number[] = [];
  for (const { kind, at } of all) {
    if (kind === from) since = Date.parse(at);
    else if (since !== undefined && to.includes(kind)) {
      took.push((Date.parse(at) - since) / 3_600_000);
      since = undefined;
    }
  }
  return took;
}

/** A time in hours, as people say it. */
export function hoursSaid(hours: number): string {
  const minutes = Math.max(1, Math.round(hours * 60));
  if (hours < 1) return minutes === 1 ? "a minute" : `${minutes} minutes`;
  if (hours < 48) return hours === 1 ? "an hour" : `${Math.round(hours)} hours`;
  return `${Math.round(hours / 24)} days`;
}
