import { resolvePicked } from "../derive/resolve.ts";
import { writeTogether } from "../files/writing/together.ts";
import { expectedAmong } from "../problems/nearest.ts";
import { refuse } from "../problems/result.ts";
import { approvalName, approvalsFile, approvalsText, readApprovals } from "../record/approvals.ts";
import { readRecord } from "../record/read.ts";
import { textsOf } from "../record/rules/rule.ts";
import { type RecordField, spokenFieldNames } from "../stores/record-fields.ts";
import { sha256 } from "../values/hash.ts";
import { chooseClients, type OfClients } from "./chosen.ts";
import { operation } from "./operation.ts";
import { type At, inWorkspace } from "./workspace.ts";

interface Input extends At, OfClients {
  by: string;
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

/** Takes drafts for good: a change of the text makes it open again. */
export const approveDrafts = operation((input: Input, ports): Promise<Approved[]> => {
  for (const each of input.field)
    if (!(spokenFieldNames as string[]).includes(each))
      refuse("field-unknown", `No text of a record is called "${each}".`, {
        expected: expectedAmong(each, spokenFieldNames, "a text of a store's record"),
      });
  return inWorkspace(input, ports, !input.dryRun, async (workspace) => {
    const { picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
    const files = new Map<string, string>();
    const approved: Approved[] = [];
    for (const resolved of picked) {
      const { client, variant } = resolved;
      if (!variant) continue;
      const { record } = readRecord(workspace, client, variant);
      const own = spokenFieldNames.flatMap((field): Approved[] => {
        if (input.field.length > 0 && !input.field.includes(field)) return [];
        return textsOf({ value: record.values[field] }, record)
          .filter(({ text }) => text.isDraft)
          .map(({ language = "", text }) => ({ client: client.key, field, language, text: text.value }));
      });
      if (own.length === 0) continue;
      approved.push(...own);
      const known = readApprovals(workspace.root, client.key);
      const now = own.map(({ field, language, text }) => [
        approvalName(field, language),
        { sha256: sha256(text), by: input.by, on: ports.today() },
      ]);
      files.set(approvalsFile(client.key), approvalsText({ ...known, ...Object.fromEntries(now) }));
    }
    if (!input.dryRun && files.size > 0) writeTogether(workspace.root, files);
    return approved;
  });
});
