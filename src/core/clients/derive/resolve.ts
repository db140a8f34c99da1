import pLimit from "p-limit";
import { pickClients } from "../../agency/workspace/read.ts";
import { wantedStores } from "../../agency/workspace/wanted.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { noArtwork, type Resolved, type Variant } from "../../app/variant/variant.ts";
import { ofClient, stoppedPlatforms, stopsClient } from "../../ground/problems/problem.ts";
import { attemptAsync } from "../../ground/problems/result.ts";
import { type LookedAt, openLookedAt } from "../../pictures/artwork/looked-at.ts";
import { captureFiles } from "../record/captures.ts";
import { kitFiles } from "../record/kit.ts";
import { type ClientView, readRecord } from "../record/read.ts";
import { readArtwork } from "./artwork.ts";
import { judgeNames, judgeTogether } from "./fields/rules.ts";
import { type KnownFonts, letterVariant, readFont } from "./lettering.ts";
import { resolveVariant } from "./one-client.ts";
import { asFarAsRead, knownOf } from "./partly-read.ts";
import { judgeUnfit } from "./pictures.ts";
import { readClientFiles } from "./questions/supplied.ts";

const resolved = new WeakMap<Workspace, Promise<Resolved[]>>();

/**
 * Resolves every client of a workspace, once: judges its pictures, derives its values, and holds all clients against
 * each other. A client with an error comes without a variant, or without the platform that it stops; the others go on.
 */
export function resolveAll(workspace: Workspace): Promise<Resolved[]> {
  const before = resolved.get(workspace);
  if (before) return before;
  const now = resolveEvery(workspace);
  resolved.set(workspace, now);
  return now;
}

async function resolveEvery(workspace: Workspace): Promise<Resolved[]> {
  const limit = pLimit(4);
  const known = openLookedAt(workspace.root);
  const fonts: KnownFonts = new Map();
  const all = await Promise.all(
    // What those out of service have had stays theirs: nobody else gets it.
    [...workspace.clients, ...workspace.retired].map((client) =>
      limit(() => resolveClient(workspace, client, known, fonts)),
    ),
  );
  known.save();
  const shared = judgeTogether(all);
  const names = judgeNames(all);
  return ofClients(all, workspace.clients).map(({ variant, ...each }) => {
    const found = [...(shared.get(each.client.key) ?? []), ...(names.get(each.client.key) ?? [])];
    const stopped = stoppedPlatforms(found);
    const platforms = variant?.platforms.filter((platform) => !stopped.includes(platform)) ?? [];
    return {
      ...each,
      problems: [...each.problems, ...found],
      ...(variant && platforms.length > 0 ? { variant: { ...variant, platforms } } : {}),
    };
  });
}

/**
 * The named clients, resolved, with their records; none named means all. All are resolved all the same, since they are
 * held against each other.
 */
export async function resolvePicked(
  workspace: Workspace,
  keys: readonly string[],
): Promise<{ all: Resolved[]; picked: ClientView[] }> {
  // Who is not there is told before the others are resolved.
  const named = pickClients(workspace, keys);
  const all = await resolveAll(workspace);
  return { all, picked: ofClients(all, named).map((each) => withRecord(workspace, each)) };
}

/** Some of the clients that are resolved. */
export function ofClients(all: readonly Resolved[], named: readonly Client[]): Resolved[] {
  const wanted = new Set(named);
  return all.filter(({ client }) => wanted.has(client));
}

async function resolveClient(
  workspace: Workspace,
  client: Client,
  known: LookedAt,
  fonts: KnownFonts,
): Promise<Resolved> {
  const read = asFarAsRead(client);
  if (!read.brief) return { client, values: {}, art: noArtwork, problems: client.problems };
  const seen = await readArtwork(workspace, read, known);
  const font = await attemptAsync(() => readFont(workspace, read, fonts));
  const given = font.ok ? font.value : { problems: font.problems };
  const art = given.font ? { ...seen.art, font: given.font } : seen.art;
  const { variant, ...resolved } = resolveVariant(workspace, read, art, readClientFiles(workspace, read));
  const unfit = judgeUnfit({ client: read, values: resolved.values, art });
  const ofArt = [...seen.problems, ...given.problems, ...unfit];
  const isWhole = variant && client.brief && !ofArt.some(stopsClient);
  const lettered = isWhole ? await attemptAsync(() => letterVariant(variant, given.opened)) : undefined;
  const unlettered = lettered?.ok === false ? lettered.problems : [];
  return {
    ...resolved,
    client,
    problems: [
      ...(client.brief ? [] : client.problems),
      ...knownOf(client, [...resolved.problems, ...ofClient(client.key, [...ofArt, ...unlettered])]),
    ],
    ...(lettered?.ok ? { variant: lettered.value } : {}),
  };
}

/** A client with what its stores are told, and what of that goes into its variant. */
export function withRecord(workspace: Workspace, resolved: Resolved): ClientView {
  const { client, draft, variant } = resolved;
  if (!draft) return resolved;
  const told = readRecord(workspace, asFarAsRead(client), variant ?? draft);
  if (!variant) {
    // A pattern that lacks what nobody has given is no fault of the pattern's.
    const problems = knownOf(client, told.problems).filter(({ code }) => code !== "draft-invalid");
    return { ...resolved, told: { ...told, problems } };
  }
  const { record } = told;
  const stores = wantedStores(workspace, client);
  const captures = captureFiles(
    stores.map(({ key }) => key),
    record.captures,
  );
  const own: Variant = {
    ...variant,
    policies: record.policies,
    texts: stores.flatMap((store) => kitFiles(store, record, captures)),
    captures,
  };
  return { ...resolved, told, variant: own };
}
