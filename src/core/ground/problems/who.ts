import type { ProblemCode } from "./catalogue.ts";

/** Who has to act before a problem goes away: whoever supplies, draws, builds the template, or runs the work. */
export type Who = "client" | "designer" | "developer" | "producer";

/** Problems by whoever has to act; all others are the producer's. */
const others = {
  client: [
    "key-missing",
    "value-invalid",
    "name-invalid",
    "name-shared",
    "identifier-unsure",
    "label-short",
    "answer-missing",
    "answer-invalid",
    "usage-missing",
    "text-alike",
    "account-missing",
  ],
  designer: [
    "art-missing",
    "art-unreadable",
    "art-unsafe",
    "art-too-large",
    "art-empty",
    "art-small",
    "art-not-square",
    "art-rounded",
    "art-transparent",
    "art-cut",
    "art-contrast",
    "art-bitmap",
    "art-text",
    "art-alike",
    "art-boxed",
    "art-thin",
    "art-photo",
    "art-blank",
    "name-unlettered",
    "lettering-hand",
    "font-unreadable",
  ],
  developer: [
    "template-empty",
    "template-part-missing",
    "template-syntax",
    "template-gap",
    "name-unknown",
    "language-dropped",
    "target-old",
    "secret-kept",
    "secret-likely",
    "left-out-named",
    "place-wrong",
  ],
} as const satisfies Partial<Record<Who, readonly ProblemCode[]>>;

const known = new Map<string, Who>(
  (Object.entries(others) as [Who, readonly string[]][]).flatMap(([who, codes]) => codes.map((code) => [code, who])),
);

/** Who has to act on a problem of a code. */
export const whoActs = (code: string): Who => known.get(code) ?? "producer";
