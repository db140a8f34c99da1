import type { Waiver } from "../../agency/workspace/schema/store.ts";
import { purposesOf, withoutPurpose } from "../../clients/record/collected.ts";
import { asTaken, characters } from "../../clients/record/count.ts";
import { type Declared, declaredTo } from "../../clients/record/declared.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import { isError, type Problem, problem } from "../../ground/problems/problem.ts";
import type { Who } from "../../ground/problems/who.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { writtenAt } from "../../ground/values/trail.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { placeInBrief, type RecordField, recordFields } from "../../stores/record-fields.ts";
import { type RecordRow, rowsFor } from "../../stores/record-row.ts";
import { type CaptureStanding, judgeCaptures } from "./captured.ts";
import { judgePreviews } from "./previewed.ts";
import { rules } from "./rules/all.ts";
import type { Examined, RecordLine, Remark } from "./rules/rule.ts";

/** A row of a store's record, as it stands for a client. */
export interface LineStanding {
  field: RecordField;
  title: string;
  need: RecordRow["need"];
  state: "given" | "draft" | "missing" | "wrong";
  /** Characters of the main language's text, and how many there may be. */
  used?: number;
  most?: number;
  value?: string;
  /** What is wrong with it, or should be looked at, and who has to mend that. */
  faults: readonly LineFault[];
  /** Languages in which the main one's text stands in. */
  fallback: readonly string[];
}

export interface LineFault {
  code: ProblemCode;
  who: Who;
  severity: Problem["severity"];
  /** Absent of the main one, and of what is said once for all. */
  language?: string;
}

/** What a store's record of a client has of what it wants. */
export interface Standing {
  store: StoreKey;
  title: string;
  required: Count;
  recommended: Count;
  /** What lacks for the record to be created, by its title: the first step, apart from the rest. */
  creation: readonly string[];
  /** What is required, by kind. */
  parts: readonly Part[];
  lines: readonly LineStanding[];
  /** Pictures of the running app, by class of devices. */
  captures: readonly CaptureStanding[];
  /** Answers to the store's questions, and why there is one right answer where there is. */
  answers: readonly { name: string; asks: string; answer?: string; because?: string; rule: string }[];
  problems: readonly Problem[];
  /** Rules that hold. */
  passed: readonly { code: ProblemCode; says: string }[];
}

interface Count {
  done: number;
  total: number;
}

/** So much of what is required is there, of one kind. */
export interface Part extends Count {
  kind: "texts" | "answers" | "pictures";
}

/** Holds a record against everything that a store wants. */
export function standingIn(
  store: StoreDefinition,
  record: StoreRecord,
  waived: readonly Waiver[],
  today: string,
): Standing {
  const lines = rowsFor(store.record, record.features).map(
    (row): RecordLine => ({ row, value: record.values[row.field] }),
  );
  const looked: Examined = { record, store, lines, today };
  const found = rules
    .filter(({ stores }) => !stores || stores.includes(store.key))
    .map((rule) => ({ rule, findings: rule.look(looked) }));
  const told = found.flatMap(({ rule, findings }) =>
    findings.map((finding) => ({ finding, problem: asProblem(rule.code, rule.level, finding, looked) })),
  );
  const open = told.filter((each) => !isWaived(each.problem, store.key, waived, today));
  const standings = lines.map((line) => lineStanding(line, open, record.languages[0]));
  const captured = judgeCaptures(store, record);
  const declared = declaredTo(store.key, record.declared);
  const unanswered = declared.filter(({ answer }) => answer === undefined);
  const counted = (need: RecordRow["need"]) => ({
    texts: countOf(standings, need, ({ state }) => state === "given"),
    pictures: countOf(captured.standings, need, ({ isDone }) => isDone),
  });
  const answers = { done: declared.length - unanswered.length, total: declared.length };
  const required = { ...counted("required"), answers };
  const recommended = counted("recommended");
  return {
    store: store.key,
    title: store.title,
    required: sumOf(required),
    recommended: sumOf(recommended),
    creation: standings
      .filter(({ field, state }) => store.creates.includes(field) && state !== "given")
      .map(({ title }) => title),
    parts: (["texts", "answers", "pictures"] as const).map((kind) => ({ kind, ...required[kind] })),
    lines: standings,
    captures: captured.standings,
    answers: declared.map(({ declaration: { name, asks, rule }, answer, because }) => ({
      name,
      asks,
      rule,
      ...(answer ? { answer: answer.value } : {}),
      ...(because === undefined ? {} : { because }),
    })),
    problems: [
      ...open.map((each) => each.problem),
      ...captured.problems,
      ...judgePreviews(store, record),
      ...unansweredProblems(store, record, unanswered),
      ...unassigned(store, record),
      ...withoutPurpose(store, record.collected).map(({ kind, purposes }) =>
        problem(
          "declaration-invalid",
          `${store.title} has no purpose "${purposes.join(", ")}", which ${kind} is for.`,
          {
            ...{ client: record.client, about: ["declares", "data"] },
            expected: purposesOf(store).join(", "),
          },
        ),
      ),
    ],
    passed: found.flatMap(({ rule, findings }) =>
      findings.length === 0 ? [{ code: rule.code, says: rule.says }] : [],
    ),
  };
}

