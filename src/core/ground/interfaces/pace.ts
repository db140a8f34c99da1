import pLimit from "p-limit";
import type { World } from "./asked.ts";

/** How fast one interface is asked: so many calls at once, and none while it has asked for patience. */
export interface Pace {
  run<T>(call: () => Promise<T>): Promise<T>;
  /** It has asked for so much patience, in seconds. */
  slow(seconds: number): void;
}

/** Longest that anybody waits because an interface says so, in seconds: what asks for more is taken at that. */
const longestPatience = 120;

/** @param atOnce calls at a time */
export function newPace(atOnce: number, { now, pause }: Pick<World, "now" | "pause">): Pace {
  const limit = pLimit(atOnce);
  let until = 0;
  return {
    run: (call) =>
      limit(async () => {
        while (until > now()) await pause(until - now());
        return call();
      }),
    slow(seconds) {
      until = Math.max(until, now() + Math.min(Math.max(seconds, 0), longestPatience) * 1000);
    },
  };
}
