import { ledgers } from "../agency/history/ledger.ts";
import { pickClients } from "../agency/workspace/read.ts";
import { definitions } from "../app/platforms/all.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { renameIdentifier } from "../clients/release/rename.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { unwrap } from "../ground/problems/result.ts";
import type { Platform } from "../ground/values/platform.ts";
import { operation } from "./running/operation.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At {
  client: string;
  platform: Platform;
  identifier: string;
  /** Do it; otherwise only say what it breaks. */
  confirmed: boolean;
}

interface Renamed {
  before: string | undefined;
  /** What it breaks for those who have the app. */
  breaks: readonly string[];
}

/** Changes an identifier that is in use; decided while the workspace is held. */
export const renameInUse = operation(
  ({ client: key, platform, identifier, confirmed, ...at }: Input, ports): Promise<Renamed> =>
    inWorkspace(at, ports, { writes: confirmed }, async (workspace) => {
      pickClients(workspace, [key]);
      const all = await resolveAll(workspace);
      const ledger = unwrap(renameIdentifier(all, key, platform, identifier, ports.today()));
      const changes = ledgers.changes(workspace.root, key, ledger);
      if (confirmed) writeTogether(workspace.root, changes);
      const own = all.find(({ client }) => client.key === key);
      return {
        before: own?.variant?.values[`identifiers.${platform}`]?.value,
        breaks: definitions[platform].identifiers.breaks,
      };
    }),
);
