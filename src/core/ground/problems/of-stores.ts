import type { ProblemKind } from "./kind.ts";

/** What can be wrong on the way into a store, and there. */
export const ofStores = {
  "interface-missing": {
    title: "A store whose interface is not named",
    fix: "Give its address under `interfaces` in oxalis.yaml; or go by hand: `oxalis submit --sheet` writes the steps.",
  },
  "interface-unreachable": {
    title: "A store's interface that does not answer",
    fix: "Call again later: what was done stays done, and what nobody knows of is asked for first.",
  },
  "interface-answer": {
    title: "An answer of a store's interface that is not as described",
    fix: "Look at the address under `interfaces` in oxalis.yaml, and at what answers there.",
  },
  "interface-refused": {
    title: "A store's interface that does not let this program in",
    fix: "Look at the interface key (`oxalis keys`), or at the variables that `interfaces` in oxalis.yaml names.",
  },
  "clock-apart": {
    title: "A clock that is far from the store's",
    fix: "Set this machine's clock: tokens are taken within minutes alone.",
  },
  "submission-lacking": {
    title: "What a store has to have before the next step",
    fix: "Give it, or let whoever is named give it; then call again.",
  },
  "submission-refused": {
    title: "What a store does not take",
    fix: "Mend what it names, and call again.",
  },
  "submission-changed": {
    title: "A record that somebody else changes at the same time",
    fix: "Look who else works in it, and call again.",
  },
  "submission-unclear": {
    title: "A step of which it is not said whose or which it is",
    fix: "Name one client, one store and one step.",
  },
  "build-lost": {
    title: "A number that a store has taken and that nobody can use any more",
    fix: "Take the next number (`oxalis release`), build and send again.",
  },
  "review-refused": {
    title: "A version that the people who review have refused, or ask about",
    fix: "Mend what they name; `oxalis submit <client> --store <store> --reply <text>` says what was changed.",
  },
  "passage-due": {
    title: "Something in a store that ends, waits for long, or is to be done by a day",
    fix: "Do what is named.",
  },
  "update-held": {
    title: "Clients whose update waits for those that go first",
    fix: "Mend what failed, or wait, and call again: it goes on where it stopped.",
  },
  "tester-invalid": {
    title: "Somebody in a sheet of testers who cannot be taken",
    fix: "Mend the row, and import the sheet again: who was taken stays.",
  },
  "tester-twice": {
    title: "Somebody who stands twice among the testers",
    fix: "Take one of the two entries out of testers.yaml.",
  },
  "tester-unknown": {
    title: "Somebody who is not among the testers",
    fix: "`oxalis testers` lists them, by their addresses.",
  },
  "tester-unasked": {
    title: "Testers who have not agreed to be asked",
    fix: "Ask them, and give the day of it as `consent` in testers.yaml: only then are they written to.",
  },
  "tester-unsure": {
    title: "An invitation that may have arrived",
    fix: "Ask whether it has; `--again` sends it once more.",
  },
} satisfies Record<string, ProblemKind>;
