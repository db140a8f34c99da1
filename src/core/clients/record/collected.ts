import { expectedAmong } from "../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { type Step, type Traced, trace } from "../../ground/values/trail.ts";
import {
  type Collected,
  type DataKind,
  dataKindNames,
  dataMarkNames,
  type Purpose,
  purposeNames,
} from "../../stores/data-kinds.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { type Answered, wordsIn } from "./answers.ts";

/** What a client's app says of the data that leaves the device. */
export interface DataSaid {
  /** Undefined where nobody has said it. */
  answer: Traced | undefined;
  collected: readonly Collected[];
  problems: readonly Problem[];
}

/** The data that leaves the device: the template's answer, kind by kind as groups and the brief change it. */
export function collectedFrom(answered: readonly Answered[], client: string): DataSaid {
  const problems: Problem[] = [];
  const steps: Step[] = [];
  const kinds = new Map<DataKind, Collected>();
  for (const { declares, step, placeOf } of answered) {
    const { data } = declares;
    if (data === undefined) continue;
    if (data === "none") kinds.clear();
    else
      for (const [name, said] of Object.entries(data)) {
        const read = readKind(name, wordsIn(said));
        if ("fault" in read) {
          const at = placeOf(["data", name], read.isName ? "key" : "value");
          problems.push(problem("declaration-invalid", read.fault, { client, place: at, expected: read.expected }));
        } else if (read.collected) kinds.set(read.kind, read.collected);
        else kinds.delete(read.kind);
      }
    steps.push({ ...step, value: saidOf([...kinds.values()]), place: placeOf(["data"]) });
  }
  const [first, ...more] = steps;
  const collected = dataKindNames.flatMap((kind) => kinds.get(kind) ?? []);
  return { answer: first && trace(first, ...more), collected, problems };
}

type KindRead =
  | { kind: DataKind; collected: Collected | undefined }
  | { fault: string; expected: string; isName?: true };

function readKind(name: string, words: readonly string[]): KindRead {
  const kind = dataKindNames.find((each) => each === name);
  if (!kind) {
    const expected = expectedAmong(name, dataKindNames, "a kind of data, such as email or device-id");
    return { fault: `No kind of data is called "${name}".`, expected, isName: true };
  }
  if (words.length === 1 && words[0] === "no") return { kind, collected: undefined };
  const marks = dataMarkNames.filter((each) => words.includes(each));
  const purposes = purposeNames.filter((each) => words.includes(each));
  const known: readonly string[] = [...marks, ...purposes];
  const odd = words.find((word) => !known.includes(word));
  if (odd !== undefined) {
    const fault = `"${odd}" says nothing of ${kind}.`;
    return { fault, expected: expectedAmong(odd, [...dataMarkNames, ...purposeNames], purposeNames.join(", ")) };
  }
  if (purposes.length === 0)
    return {
      fault: `It is not said what ${kind} is collected for.`,
      expected: `one or more of ${purposeNames.join(", ")}`,
    };
  return { kind, collected: { kind, marks, purposes } };
}

/** The same in one line: "email: linked, account; crashes: analytics". */
const saidOf = (all: readonly Collected[]): string =>
  all.length === 0
    ? "none"
    : all.map((each) => `${each.kind}: ${[...each.marks, ...each.purposes].join(", ")}`).join("; ");

/** What tells who somebody is. */
const whoKinds: readonly DataKind[] = ["name", "email", "phone", "user-id"];

interface Held {
  /** Whether it is known to be false, or only unlikely. */
  isSure: boolean;
  says: string;
}

/** What features and other answers say against what is said of data. */
export function againstData(
  collected: readonly Collected[],
  features: readonly string[],
  tracking: string | undefined,
): Held[] {
  const has = (feature: string) => features.includes(feature);
  const isFor = (purpose: Purpose) => collected.some(({ purposes }) => purposes.includes(purpose));
  const isTracking = collected.some(({ marks }) => marks.includes("tracking"));
  const isKnown = collected.some(({ kind, marks }) => whoKinds.includes(kind) && marks.includes("linked"));
  return [
    ...(has("analytics") && !isFor("analytics")
      ? [{ isSure: true, says: "the app has analytics, and so tells how it is used: nothing is collected for that" }]
      : []),
    ...(has("sign-in") && !isKnown
      ? [
          {
            isSure: false,
            says: "people sign in, and what says who they are is linked to them, unless it stays on the device",
          },
        ]
      : []),
    ...(has("ads") && !isFor("ads")
      ? [{ isSure: false, says: "the app shows advertising, and what brings advertising collects for it as a rule" }]
      : []),
    ...(isTracking && tracking === "no" ? [{ isSure: true, says: "tracking says that nobody is followed" }] : []),
    ...(!isTracking && tracking === "yes"
      ? [{ isSure: true, says: "tracking says that people are followed: no kind of data has the word tracking" }]
      : []),
  ];
}

/** A line of a store's form about data. */
export interface DataLine {
  title: string;
  /** What is ticked there. */
  text: string;
}

/** What a store is told of data, in its own words. */
export function dataLines({ data: form }: StoreDefinition, collected: readonly Collected[]): DataLine[] {
  const { title } = form;
  if (collected.length === 0) return [{ title, text: form.none }];
  if (!form.byKind) return [{ title, text: form.any }];
  const named = new Map<string, Collected[]>();
  for (const each of collected)
    for (const name of form.kinds[each.kind]) named.set(name, [...(named.get(name) ?? []), each]);
  const lines = [...named].map(([name, all]) => {
    const together = joined(all);
    const purposes = [...new Set(together.purposes.flatMap((each) => form.purposes[each] ?? []))];
    return { title: `${title}: ${name}`, text: form.ticked(together, purposes) };
  });
  return [...lines, { title: `${title}: everything else`, text: "Not collected" }];
}

/** Kinds that a store does not tell apart: what weighs more goes before. */
function joined([first, ...more]: readonly Collected[]): Collected {
  if (!first) throw new RangeError("nothing is collected");
  const all = [first, ...more];
  const any = (mark: Collected["marks"][number]) => all.some(({ marks }) => marks.includes(mark));
  const every = (mark: Collected["marks"][number]) => all.every(({ marks }) => marks.includes(mark));
  return {
    kind: first.kind,
    // That people can choose, or that it is not kept, has to hold of all.
    marks: dataMarkNames.filter((mark) => (mark === "optional" || mark === "ephemeral" ? every(mark) : any(mark))),
    purposes: purposeNames.filter((purpose) => all.some(({ purposes }) => purposes.includes(purpose))),
  };
}

/** Kinds that a store cannot be told of: it has none of their purposes. */
export const withoutPurpose = ({ data: form }: StoreDefinition, collected: readonly Collected[]): Collected[] =>
  form.byKind ? collected.filter(({ purposes }) => purposes.every((each) => form.purposes[each] === undefined)) : [];

/** Purposes that a store has. */
export const purposesOf = ({ data: form }: StoreDefinition): Purpose[] =>
  form.byKind ? purposeNames.filter((each) => form.purposes[each] !== undefined) : [];
