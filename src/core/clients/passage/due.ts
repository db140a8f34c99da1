import { type Facts, type Problem, problem } from "../../ground/problems/problem.ts";
import { daysAfter } from "../../ground/values/day.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import type { Passage, Whereabouts } from "./passage.ts";
import { hoursSaid, type UsualWait, type Waited } from "./waits.ts";

/** What a producer, or the store, is to do next, and by when. */
interface Due {
  says: string;
  /** What it is, and what it is said with, in whatever language. */
  word: DueWord;
  put?: Facts;
  /** The day by which, as 2026-03-01. */
  by?: string;
  severity: Problem["severity"];
  fix?: string;
}

export type DueWord =
  | "slow"
  | "unusable"
  | "refused"
  | "asked"
  | "approved"
  | "paused"
  | "ready"
  | "name-lapses"
  | "trial-ends"
  | "trial-ended"
  | "agreement";

interface DueAt {
  store: StoreDefinition;
  client: string;
  /** As 2026-03-01. */
  today: string;
  usual: Readonly<Record<Waited, UsualWait>>;
  /** Since when, in the day's own words: now (milliseconds since 1970). */
  now: number;
}

/** A refusal that nobody answers for so many days is an error. */
const mostUnanswered = 3;

/** So many days before something ends it is told. */
const notice = 14;

/** What is due at a place, beside what ends. */
function atPlace(passage: Passage, at: DueAt): Due[] {
  const { store, usual, now } = at;
  const since = passage.since === undefined ? now : Date.parse(passage.since);
  const hours = (now - since) / 3_600_000;
  const days = Math.floor(hours / 24);
  const version = passage.coming?.version ?? "";
  const slow = (waited: Waited, what: string): Due[] =>
    hours <= usual[waited].long
      ? []
      : [
          {
            says: `${what} for ${hoursSaid(hours)}: ${hoursSaid(usual[waited].usual)} are usual.`,
            word: "slow",
            severity: "warning",
            fix: `Look into ${store.title}, whether it asks for something.`,
          },
        ];
  const { rule, where, says = "" } = passage.refusal ?? {};
  const by = [rule, where === undefined ? undefined : `(${where})`].filter(Boolean).join(" ");
  const because = by === "" ? says : `${by}: ${says}`;
  const found: Partial<Record<Whereabouts, Due[]>> = {
    sent: slow("processing", `${store.title} has been taking build ${passage.build?.build} in`),
    unusable: [
      {
        says: `${store.title} refused build ${passage.build?.build}: ${passage.build?.why ?? "it does not say why"}.`,
        word: "unusable",
        put: { because: passage.build?.why ?? "?" },
        severity: "error",
      },
    ],
    waiting: slow("review", `Version ${version} has been waiting`),
    "in-review": slow("review", `Version ${version} has been looked at`),
    refused: [refusal("refused", because, `${store.title} refused version ${version}`, days)],
    asked: [refusal("asked", because, `${store.title} asks about version ${version}`, days)],
    approved: [
      { says: `Version ${version} is approved, and waits to be let out.`, word: "approved", severity: "warning" },
    ],
    paused: paused(passage, at, days),
    ready: [
      {
        says: `Version ${version || passage.build?.version} is there, and nobody has sent it for review.`,
        word: "ready",
        severity: "warning",
      },
    ],
  };
  return found[passage.is] ?? [];
}

function refusal(word: "refused" | "asked", because: string, says: string, days: number): Due {
  const unanswered = days >= 1 ? ` Unanswered for ${days} ${days === 1 ? "day" : "days"}.` : "";
  const severity = days >= mostUnanswered ? "error" : "warning";
  return { word, put: { because }, says: `${says}: ${because.replace(/\.$/, "")}.${unanswered}`, severity };
}

function paused({ since, share, coming }: Passage, { store, today }: DueAt, days: number): Due[] {
  const { goesOut } = store.conduct;
  const most = "mostPausedDays" in goesOut ? goesOut.mostPausedDays : undefined;
  const says = `Version ${coming?.version} is halted at ${share} % for ${days} ${days === 1 ? "day" : "days"}.`;
  const by: Pick<Due, "by"> =
    most === undefined || since === undefined ? {} : { by: daysAfter(since.slice(0, 10), most) };
  return [
    {
      says,
      word: "paused",
      severity: "by" in by && by.by !== undefined && by.by <= today ? "error" : "warning",
      ...by,
    },
  ];
}

/** What ends by itself. */
function ending({ is, since, build, happened }: Passage, { store, today }: DueAt): Due[] {
  const { nameHeld, testsFor } = store.conduct;
  const found: Due[] = [];
  const created = happened.find(({ kind }) => kind === "created");
  const isSent = happened.some(({ kind }) => kind === "submitted");
  if (nameHeld && created && !isSent && is !== "nothing" && since !== undefined) {
    const by = daysAfter(created.at.slice(0, 10), nameHeld.days);
    if (by <= daysAfter(today, notice))
      found.push({
        says: `${store.title} lets go of the name, as far as is known, on ${by}: nothing was sent for review.`,
        word: "name-lapses",
        by,
        severity: "warning",
      });
  }
  if (testsFor && build?.state === "ready" && happened.some(({ kind }) => kind === "testing-allowed")) {
    const by = daysAfter(build.since.slice(0, 10), testsFor.days);
    if (by <= daysAfter(today, notice))
      found.push({
        says: `Build ${build.build} cannot be tried from ${by} on.`,
        word: "trial-ends",
        by,
        severity: "warning",
      });
  }
  if (build?.state === "ended")
    found.push({ says: `Build ${build.build} can no longer be tried.`, word: "trial-ended", severity: "warning" });
  return found;
}

/** What is due in a store for a client: what waits for long, what ends, what somebody has to do. */
export function dueIn(passage: Passage, at: DueAt): Problem[] {
  const { store, client } = at;
  const agreements = passage.agreements.map(
    (each): Due => ({
      says: `${store.title} goes on with nothing before "${each}" is signed.`,
      word: "agreement",
      put: { because: each },
      severity: "error",
    }),
  );
  const isAnswered = passage.is !== "refused" && passage.is !== "asked";
  return [...agreements, ...atPlace(passage, at), ...ending(passage, at)].map(
    ({ says, word, put, by, severity, fix }) => ({
      ...problem(isAnswered ? "passage-due" : "review-refused", says, {
        ...{ client, severity },
        facts: { word, ...saidWith(passage, store.title), ...(by === undefined ? {} : { by }), ...put },
        ...(by === undefined ? {} : { expected: `by ${by}` }),
        ...(fix === undefined ? {} : { fix }),
      }),
      ...(passage.since === undefined ? {} : { since: passage.since.slice(0, 10) }),
    }),
  );
}

/** What is said of a passage, whatever is due. */
const saidWith = ({ coming, build, share, since }: Passage, title: string): Facts => ({
  title,
  version: coming?.version ?? build?.version ?? "",
  build: build?.build ?? "",
  share: share ?? 0,
  since: since?.slice(0, 10) ?? "",
});
