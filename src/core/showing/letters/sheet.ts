import type { NamedSheet } from "../../clients/roster/sheet.ts";
import type { Say } from "../../pages/words/letter.ts";
import type { Asked } from "./asked.ts";

/**
 * What a client fills in: a row of its own under the headings that `import` knows, and beside it what each of them
 * means, in the client's words.
 */
export function fillInSheets({ client, groups }: Asked, say: Say): [NamedSheet, NamedSheet] {
  const things = groups.flatMap((group) => group.things).filter(({ heading }) => heading !== undefined);
  const headings = things.map(({ heading = "" }) => heading);
  return [
    {
      name: say("answer"),
      sheet: [
        ["client", ...headings],
        [client, ...headings.map(() => "")],
      ],
    },
    {
      name: say("hint"),
      sheet: [
        [say("field"), say("hint")],
        ...things.map(({ heading = "", label, hints }) => [heading, [label, ...hints].join("; ")]),
      ],
    },
  ];
}
