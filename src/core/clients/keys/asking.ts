import type { KeyRequest } from "../../agency/history/requests.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import type { NamePart } from "../../ground/certificates/self-signed.ts";
import { type KeyRole, keyName, keyRoleFacts } from "./roles.ts";
import { heldKeys, markInName, ownKeys, wantedRoles } from "./standing.ts";

/** A certificate that is asked for: for one client, or through one for all of its team. */
export interface Asked {
  client: string;
  role: KeyRole;
  /** What its key is called. */
  name: string;
  subject: readonly NamePart[];
  /** The request that is open already; it is written again. */
  open?: KeyRequest;
  /** SHA-256 of the certificate that the new one is to take the place of. */
  renews?: string;
}

/**
 * The certificates that clients' apps want and nobody has. One of a team is asked for once, by its first client.
 * @param all every client: teams go beyond those that are picked @param given.renew also what is there
 */
export function askedFor(
  all: readonly Resolved[],
  picked: readonly Resolved[],
  { role, renew }: { role?: KeyRole | undefined; renew: boolean },
): Asked[] {
  const held = heldKeys(all);
  const asked = new Map<string, Asked>();
  for (const each of picked) {
    const own = ownKeys(each);
    const variant = each.variant ?? each.draft;
    if (!own.ok || !variant) continue;
    const { key } = each.client;
    const team = each.values["signing.team"]?.value;
    const roles = role ? [role] : wantedRoles(variant).filter((wanted) => keyRoleFacts[wanted].comes === "requested");
    for (const wanted of roles) {
      const slot = `${wanted} ${team ?? key}`;
      const there = held(each, wanted)?.record;
      if (asked.has(slot) || (there && !renew)) continue;
      const open = openRequest(all, each, wanted);
      const mark = markInName(there?.sha256);
      const client = open?.client ?? key;
      asked.set(slot, {
        client,
        role: wanted,
        name: open?.request.name ?? keyName(client, wanted, mark && `after-${mark}`),
        subject: [{ shortName: "CN", value: each.values.owner?.value ?? each.values["app.name"]?.value ?? key }],
        ...(open ? { open: open.request } : {}),
        ...(there?.sha256 ? { renews: there.sha256 } : {}),
      });
    }
  }
  return [...asked.values()];
}

/** The request of a role that a client, or another one of its team, has open. */
function openRequest(
  all: readonly Resolved[],
  own: Resolved,
  role: KeyRole,
): { client: string; request: KeyRequest } | undefined {
  const team = own.values["signing.team"]?.value;
  const isOfTeam = (each: Resolved) => team !== undefined && each.values["signing.team"]?.value === team;
  for (const each of [own, ...all.filter(isOfTeam)]) {
    const known = ownKeys(each);
    const request = known.ok ? known.value.requests[role] : undefined;
    if (request) return { client: each.client.key, request };
  }
  return undefined;
}
