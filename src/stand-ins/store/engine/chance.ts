import { sha256 } from "../../../core/ground/values/hash.ts";
import type { Conduct } from "../../../core/stores/conduct.ts";

/** A number from 0 to below 1 that follows from a seed and what it is for: the same in every run. */
export const chance = (seed: string, what: string): number =>
  Number.parseInt(sha256(`${seed} ${what}`).slice(0, 8), 16) / 2 ** 32;

/** How long something takes, in milliseconds: mostly around what is usual, now and then long. */
export function takes(seed: string, what: string, { usual, long }: Conduct["waits"]["review"]): number {
  const at = chance(seed, what);
  const hours = at < 0.9 ? usual * (0.4 + at) : usual + (long - usual) * (at - 0.9) * 10;
  return Math.round(hours * 3_600_000);
}

/** A number as stores give them to apps: ten digits, the first no 0. */
export const appNumber = (seed: string, what: string): string =>
  String(1_000_000_000 + Math.floor(chance(seed, what) * 8_999_999_999));
