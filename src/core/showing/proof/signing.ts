import type { Workspace } from "../../agency/workspace/workspace.ts";
import { keyRoleFacts } from "../../clients/keys/roles.ts";
import { platforms } from "../../ground/values/platform.ts";
import type { Sheet } from "../../pages/parts/sheet.ts";
import {
  type ClientSigning,
  type Clients,
  keepsKeys,
  signingStandings,
  signingState,
} from "../../proving/keys/findings.ts";

/** What signs each client's app, by platform; nothing where the agency keeps no keys here. */
export function signingOf(
  workspace: Workspace,
  clients: Clients,
  today: string,
): ReadonlyMap<string, Sheet["signing"]> {
  if (!keepsKeys(workspace, clients.all)) return new Map();
  return new Map(signingStandings(workspace, clients, { today }).map((each) => [each.client, byPlatform(each)]));
}

/** A platform with a key or profile that is missing or wrong is told as that; otherwise by its first key. */
function byPlatform({ keys, profiles }: ClientSigning): Sheet["signing"] {
  const all = [...keys.map((each) => ({ ...each, platform: keyRoleFacts[each.role].platform })), ...profiles];
  return Object.fromEntries(
    platforms.flatMap((platform) => {
      const own = all.filter((each) => each.platform === platform);
      if (own.length === 0) return [];
      const [first] = keys.filter(({ role }) => keyRoleFacts[role].platform === platform);
      const mark = (first?.record?.sha256 ?? first?.record?.point ?? "").slice(0, 11);
      return [[platform, { is: signingState(own), mark }]];
    }),
  );
}
