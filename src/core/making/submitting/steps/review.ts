import { differenceOf, isAlike } from "../difference.ts";
import type { StoreApp } from "../wire.ts";
import { done, isLookedAt, type Lack, lacking, later, type Step, type SubmittingAt, toDo, waits } from "./step.ts";

const name = "review";

/** The store's look at a version: sent when everything is there, answered where it asks or refuses. */
export function reviewStep(at: SubmittingAt): Step {
  const { has, asked, store, wants } = at;
  if (!has) return later(name, "when there is a record");
  const { version } = has;
  if (isLookedAt(has) && version) {
    const how = version.station === "waiting" ? "waits to be looked at" : "is looked at";
    return waits(name, `version ${version.version} ${how} since ${dayOf(version.since)}`);
  }
  if (version?.station === "refused" || version?.station === "asked") {
    if (asked.reply === undefined) return lacking(name, refusedSaid(has), [toAnswer(has)]);
    const says = `reply: ${asked.reply}`;
    return toDo(name, "is to be answered", [{ kind: "reply", step: name, says, text: asked.reply }]);
  }
  if (version?.station === "approved" || version?.station === "going-out" || version?.station === "paused")
    return done(name, `version ${version.version} was approved`);
  if (version?.station === "live") {
    if (wants.build && wants.build.build !== has.live?.build)
      return later(name, `when build ${wants.build.build} stands for version ${wants.build.version}`);
    if (!has.isChanged) return done(name, `version ${version.version} was approved`);
    if (!store.conduct.reviewsTextsAlone) return later(name, "what has changed goes along with the next build");
  }
  return unsent(at, has);
}

/** A version that nobody has sent: what lacks is told all at once. */
function unsent({ lacks, wants, store }: Omit<SubmittingAt, "has">, has: StoreApp): Step {
  const { version } = has;
  const all: Lack[] = [
    ...has.agreements.map((each): Lack => ({ what: `"${each}" signed by the account's owner`, who: "producer" })),
    ...lacks.review,
  ];
  if (all.length === 0 && version?.build === undefined) return later(name, "when a build stands for a version");
  if (all.length > 0)
    return lacking(name, `${all.length === 1 ? "one thing lacks" : `${all.length} things lack`}`, all);
  if (!isAlike(differenceOf(has, wants))) return later(name, "when all is told");
  const says = `send version ${version?.version} to ${store.title} for review`;
  return toDo(name, "everything is there", [
    { kind: "submit", step: name, says, ...(wants.access ? { access: wants.access } : {}) },
  ]);
}

function refusedSaid({ version }: StoreApp): string {
  const { rule = "", where, says = "it does not say why" } = version?.refusal ?? {};
  const at = where === undefined ? "" : ` (${where})`;
  return `${version?.station === "asked" ? "asks" : "refused"}${rule === "" ? "" : ` by ${rule}`}${at}: ${says}`;
}

const toAnswer = ({ version }: StoreApp): Lack => ({
  what:
    version?.station === "asked"
      ? "an answer: `--reply <text>`"
      : "what it names, mended; then `--reply <text>` says what was changed",
  who: "producer",
});

const dayOf = (time: string): string => time.slice(0, 10);
