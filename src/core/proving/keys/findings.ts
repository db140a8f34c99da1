import type { Workspace } from "../../agency/workspace/workspace.ts";
import { templateFor } from "../../app/survey/narrow.ts";
import { openTemplate, type Template } from "../../app/survey/template.ts";
import type { SignedTarget } from "../../app/template/found.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { type ProfileStanding, profileStandings, type SignedApp } from "../../clients/keys/profiles.ts";
import type { KeyRole } from "../../clients/keys/roles.ts";
import { type ClientKeys, heldKeys, keyStandings, ownKeys, usualNotice } from "../../clients/keys/standing.ts";
import { readPropertyList } from "../../formats/packages/property-list.ts";
import { applyEdits } from "../../formats/splice/site.ts";
import { isError, type Problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { planVariant } from "../../making/plan/plan.ts";

/** A client with its keys and its provisioning profiles. */
export interface ClientSigning extends ClientKeys {
  profiles: readonly ProfileStanding[];
}

/** Clients that are asked for, and all: what is shared, and what is kept for a team, shows in all of them alone. */
export interface Clients {
  all: readonly Resolved[];
  picked: readonly Pick<Resolved, "client">[];
}

/** How the picked clients stand with what signs their apps, as far as that shows without the vault. */
export function signingStandings(
  workspace: Workspace,
  { all, picked }: Clients,
  { today, notice = usualNotice }: { today: string; notice?: number },
): ClientSigning[] {
  const template = openTemplate(workspace);
  const held = heldKeys(all);
  const byKey = new Map(all.map((each) => [each.client.key, each]));
  const wanted = new Set(picked.map(({ client }) => client.key));
  const standings = keyStandings(all, { today, notice }).filter(({ client }) => wanted.has(client));
  return standings.map((standing) => {
    const resolved = byKey.get(standing.client);
    const known = resolved && ownKeys(resolved);
    if (!resolved || !known?.ok) return { ...standing, profiles: [] };
    const { values } = resolved;
    const team = values["signing.team"]?.value;
    const certificateOf = (role: KeyRole) => {
      const mark = held(resolved, role)?.record.sha256;
      return mark === undefined ? {} : { [role]: mark };
    };
    const profiles = Object.values(known.value.profiles);
    // Whoever signs nothing of Apple's is asked for none of it, and nothing is planned for them.
    const apps = team === undefined && profiles.length === 0 ? [] : signedApps(resolved, template);
    return {
      ...standing,
      profiles: profileStandings(profiles, {
        client: standing.client,
        apps,
        team,
        named: values["signing.profile"]?.value,
        certificates: { ...certificateOf("apple-distribution"), ...certificateOf("apple-development") },
        today,
        notice,
      }),
    };
  });
}

/** What of a client's app is signed with a profile of its own, each with the entitlements that its variant has. */
export function signedApps(resolved: Resolved, all: Template): SignedApp[] {
  const own = templateFor(all, resolved);
  if (!own.ok) return [];
  const { variant, template } = own.value;
  const entitlements = entitlementsIn(variant, template);
  return template.parts.flatMap(({ platform, signed = [] }) =>
    variant.platforms.includes(platform)
      ? signed.flatMap((each) => signedApp(each, platform, variant, entitlements))
      : [],
  );
}

function signedApp(
  { target, holds, suffix, entitlements: file }: SignedTarget,
  platform: Platform,
  variant: Variant,
  entitlements: (file: string) => Record<string, unknown> | undefined,
): SignedApp[] {
  const identifier = variant.values[holds]?.value;
  if (identifier === undefined) return [];
  const asked = file === undefined ? {} : entitlements(file);
  return [
    {
      ...(target === undefined ? {} : { target }),
      platform,
      identifier: `${identifier}${suffix}`,
      ...(asked ? { entitlements: asked } : {}),
    },
  ];
}

/** A file of entitlements as the variant will have it; undefined where it cannot be read. */
function entitlementsIn(variant: Variant, template: Template) {
  let planned: ReturnType<typeof plannedFiles> | undefined;
  return (file: string): Record<string, unknown> | undefined => {
    planned ??= plannedFiles(variant, template);
    const text = planned(file);
    return text === undefined ? undefined : readPropertyList(Buffer.from(text));
  };
}

function plannedFiles(variant: Variant, template: Template): (file: string) => string | undefined {
  const plan = attempt(() => planVariant(variant, template, "tree"));
  if (!plan.ok) return () => undefined;
  const entries = new Map(plan.value.entries.map((each) => [each.path, each]));
  return (file) => {
    const entry = entries.get(file);
    if (entry?.kind !== "splice") return entry?.kind === "keep" ? template.folder.source(file).text : undefined;
    return applyEdits(template.folder.source(file).text, entry.edits);
  };
}

/** How somebody stands with some keys and profiles together: the worst of them. */
export type SigningState = "known" | "absent" | "wrong";

export function signingState(all: readonly { record?: unknown; problems: readonly Problem[] }[]): SigningState {
  if (all.some(({ problems }) => problems.some(isError))) return "wrong";
  return all.some(({ record }) => !record) ? "absent" : "known";
}

/** Everything that was found of a client's keys and profiles, but what keeps them from being known. */
export const signingProblems = ({ keys, profiles }: ClientSigning): Problem[] =>
  [...keys, ...profiles].flatMap(({ problems }) => problems);

/** Whether the agency keeps keys here: it says where, or some client has one. */
export const keepsKeys = ({ agency }: Workspace, all: readonly Resolved[]): boolean =>
  agency.data.vault !== undefined ||
  all.some((each) => {
    const known = ownKeys(each);
    return !known.ok || Object.values(known.value).some((entries) => Object.keys(entries).length > 0);
  });

/**
 * What is wrong with clients' keys and profiles, by client; what keeps them from being known is among each client's
 * own problems. Nothing where the agency keeps no keys here.
 */
export function keyFindings(
  workspace: Workspace,
  clients: Clients,
  today: string,
): ReadonlyMap<string, readonly Problem[]> {
  if (!keepsKeys(workspace, clients.all)) return new Map();
  return new Map(signingStandings(workspace, clients, { today }).map((each) => [each.client, signingProblems(each)]));
}
