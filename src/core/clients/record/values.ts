import { type Approvals, approvalOf } from "../../agency/history/approvals.ts";
import { layerField } from "../../agency/workspace/layers.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { type Judged, sound } from "../../ground/problems/problem.ts";
import { type Traced, trace } from "../../ground/values/trail.ts";
import { placeInBrief, type RecordField } from "../../stores/record-fields.ts";
import { asLines, type Beside } from "./beside.ts";
import { type Pieces, writeDraft } from "./drafts.ts";
import type { Policy } from "./policy.ts";
import type { RecordValue } from "./record.ts";

/** What the fields of a client's record are worked out from. */
export interface RecordFrom {
  workspace: Workspace;
  client: Client;
  variant: Variant;
  beside: Beside;
  approvals: Approvals;
  policy: Policy;
  /** What patterns can put in, in a language. */
  putIn(language: string): Pieces;
}

/** What stands for a field where nobody gives it: another of the client's own values. */
const instead: Readonly<Partial<Record<RecordField, { field: keyof Variant["values"]; note: string }>>> = {
  email: { field: "email", note: "the client's contact e-mail" },
  contactEmail: { field: "email", note: "the client's contact e-mail" },
  copyright: { field: "copyright", note: "the copyright line" },
  sku: { field: "sku", note: "the stock code" },
};

/** A field that is the same in every language. */
export function onlyValue(field: RecordField, sources: RecordFrom): RecordValue | undefined {
  const given = written(field, "", sources);
  if (given) return given;
  const { variant, policy } = sources;
  if (field === "privacy")
    return policy.at === undefined
      ? undefined
      : trace({ by: "pattern", note: "the policy that is made from the agency's", value: policy.at });
  const own = instead[field];
  const value = own && variant.values[own.field];
  return value && { ...value, trail: [...value.trail, { by: "rule", note: own.note, value: value.value }] };
}

/** A text in one language: as it is given, beside the brief or from a release, or a draft. */
export function spokenValue(
  field: RecordField,
  language: string,
  sources: RecordFrom,
): Judged<RecordValue | undefined> {
  const { client, variant, beside } = sources;
  if (field === "name") return sound(variant.names.further[language]?.name ?? variant.values["app.name"]);
  const given = written(field, language, sources);
  if (given) return sound(given);
  const own = beside.textOf(field, language);
  if (own) return sound(own);
  const released = field === "news" ? client.ledger?.releases.at(-1)?.notes[language] : undefined;
  if (released) return sound(trace({ by: "ledger", note: "the notes of the last release", value: released }));
  return draft(field, language, sources);
}

/** What is written in a brief, its groups or the defaults. */
function written(field: RecordField, language: string, { workspace, client }: RecordFrom): Traced | undefined {
  const path = placeInBrief(field, language);
  return path && layerField(workspace, client, path);
}

function draft(
  field: RecordField,
  language: string,
  { workspace, approvals, putIn }: RecordFrom,
): Judged<RecordValue | undefined> {
  const { data, document } = workspace.agency;
  const pattern = data.drafts[field as keyof typeof data.drafts];
  const text = typeof pattern === "string" ? pattern : pattern?.[language];
  if (text === undefined) return sound(undefined);
  const place = document.placeOf(["drafts", field, ...(typeof pattern === "string" ? [] : [language])]);
  const made = writeDraft(text, language, putIn(language), place);
  if (!made.ok) return { value: undefined, problems: made.problems };
  const value = asLines(field, made.value);
  const approved = approvalOf(approvals, field, language, value);
  const note = approved ? `a draft that ${approved.by} approved on ${approved.on}` : "a draft that nobody has approved";
  const traced = trace({ by: "pattern", note, value, place });
  return sound(approved ? traced : { ...traced, isDraft: true });
}
