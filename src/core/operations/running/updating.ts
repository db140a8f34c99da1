import { happeningsOf } from "../../agency/history/happenings.ts";
import { seenAt } from "../../agency/history/seen.ts";
import { wantedStores } from "../../agency/workspace/wanted.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { openTemplate, templateRevision } from "../../app/survey/template.ts";
import { passageOf } from "../../clients/passage/passage.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { templateFacts } from "../../clients/record/read.ts";
import { seenOf } from "../../clients/release/notices.ts";
import type { Passes } from "../../clients/release/passes.ts";
import { type ClientUpdate, hasPassed, updateFor } from "../../clients/release/updating.ts";

/** What an update is for each of some clients; those that cannot be worked out are left. */
export function updatesFor(workspace: Workspace, views: readonly ClientView[]): ClientUpdate[] {
  const template = templateRevision(openTemplate(workspace));
  return views.flatMap(({ client, variant, told }): ClientUpdate[] => {
    if (!variant || !told) return [];
    return [
      updateFor({
        ...{ client: client.key, ledger: client.ledger, template },
        stores: wantedStores(workspace, client).map(({ key }) => key),
        happened: happeningsOf.read(workspace.root, client.key) ?? [],
        seen: seenAt.read(workspace.root, client.key) ?? {},
        now: seenOf(variant, told.record, templateFacts(workspace)),
      }),
    ];
  });
}

/** Whether a client's version has come far enough in every store that the client wants. */
export function isThrough(workspace: Workspace, { client }: ClientView, version: string, wanted: Passes): boolean {
  const happened = happeningsOf.read(workspace.root, client.key) ?? [];
  return wantedStores(workspace, client).every(({ key }) => hasPassed(passageOf(key, happened), version, wanted));
}
