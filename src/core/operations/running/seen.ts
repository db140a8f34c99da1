import { seenAt } from "../../agency/history/seen.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Variant } from "../../app/variant/variant.ts";
import type { ClientView, Told } from "../../clients/record/read.ts";
import { templateFacts } from "../../clients/record/read.ts";
import { seenOf } from "../../clients/release/notices.ts";
import type { Change } from "../../ground/files/writing/together.ts";

/** What people see of an app at a number: an update is held against that. Kept once, where nothing is kept yet. */
export function seenChanges(
  workspace: Workspace,
  { client, variant, told }: Pick<ClientView, "client"> & { variant: Variant; told: Told },
  build: number,
): Change[] {
  const before = seenAt.read(workspace.root, client.key) ?? {};
  if (before[build]) return [];
  const now = seenOf(variant, told.record, templateFacts(workspace));
  return seenAt.changes(workspace.root, client.key, { ...before, [build]: now });
}
