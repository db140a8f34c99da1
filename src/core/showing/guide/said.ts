import type { Word } from "../../pages/words/en/guide.ts";
import type { Say } from "../../pages/words/guide.ts";
import type { Slot } from "../../pictures/slots/slot.ts";

/** How a safe zone is said: its shape and its share of the canvas. */
export function zoneSaid({ safe }: Slot, say: Say): string {
  const percent = `${Math.round(safe.share * 100)}\u00a0%`;
  if (safe.shape === "circle") return say("circle", { percent });
  return safe.share === 1 ? say("whole") : say("box", { percent });
}

const sources: Readonly<Record<Slot["from"], Word>> = {
  icon: "sourceIcon",
  mark: "sourceMark",
  mono: "sourceMono",
  wide: "sourceWide",
  ground: "sourceGround",
};

/** What a slot is drawn from, in the order in which it is looked for. */
export function sourceSaid({ from, covers }: Slot, say: Say): string {
  const source = say(sources[from]);
  return say("from", { source: covers ? say("or", { first: say("splash"), second: source }) : source });
}

const alphas: Readonly<Record<Slot["alpha"], Word>> = { none: "opaque", kept: "transparent", only: "alphaOnly" };

export const alphaSaid = ({ alpha }: Slot, say: Say): string => say(alphas[alpha]);
