import { imageSize } from "image-size";
import type { Capture } from "../../../core/clients/record/captures.ts";
import type { Preview } from "../../../core/clients/record/previews.ts";
import type { RecordValue, StoreRecord } from "../../../core/clients/record/record.ts";
import { filmIn } from "../../../core/formats/films/film.ts";
import { isError } from "../../../core/ground/problems/problem.ts";
import { trace } from "../../../core/ground/values/trail.ts";
import type { Varying } from "../../../core/ground/values/varying.ts";
import { capabilitiesFact, devicesFact } from "../../../core/making/submitting/wants.ts";
import { openIn, standingIn } from "../../../core/proving/standing/standing.ts";
import { questions } from "../../../core/stores/all.ts";
import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { previewSlot } from "../../../core/stores/preview-row.ts";
import { type RecordField, recordFieldNames } from "../../../core/stores/record-fields.ts";
import type { KeptApp, Parts } from "./kept.ts";

/** What a machine finds wrong or missing in a record, before people look at it. */
export interface Looked {
  lacks: readonly string[];
  wrong: readonly { says: string; rule: string }[];
}

/** Looks at a record as its store does. @param pictureOf the bytes of a sum @param today as 2026-03-01 */
export function lookAtRecord(
  store: StoreDefinition,
  app: KeptApp,
  pictureOf: (sum: string) => Uint8Array | undefined,
  today: string,
): Looked {
  const standing = standingIn(store, recordOf(store, app, pictureOf), [], today);
  return {
    lacks: openIn(standing),
    wrong: standing.problems.filter(isError).map(({ message, code }) => ({ says: message, rule: code })),
  };
}

/** A record as the rules look at it, put together from what was told here. */
function recordOf(
  store: StoreDefinition,
  app: KeptApp,
  pictureOf: (sum: string) => Uint8Array | undefined,
): StoreRecord {
  const { draft, language, live, version } = app;
  const languages = [language, ...Object.keys(draft.texts).filter((each) => each !== language)];
  const devices = draft.facts[devicesFact];
  const permissions = app.builds.find(({ build }) => build === version?.build)?.permissions ?? [];
  return {
    client: app.identifier,
    languages,
    values: Object.fromEntries(
      recordFieldNames.flatMap((field) => {
        const value = told(field, draft, languages);
        return value ? [[field, value]] : [];
      }),
    ),
    features: draft.facts[capabilitiesFact]?.split("\n") ?? [],
    declared: questions
      .filter(({ permission }) => !permission || permissions.some((each) => permission.test(each)))
      .map((declaration) => {
        const said = answerTo(declaration.name, draft);
        return { declaration, answer: said === undefined ? undefined : toldValue(said) };
      }),
    collected: [],
    captures: draft.pictures.flatMap((each) => captureOf(store, each, language, pictureOf)),
    previews: draft.pictures.flatMap((each) => previewOf(store, each, language, pictureOf)),
    policies: [],
    derived: new Set(),
    ...(devices === undefined ? {} : { devices }),
    ...(live ? { former: live.version } : {}),
  };
}

const toldValue = (value: string): RecordValue => trace({ by: "brief", note: "told", value });

function told(field: RecordField, { texts, facts }: Parts, [main = "", ...more]: readonly string[]) {
  const first = texts[main]?.[field] ?? facts[field];
  const further = more.flatMap((language): [string, RecordValue][] => {
    const text = texts[language]?.[field];
    return text === undefined ? [] : [[language, toldValue(text)]];
  });
  if (first === undefined && further.length === 0) return undefined;
  return {
    first: first === undefined ? undefined : toldValue(first),
    further: Object.fromEntries(further),
  } satisfies Varying<RecordValue>;
}

/** What is said of data is told a kind at a time. */
function answerTo(name: string, { answers }: Parts): string | undefined {
  if (name !== "data") return answers[name];
  const lines = Object.entries(answers).filter(([each]) => each.startsWith("data: "));
  return lines.length === 0 ? undefined : lines.map(([title, text]) => `${title} ${text}`).join("; ");
}

function captureOf(
  store: StoreDefinition,
  { slot, language, sum }: Parts["pictures"][number],
  main: string,
  pictureOf: (sum: string) => Uint8Array | undefined,
): Capture[] {
  const row = store.captures.find(({ device }) => device === slot);
  const bytes = row && pictureOf(sum);
  if (!row || !bytes) return [];
  const { size, format } = measured(bytes);
  return [
    { device: row.device, language: language ?? main, file: `${sum}.${format}`, hash: sum, ...(size ? { size } : {}) },
  ];
}

function previewOf(
  store: StoreDefinition,
  { slot, language, sum }: Parts["pictures"][number],
  main: string,
  pictureOf: (sum: string) => Uint8Array | undefined,
): Preview[] {
  const row = store.previews.find(({ device }) => previewSlot(device) === slot);
  const bytes = row && pictureOf(sum);
  if (!row || !bytes) return [];
  const film = filmIn(bytes.length, (from, length) => bytes.subarray(from, from + length));
  const about = { device: row.device, language: language ?? main, file: sum, bytes: bytes.length };
  return [{ ...about, ...(film ? { film } : {}) }];
}

function measured(bytes: Uint8Array): { size?: { width: number; height: number }; format: string } {
  try {
    const { width, height, type = "" } = imageSize(bytes);
    return { size: { width, height }, format: type };
  } catch {
    return { format: "" };
  }
}
