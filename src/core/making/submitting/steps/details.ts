import { isPreviewSlot } from "../../../stores/preview-row.ts";
import type { Act } from "../act.ts";
import { type Difference, differenceOf, type FieldChange, isAlike } from "../difference.ts";
import type { Wants } from "../wants.ts";
import { done, isLookedAt, later, type Step, type SubmittingAt, toDo, waits } from "./step.ts";

const name = "details";

/** What a store is told of an app: only what differs, and one language at a time. */
export function detailsStep({ has, wants }: SubmittingAt): Step {
  if (!has) return later(name, "when there is a record");
  const difference = differenceOf(has, wants);
  if (isAlike(difference)) return done(name, "as the record says");
  const acts = actsFor(difference, wants);
  if (isLookedAt(has)) return waits(name, `${said(acts)} when the version is no longer looked at`);
  return toDo(name, said(acts), acts);
}

const said = (acts: readonly Act[]): string => acts.map(({ says }) => says).join("; ");

const actsFor = (difference: Difference, wants: Wants): Act[] => [
  ...Object.entries(difference.texts).map(
    ([language, changes]): Act => ({
      ...{ kind: "texts", step: name, language, fields: wants.texts[language] ?? {} },
      says: `tell ${count(changes.length, "text")} (${language})`,
      changes: changes.map(changeSaid),
    }),
  ),
  ...fieldsAct("facts", difference.facts, wants.facts, "fact"),
  ...fieldsAct("answers", difference.answers, wants.answers, "answer"),
  ...picturesAct(difference, wants),
  ...goodsAct(difference, wants),
];

function picturesAct({ pictures: added, picturesGone: gone }: Difference, { pictures }: Wants): Act[] {
  if (added.length + gone.length === 0) return [];
  const says = [
    ...(added.length > 0 ? [`send ${mediaSaid(added)}`] : []),
    ...(gone.length > 0 ? [`take out ${mediaSaid(gone)}`] : []),
  ].join(" and ");
  return [{ kind: "pictures", step: name, pictures, says, changes: added.map(({ file }) => `+ ${file}`) }];
}

/** So many pictures and films. */
function mediaSaid(all: readonly { slot: string }[]): string {
  const films = all.filter(({ slot }) => isPreviewSlot(slot)).length;
  const pictures = all.length - films;
  return [...(pictures > 0 ? [count(pictures, "picture")] : []), ...(films > 0 ? [count(films, "film")] : [])].join(
    " and ",
  );
}

const goodsAct = ({ goods: differ }: Difference, { goods }: Wants): Act[] =>
  differ ? [{ kind: "goods", step: name, goods, says: `tell ${count(goods.length, "good")}` }] : [];

const fieldsAct = (
  kind: "facts" | "answers",
  changes: readonly FieldChange[],
  fields: Readonly<Record<string, string>>,
  word: string,
): Act[] =>
  changes.length === 0
    ? []
    : [{ kind, step: name, fields, says: `tell ${count(changes.length, word)}`, changes: changes.map(changeSaid) }];

/** Most of a value that is shown. */
const mostShown = 60;

const short = (text: string): string => {
  const [line = "", ...more] = text.split("\n");
  return line.length > mostShown || more.length > 0 ? `${line.slice(0, mostShown)}…` : line;
};

function changeSaid({ field, before, after }: FieldChange): string {
  if (before === undefined) return `+ ${field}: ${short(after ?? "")}`;
  return after === undefined ? `- ${field}: ${short(before)}` : `~ ${field}: ${short(before)} → ${short(after)}`;
}

const count = (number: number, word: string): string => `${number} ${number === 1 ? word : `${word}s`}`;
