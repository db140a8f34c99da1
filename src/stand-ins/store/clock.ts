import type { Keeping } from "./keeping.ts";

/** A clock that can be put forward, and go faster; it never goes back, and goes on where it was after a restart. */
export interface Clock {
  /** Milliseconds since 1970. */
  now(): number;
  forward(milliseconds: number): void;
}

/** @param rate so many times as fast as time @param real the machine's own clock */
export function openClock({ clock, within }: Keeping, rate: number, real: () => number): Clock {
  const kept = clock.get("clock");
  // Of the time in which nobody looked, only as much passes as has passed.
  let from = { shown: kept ? kept.shown + Math.max(0, real() - kept.real) : real(), real: real() };
  const keep = (shown: number) => within(() => clock.putSync("clock", { shown, real: real() }));
  const now = () => Math.round(from.shown + (real() - from.real) * rate);
  keep(from.shown);
  return {
    now,
    forward(milliseconds) {
      from = { shown: now() + Math.max(0, milliseconds), real: real() };
      keep(from.shown);
    },
  };
}
