import { join } from "node:path";
import { entriesOf, isFolder, readInside } from "../files/reading/folder.ts";
import type { Problem } from "../problems/problem.ts";
import { attempt } from "../problems/result.ts";
import { type RecordField, recordFieldNames, recordFields, spokenFieldNames } from "../stores/record-fields.ts";
import { type Step, type Traced, trace } from "../values/trail.ts";
import type { Varying } from "../values/varying.ts";
import { furtherNames, type Variant } from "../variant/variant.ts";
import { layersOf } from "../workspace/layers.ts";
import type { Client, Workspace } from "../workspace/workspace.ts";
import { type Approvals, isApproved, readApprovals } from "./approvals.ts";
import { type Capture, readCaptures } from "./captures.ts";
import { declaredFor, isPersonal } from "./declared.ts";
import { type Put, putOf, writeDraft } from "./drafts.ts";
import { policyFor, policyMissing } from "./policy.ts";
import type { RecordValue, StoreRecord } from "./record.ts";

/** Texts that lie beside a brief, by their path within its folder: store/en/description.txt. */
type Beside = ReadonlyMap<string, string>;

/** Reads the texts that a client has as files. */
function readBeside(client: Client): { texts: Beside; problems: Problem[] } {
  const texts = new Map<string, string>();
  const problems: Problem[] = [];
  const store = join(client.folder, "store");
  if (!isFolder(store)) return { texts, problems };
  for (const language of entriesOf(store, "store").filter((each) => each.isFolder))
    for (const field of spokenFieldNames) {
      const path = `store/${language.name}/${field}.txt`;
      const shown = `clients/${client.key}/${path}`;
      const read = attempt(() => readInside(client.folder, path, shown));
      if (read.ok) texts.set(path, new TextDecoder().decode(read.value).trim().normalize("NFC"));
      else problems.push(...read.problems.filter(({ code }) => code !== "file-missing"));
    }
  return { texts, problems };
}

/** Where a brief has a field that is no text of a language; the app's own fields go into the record as they are. */
const places: Readonly<Partial<Record<RecordField, readonly string[]>>> = {
  category: ["store", "category"],
  subcategory: ["store", "subcategory"],
  kind: ["store", "kind"],
  audience: ["store", "audience"],
  support: ["store", "support"],
  marketing: ["store", "marketing"],
  privacy: ["store", "privacy"],
  contactName: ["store", "contact", "name"],
  contactEmail: ["store", "contact", "email"],
  contactPhone: ["store", "contact", "phone"],
  price: ["store", "price"],
  countries: ["store", "countries"],
  released: ["store", "released"],
  reviewNotes: ["store", "review", "notes"],
  reviewUser: ["store", "review", "user"],
};

/** What stands for a field where nobody gives it: another of the client's own values. */
const instead: Readonly<Partial<Record<RecordField, { field: keyof Variant["values"]; note: string }>>> = {
  email: { field: "email", note: "the client's contact e-mail" },
  contactEmail: { field: "email", note: "the client's contact e-mail" },
  copyright: { field: "copyright", note: "the copyright line" },
  sku: { field: "sku", note: "the stock code" },
};

/** What a client's stores are told of its app. Reads nothing: `beside` and `approvals` are what was read. */
function resolveRecord(
  workspace: Workspace,
  client: Client,
  variant: Variant,
  beside: Beside,
  approvals: Approvals,
  captures: readonly Capture[],
): { record: StoreRecord; problems: Problem[] } {
  const main = variant.values.locale?.value ?? "en";
  const languages = [main, ...furtherNames(variant).map(({ locale }) => locale)];
  const problems: Problem[] = [];
  const policy = policyFor(workspace, variant);
  const puts = new Map<string, Put>();
  const putIn = (language: string): Put => {
    const put = puts.get(language) ?? putOf(variant, language);
    puts.set(language, put);
    return put;
  };
  const work = { workspace, client, variant, beside, approvals, policy, putIn };
  const values: Partial<Record<RecordField, Varying<RecordValue>>> = {};
  for (const field of recordFieldNames) {
    if (!recordFields[field].byLanguage) {
      const only = onlyValue(field, work);
      if (only) values[field] = { first: only, further: {} };
      continue;
    }
    const spoken = languages.map((language) => {
      const { value, problems: found } = spokenValue(field, language, work);
      problems.push(...found.map((each) => ({ ...each, client: client.key })));
      return [language, value] as const;
    });
    const [[, first] = [], ...rest] = spoken;
    const further = rest.flatMap(([language, own]) => {
      const value = own ?? (first && { ...first, isFallback: true as const });
      return value ? [[language, value] as const] : [];
    });
    if (first || further.length > 0) values[field] = { first, further: Object.fromEntries(further) };
  }
  const features = variant.features.filter(({ isOn }) => isOn).map(({ name }) => name);
  const { declared, problems: unanswered } = declaredFor(workspace, client, features);
  return {
    record: { client: client.key, languages, values, features, declared, captures },
    problems: [
      ...problems,
      ...unanswered,
      ...policy.problems,
      ...(isPersonal(declared) && !values.privacy ? [policyMissing(client.key)] : []),
    ],
  };
}

