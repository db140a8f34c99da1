import type { TemplateNotes } from "../agency/workspace/schema/template.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { iconsByTarget } from "../app/survey/targets.ts";
import { openTemplate } from "../app/survey/template.ts";
import type { Variant } from "../app/variant/variant.ts";
import { fieldsOf, fillPattern, readPattern } from "../clients/derive/fields/pattern.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import type { StoreRecord } from "../clients/record/record.ts";
import { isError, type Problem } from "../ground/problems/problem.ts";
import { attempt, orElse, refuse, stop, unwrap } from "../ground/problems/result.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  client: string;
}

interface Explained {
  variant: Variant;
  /** What the stores are told of it. */
  record: StoreRecord;
  /** What template.yaml asks of a client. */
  notes: TemplateNotes;
  warnings: Problem[];
  /** Icons of several targets; none where the template cannot be read, which other commands tell. */
  icons: { belongs: string; folder: string }[];
}

/** Where each value of a client came from. */
export const explainClient = operation(async (input: Input, ports): Promise<Explained> => {
  const workspace = await openWorkspace(input, ports);
  const { variant, record, problems } = await resolveOne(workspace, input.client);
  return {
    variant,
    record,
    notes: workspace.notes.data,
    warnings: problems.filter((each) => !isError(each)),
    icons: orElse(
      attempt(() => iconsByTarget(openTemplate(workspace)).map(({ belongs, folder }) => ({ belongs, folder }))),
      [],
    ),
  };
});

/** What a pattern gives for a client; a fault is shown in the pattern itself. */
export const tryPattern = operation(async (input: Input & { pattern: string }, ports): Promise<{ value: string }> => {
  const { pattern: text } = input;
  const { values } = (await resolveOne(await openWorkspace(input, ports), input.client)).variant;
  const pattern = unwrap(readPattern(text, { file: "pattern", line: 1, column: 0, text }));
  const empty = fieldsOf(pattern).find((field) => values[field] === undefined);
  if (empty) refuse("pattern-invalid", `This client has no ${empty}.`);
  return { value: fillPattern(pattern, (field) => values[field]?.value) ?? "" };
});

async function resolveOne(
  workspace: Workspace,
  key: string,
): Promise<{ variant: Variant; record: StoreRecord; problems: readonly Problem[] }> {
  const [resolved] = (await resolvePicked(workspace, [key])).picked;
  const { variant, told, problems = [] } = resolved ?? {};
  return variant && told ? { variant, record: told.record, problems } : stop(problems.filter(isError));
}
