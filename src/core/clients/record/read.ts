import { approvals } from "../../agency/history/approvals.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { openTemplate, type Template } from "../../app/survey/template.ts";
import { furtherNames, type Resolved, type Variant } from "../../app/variant/variant.ts";
import { glanceAt } from "../../ground/files/reading/folder.ts";
import { ofClient, type Problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import { fieldNames } from "../../ground/values/fields.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { Traced } from "../../ground/values/trail.ts";
import type { Varying } from "../../ground/values/varying.ts";
import { type RecordField, recordFieldNames, recordFields } from "../../stores/record-fields.ts";
import { readBeside } from "./beside.ts";
import { readCaptures } from "./captures.ts";
import { declaredFor, wantsPolicy } from "./declared.ts";
import { type Pieces, putOf } from "./drafts.ts";
import { policyFor, policyMissing } from "./policy.ts";
import { readPreviews } from "./previews.ts";
import type { RecordValue, StoreRecord } from "./record.ts";
import { onlyValue, type RecordFrom, spokenValue } from "./values.ts";

/** What a client's stores are told of its app, and what was found while that was read. */
export interface Told {
  record: StoreRecord;
  problems: readonly Problem[];
}

/** A client as commands look at it: each step fills in more, and what it finds is added to the problems. */
export interface ClientView extends Resolved {
  /** Absent where its brief cannot be read. */
  told?: Told;
}

/** A client's record, as its files say it. */
export function readRecord(workspace: Workspace, client: Client, variant: Variant): Told {
  const { beside, problems } = readBeside(client);
  const approved = attempt(() => approvals.read(workspace.root, client.key));
  const policy = policyFor(workspace, variant);
  const puts = new Map<string, Pieces>();
  const putIn = (language: string): Pieces => {
    const put = puts.get(language) ?? putOf(variant, language);
    puts.set(language, put);
    return put;
  };
  const found = resolveRecord({
    workspace,
    client,
    variant,
    beside,
    // Where nobody can tell what was approved, every draft is open.
    approvals: (approved.ok && approved.value) || {},
    policy,
    putIn,
  });
  const told = [...problems, ...(approved.ok ? [] : approved.problems), ...found.problems];
  return { record: found.record, problems: ofClient(client.key, told) };
}

function resolveRecord(sources: RecordFrom): { record: StoreRecord; problems: Problem[] } {
  const { workspace, client, variant, policy } = sources;
  const languages = [variant.values.locale?.value ?? "en", ...furtherNames(variant).map(({ locale }) => locale)];
  const problems: Problem[] = [];
  const values: Partial<Record<RecordField, Varying<RecordValue>>> = {};
  for (const field of recordFieldNames) {
    const found = recordFields[field].byLanguage
      ? inLanguages(field, languages, sources)
      : { value: onlyIn(field, sources), problems: [] };
    problems.push(...found.problems);
    if (found.value) values[field] = found.value;
  }
  const features = variant.features.filter(({ isOn }) => isOn).map(({ name }) => name);
  const { captures, problems: ofCaptures } = readCaptures(client);
  const { previews, problems: ofPreviews } = readPreviews(client);
  const having = { features, permissions: templateFacts(workspace).permissions };
  const { declared, collected, problems: unanswered } = declaredFor(workspace, client, having);
  const former = formerVersion(client, variant);
  const isMade = policy.at !== undefined && values.privacy?.first?.value === policy.at;
  return {
    record: {
      client: client.key,
      languages,
      values,
      features,
      declared,
      collected,
      captures,
      previews,
      policies: isMade ? policy.texts : [],
      derived: new Set(fieldNames.filter((field) => isWorkedOut(variant.values[field]))),
      ...(former === undefined ? {} : { former }),
      ...(variant.values.devices ? { devices: variant.values.devices.value } : {}),
    },
    problems: [
      ...problems,
      ...ofCaptures,
      ...ofPreviews,
      ...unanswered,
      ...policy.problems,
      ...(wantsPolicy(features, declared) && !values.privacy ? [policyMissing(client.key)] : []),
    ],
  };
}

/** What is known of a template that clients' records and updates are held against. */
interface TemplateFacts {
  /** What its Android manifests ask for. */
  permissions: readonly string[];
  /** The least system that each of its parts runs on. */
  systems: Readonly<Partial<Record<Platform, string>>>;
  /** Bytes of the files of each part. Looked at when it is asked, once. */
  sizes(): Readonly<Partial<Record<Platform, number>>>;
}

/** Bytes of the files of each part of a template. */
function sizesOf({ folder, files, parts }: Template): ReturnType<TemplateFacts["sizes"]> {
  const sizeOf = (file: string): number => glanceAt(`${folder.root}/${file}`)?.size ?? 0;
  const within = (part: string) => files.filter((file) => part === "" || file.startsWith(`${part}/`));
  return Object.fromEntries(
    parts.map(({ platform, folder: part }) => [platform, within(part).reduce((sum, file) => sum + sizeOf(file), 0)]),
  );
}

/** Asked for once for each client. */
const known = new WeakMap<Workspace, TemplateFacts>();

/** What a template asks for, and runs on; nothing where it cannot be read: that is told elsewhere. */
export function templateFacts(workspace: Workspace): TemplateFacts {
  const before = known.get(workspace);
  if (before) return before;
  const template = attempt(() => openTemplate(workspace));
  const parts = template.ok ? template.value.parts : [];
  let sizes: ReturnType<TemplateFacts["sizes"]> | undefined;
  const facts: TemplateFacts = {
    permissions: parts.flatMap(({ permissions = [] }) => permissions),
    sizes() {
      sizes ??= template.ok ? sizesOf(template.value) : {};
      return sizes;
    },
    systems: Object.fromEntries(parts.flatMap(({ platform, minimum }) => (minimum ? [[platform, minimum]] : []))),
  };
  known.set(workspace, facts);
  return facts;
}

/** Whether nobody has said it: neither the client, nor its group, nor the agency. */
const isWorkedOut = (value: Traced | undefined): boolean =>
  value !== undefined && !value.trail.some(({ by }) => by === "brief" || by === "group" || by === "agency");

/** The version before the client's own, as the ledger has it; whether a store has it too, nobody here knows. */
const formerVersion = ({ ledger }: Client, { values }: Variant): string | undefined =>
  ledger?.releases.findLast(({ version }) => version !== values.version?.value)?.version;

function onlyIn(field: RecordField, sources: RecordFrom): Varying<RecordValue> | undefined {
  const first = onlyValue(field, sources);
  return first && { first, further: {} };
}

/** A text in every language; the main one's stands in where a further language has none of its own. */
function inLanguages(
  field: RecordField,
  [main = "en", ...more]: readonly string[],
  sources: RecordFrom,
): { value: Varying<RecordValue> | undefined; problems: readonly Problem[] } {
  const { value: first, problems } = spokenValue(field, main, sources);
  const further = more.map((language) => ({ language, ...spokenValue(field, language, sources) }));
  const spoken = further.flatMap(({ language, value }) => {
    const own = value ?? (first && { ...first, isFallback: true as const });
    return own ? [[language, own] as const] : [];
  });
  return {
    value: first || spoken.length > 0 ? { first, further: Object.fromEntries(spoken) } : undefined,
    problems: [...problems, ...further.flatMap((each) => each.problems)],
  };
}