/** What of all that a store requires is not there, by name: as many as are missing from the count. */
export const openIn = ({ lines, captures, answers }: Standing): string[] => [
  ...lines.filter(({ need, state }) => need === "required" && state !== "given").map(({ title }) => title),
  ...captures.filter(({ need, isDone }) => need === "required" && !isDone).map(({ title }) => title),
  ...answers.filter(({ answer }) => answer === undefined).map(({ asks }) => asks),
];

function countOf<T extends { need: RecordRow["need"] }>(
  all: readonly T[],
  need: RecordRow["need"],
  isDone: (each: T) => boolean,
): Count {
  const wanted = all.filter((each) => each.need === need);
  return { done: wanted.filter(isDone).length, total: wanted.length };
}

const sumOf = (parts: Readonly<Record<string, Count>>): Count =>
  Object.values(parts).reduce((sum, { done, total }) => ({ done: sum.done + done, total: sum.total + total }), {
    done: 0,
    total: 0,
  });

function asProblem(code: ProblemCode, level: Problem["severity"], finding: Remark, { record }: Examined): Problem {
  const { row, language, message, expected, severity = level } = finding;
  const value = record.values[row.field];
  const said = language === undefined || language === record.languages[0] ? value?.first : value?.further[language];
  const told = problem(code, message, {
    severity,
    client: record.client,
    place: said && writtenAt(said),
    about: placeInBrief(row.field, language ?? record.languages[0] ?? "en") ?? [row.field],
    ...(expected === undefined ? {} : { expected }),
  });
  return { ...told, who: code === "draft-open" ? "producer" : recordFields[row.field].who };
}

/** Whether somebody has agreed that a finding is passed over, and the day is not past. */
const isWaived = ({ code }: Problem, store: StoreKey, waived: readonly Waiver[], today: string): boolean =>
  waived.some((each) => each.rule === code && (each.store ?? store) === store && each.until >= today);

function lineStanding(
  { row, value }: RecordLine,
  open: readonly { finding: Remark; problem: Problem }[],
  main: string | undefined,
): LineStanding {
  const own = open.filter((each) => each.finding.row === row && each.problem.severity !== "note");
  const isWrong = own.some((each) => isError(each.problem));
  const first = value?.first;
  const state = !first ? "missing" : first.isDraft ? "draft" : isWrong ? "wrong" : "given";
  return {
    field: row.field,
    title: row.title,
    need: row.need,
    state,
    ...(first ? { value: first.value, used: characters(asTaken(first.value, row)) } : {}),
    ...(row.most === undefined ? {} : { most: row.most }),
    faults: own.map(({ finding: { language }, problem: { code, who, severity } }) => ({
      ...{ code, who, severity },
      ...(language === undefined || language === main ? {} : { language }),
    })),
    fallback: Object.entries(value?.further ?? {}).flatMap(([language, { isFallback }]) =>
      isFallback ? [language] : [],
    ),
  };
}

/** Questions without an answer, as one finding: most of them are answered together. */
function unansweredProblems(
  { title }: StoreDefinition,
  { client }: StoreRecord,
  unanswered: readonly Declared[],
): Problem[] {
  if (unanswered.length === 0) return [];
  const names = unanswered.map(({ declaration }) => declaration.name).join(", ");
  return [
    problem("declaration-missing", `${title} asks what nobody has answered: ${names}.`, {
      client,
      about: ["declares"],
    }),
  ];
}

/** What a store assigns to an app, and Oxalis has worked out meanwhile. */
export const notGiven = ({ assigned = [] }: StoreDefinition, { derived }: StoreRecord) =>
  assigned.filter(({ field }) => derived.has(field));

/** That such values are good for tries, and for no upload. */
function unassigned(store: StoreDefinition, record: StoreRecord): Problem[] {
  const { title } = store;
  const { client } = record;
  const open = notGiven(store, record);
  if (open.length === 0) return [];
  const named = open.map(({ field }) => field).join(", ");
  const message = `${title} assigns ${named}: what was worked out is for tries on one's own machines.`;
  const expected = `what the store shows as ${open.map((each) => each.title).join(", ")}`;
  return [problem("identity-derived", message, { client, severity: "warning", about: ["windows"], expected })];
}

/** Waivers that have ended or pass over what there is not. */
export function judgeWaivers(client: string, waived: readonly Waiver[], today: string): Problem[] {
  const codes = new Set<string>(rules.map(({ code }) => code));
  return waived.flatMap((each) => {
    const detail = { client, severity: "warning" } as const;
    if (!codes.has(each.rule)) return [problem("waiver-unknown", `No rule is called "${each.rule}".`, detail)];
    if (each.until >= today) return [];
    return [problem("waiver-ended", `${each.by} waived ${each.rule} until ${each.until}: ${each.reason}`, detail)];
  });
}
