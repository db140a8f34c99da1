import type { KeptHappening } from "../../agency/history/happenings.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import type { SubmittingAt } from "../../making/submitting/steps/step.ts";
import type { HandStep } from "../../stores/conduct.ts";
import { rowsFor } from "../../stores/record-row.ts";
import { isThere, itemsOf, type LackingItem, type SheetItem } from "../copysheet/items.ts";

/** A step that a person does in a store's pages, as it stands for a client. */
export interface ShownStep extends HandStep {
  /** The day on which it was done, of this version. */
  doneOn?: string;
  /** What is typed or chosen there. */
  copies: readonly Pick<SheetItem, "title" | "text" | "language">[];
  /** What is chosen there, and not typed. */
  answers: readonly Pick<SheetItem, "title" | "text">[];
  /** Files that are dragged there, relative to the workspace. */
  files: readonly string[];
  /** What has to be there first. */
  lacks: readonly string[];
}

/** What steps are shown from. */
export interface HandFrom extends Pick<SubmittingAt, "wants" | "lacks" | "store"> {
  record: StoreRecord;
  /** All that has happened to the client's app, in whichever store, the oldest first. */
  happened: readonly KeptHappening[];
}

/** What of all that has happened is of the version that is on its way; a record is created once for all. */
function ofVersion({ store, happened, wants: { build } }: HandFrom): KeptHappening[] {
  const own = happened.filter((each) => each.store === store.key);
  const before = own.findLastIndex(({ kind, build: of }) => kind === "live" && of !== build?.build);
  return own.filter(({ kind }, at) => at > before || kind === "created");
}

/** A step that is noted by hand says which of several alike it is; one that a store tells of is known by its kind. */
const isDoneBy = ({ name, done }: HandStep, { kind, says, by }: KeptHappening): boolean =>
  kind === done && (kind !== "told" || by === undefined || says === name);

/** The steps of a store for a client, in the store's own order. */
export function handSteps(from: HandFrom): ShownStep[] {
  const own = ofVersion(from);
  return from.store.conduct.byHand.map((step): ShownStep => {
    const last = own.findLast((each) => isDoneBy(step, each));
    const takes = step.takes ?? [];
    return {
      ...step,
      ...(last ? { doneOn: last.at.slice(0, 10) } : {}),
      copies: takes.flatMap((each) => copiesFor(each, from)),
      answers: takes.includes("answers") ? there(itemsFor(from).questions) : [],
      files: takes.flatMap((each) => filesFor(each, from)),
      lacks: lacksFor(step, from),
    };
  });
}

type Taken = NonNullable<HandStep["takes"]>[number];

const itemsFor = ({ store, record, wants }: Pick<HandFrom, "store" | "record" | "wants">) =>
  itemsOf({ identifier: wants.identifier, store, record, problems: [] });

const there = (all: readonly (SheetItem | LackingItem)[]): SheetItem[] => all.filter(isThere);

function copiesFor(taken: Taken, { store, record, wants }: HandFrom): ShownStep["copies"] {
  const items = itemsFor({ store, record, wants });
  if (taken === "texts") return there(items.fields).filter(({ id }) => id !== "identifier");
  if (taken !== "creation") return [];
  const names = new Set(
    rowsFor(store.record, record.features)
      .filter(({ field }) => store.creates.includes(field))
      .map(({ field }) => field),
  );
  const language = { title: "Main language", text: wants.language };
  const first = there(items.fields).filter(({ id }) => {
    const [field = "", of = ""] = id.split(".");
    return id === "identifier" || (names.has(field as never) && (of === "" || of === wants.language));
  });
  return [...first, language];
}

function filesFor(taken: Taken, { wants: { build, pictures } }: HandFrom): string[] {
  if (taken === "package") return build ? [build.file] : [];
  return taken === "pictures" ? pictures.map(({ file }) => file) : [];
}

function lacksFor({ done }: HandStep, { lacks, wants }: HandFrom): string[] {
  if (done === "created") return lacks.creation.map(({ what }) => what);
  if (done === "submitted") return lacks.review.map(({ what }) => what);
  return done === "build-sent" && !wants.build ? ["a good build for the store: `oxalis build`"] : [];
}