interface Read {
  record: StoreRecord;
  problems: readonly Problem[];
}

/** Records of a run: a variant gets its texts from one, and the board shows it. */
const known = new WeakMap<Workspace, WeakMap<Client, Read>>();

/** A client's record, as its files say it. */
export function readRecord(workspace: Workspace, client: Client, variant: Variant): Read {
  const ofClients = known.get(workspace) ?? new WeakMap<Client, Read>();
  known.set(workspace, ofClients);
  const before = ofClients.get(client);
  if (before) return before;
  const { texts, problems } = readBeside(client);
  const approvals = readApprovals(workspace.root, client.key);
  const found = resolveRecord(workspace, client, variant, texts, approvals, readCaptures(client));
  const read = { record: found.record, problems: [...problems, ...found.problems] };
  ofClients.set(client, read);
  return read;
}

interface Work {
  workspace: Workspace;
  client: Client;
  variant: Variant;
  beside: Beside;
  approvals: Approvals;
  policy: ReturnType<typeof policyFor>;
  /** What patterns can put in, in a language. */
  putIn(language: string): Put;
}

function onlyValue(field: RecordField, { workspace, client, variant, policy }: Work): RecordValue | undefined {
  const path = places[field];
  const given = path && written(workspace, client, path);
  if (given) return given;
  if (field === "privacy") {
    const { at } = policy;
    return at === undefined
      ? undefined
      : trace({ by: "pattern", note: "the policy that is made from the agency's", value: at });
  }
  const own = instead[field];
  const value = own && variant.values[own.field];
  return value && { ...value, trail: [...value.trail, { by: "rule", note: own.note, value: value.value }] };
}

/** What is written in a brief, its groups or the defaults; a list as lines. */
function written(workspace: Workspace, client: Client, path: readonly string[]): Traced | undefined {
  const steps = layersOf(workspace, client).flatMap(({ document, path: base, data, step }): Step[] => {
    const value = path.reduce<unknown>((at, each) => (at as Record<string, unknown> | undefined)?.[each], data);
    if (value === undefined || value === null) return [];
    const text = (Array.isArray(value) ? value.join("\n") : String(value)).trim().normalize("NFC");
    return [{ ...step, value: text, place: document.placeOf([...base, ...path]) }];
  });
  const [first, ...more] = steps;
  return first && trace(first, ...more);
}

function spokenValue(
  field: RecordField,
  language: string,
  work: Work,
): { value: RecordValue | undefined; problems: readonly Problem[] } {
  const { workspace, client, variant, beside } = work;
  const sure = (value: RecordValue | undefined) => ({ value, problems: [] });
  if (field === "name") {
    const further = variant.names.further[language];
    return sure(further?.name ?? variant.values["app.name"]);
  }
  const given = written(workspace, client, ["store", "texts", language, field]);
  if (given) return sure(given);
  const file = `store/${language}/${field}.txt`;
  const text = beside.get(file);
  if (text) return sure(trace({ by: "brief", note: `clients/${client.key}/${file}`, value: asLines(field, text) }));
  const released = field === "news" ? client.ledger?.releases.at(-1)?.notes[language] : undefined;
  if (released) return sure(trace({ by: "ledger", note: "the notes of the last release", value: released }));
  return draft(field, language, work);
}

/** Keywords in a file may stand between commas. */
const asLines = (field: RecordField, text: string): string =>
  field === "keywords" && !text.includes("\n") ? text.split(",").join("\n") : text;

function draft(
  field: RecordField,
  language: string,
  { workspace, approvals, putIn }: Work,
): { value: RecordValue | undefined; problems: readonly Problem[] } {
  const { data, document } = workspace.agency;
  const pattern = data.drafts[field as keyof typeof data.drafts];
  const text = typeof pattern === "string" ? pattern : pattern?.[language];
  if (text === undefined) return { value: undefined, problems: [] };
  const place = document.placeOf(["drafts", field, ...(typeof pattern === "string" ? [] : [language])]);
  const made = writeDraft(text, language, putIn(language), place);
  if (!made.ok) return { value: undefined, problems: made.problems };
  const value = asLines(field, made.value);
  const known = approvals[`${field}.${language}`];
  const isSure = isApproved(approvals, field, language, value);
  const note = isSure ? `a draft that ${known?.by} approved on ${known?.on}` : "a draft that nobody has approved";
  const traced = trace({ by: "pattern", note, value, place });
  return { value: isSure ? traced : { ...traced, isDraft: true }, problems: [] };
}
