import type { FillIn } from "../../clients/roster/fill-in.ts";
import type { Say } from "../../pages/words/letter.ts";
import type { Asked } from "./asked.ts";

/** What a client fills in: a line for everything that the letter asks, in its order and words. */
export const fillInSheet = ({ client, name, groups }: Asked, say: Say): FillIn => ({
  client,
  title: say("subject", { name }),
  names: { answers: say("answers"), choices: say("choices") },
  heads: { asks: say("field"), answer: say("answer"), now: say("isThere"), hints: say("hint") },
  groups: groups.map(({ word, things }) => ({
    title: say(word),
    questions: things.map(({ label, heading, inSheet }) => ({ asks: label, ...inSheet, field: heading })),
  })),
});
