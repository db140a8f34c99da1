import { approvalName, approvals } from "../agency/history/approvals.ts";
import { lineOfText } from "../agency/workspace/schema/brief.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import type { StoreRecord } from "../clients/record/record.ts";
import { textsOf } from "../clients/record/texts.ts";
import { type Change, writeTogether } from "../ground/files/writing/together.ts";
import { expectedAmong } from "../ground/problems/nearest.ts";
import { ofClient, type Problem } from "../ground/problems/problem.ts";
import { attempt, refuse } from "../ground/problems/result.ts";
import { sha256 } from "../ground/values/hash.ts";
import { type RecordField, spokenFieldNames } from "../stores/record-fields.ts";
import { chooseNamed, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Who has read them; nobody has to where nothing is approved. */
  by?: string | undefined;
  /** Only these fields; all where there are none. */
  field: readonly string[];
  dryRun: boolean;
}

/** A draft that somebody takes for good. */
export interface Approved {
  client: string;
  field: RecordField;
  language: string;
  text: string;
}

interface Taken {
  approved: readonly Approved[];
  /** Why some clients' drafts could not be approved. */
  problems: readonly Problem[];
}

/** Takes drafts for good: a change of the text makes it open again. */
export const approveDrafts = operation((input: Input, ports): Promise<Taken> => {
  for (const each of input.field)
    if (!(spokenFieldNames as string[]).includes(each))
      refuse("field-unknown", `No text of a record is called "${each}".`, {
        expected: expectedAmong(each, spokenFieldNames, "a text of a store's record"),
      });
  const by = input.dryRun ? "" : readerOf(input.by);
  return inWorkspace(input, ports, { writes: !input.dryRun }, async (workspace) => {
    const { picked } = await resolvePicked(workspace, await chooseNamed(workspace, input, "approve-refused"));
    const changes: Change[] = [];
    const approved: Approved[] = [];
    const problems: Problem[] = [];
    for (const { client, variant, told } of picked) {
      const own = variant && told ? draftsOf(told.record, input.field) : [];
      if (own.length === 0) continue;
      const known = attempt(() => approvals.read(workspace.root, client.key));
      if (!known.ok) {
        problems.push(...ofClient(client.key, known.problems));
        continue;
      }
      approved.push(...own);
      const now = own.map(({ field, language, text }) => [
        approvalName(field, language),
        { sha256: sha256(text), by, on: ports.today() },
      ]);
      const all = { ...known.value, ...Object.fromEntries(now) };
      changes.push(...approvals.changes(workspace.root, client.key, all));
    }
    if (!input.dryRun && changes.length > 0) writeTogether(workspace.root, changes);
    return { approved, problems };
  });
});

/** Who has read the drafts: somebody, in words that can be shown. */
function readerOf(given = ""): string {
  const by = lineOfText(200).safeParse(given);
  if (by.success) return by.data;
  const [issue] = by.error.issues;
  const why = given.trim() === "" ? "nobody is named" : (issue?.message ?? "it is no name");
  return refuse("approve-refused", `It is not said who has read the drafts: ${why}.`, {
    expected: "--by, with a name",
  });
}

/** Texts of a record that are drafts still. @param fields only these; all where there are none */
const draftsOf = (record: StoreRecord, fields: readonly string[]): Approved[] =>
  spokenFieldNames
    .filter((field) => fields.length === 0 || fields.includes(field))
    .flatMap((field) =>
      textsOf(record.values[field], record)
        .filter(({ text }) => text.isDraft)
        .map(({ language = "", text }) => ({ client: record.client, field, language, text: text.value })),
    );
