import pLimit from "p-limit";
import { type Art, judgeArt } from "../artwork/judge.ts";
import { type LookedAt, openLookedAt } from "../artwork/looked-at.ts";
import { type Problem, problem, Refusal } from "../problems/problem.ts";
import { type Client, clientFile, pickClients, type Workspace } from "../workspace/read.ts";
import { resolveVariant } from "./resolve-variant.ts";
import { judgeTogether } from "./rules.ts";
import type { ArtRole, Artwork, Resolved } from "./variant.ts";

const artRoles: readonly ArtRole[] = ["icon", "mark", "mono"];

/**
 * Resolves every client of a workspace: judges its pictures, derives its values, and holds all clients against each
 * other. Clients with errors come without a variant; they do not stop the others.
 */
export async function resolveAll(workspace: Workspace): Promise<Resolved[]> {
  const limit = pLimit(4);
  const known = openLookedAt(workspace.root);
  const all = await Promise.all(
    workspace.clients.map((client) => limit(() => resolveClient(workspace, client, known))),
  );
  known.save();
  const shared = judgeTogether(all);
  return all.map((each) => {
    const problems = shared.get(each.client.key);
    if (!problems) return each;
    return {
      client: each.client,
      values: each.values,
      art: each.art,
      problems: [...each.problems, ...problems],
    };
  });
}

/** The named clients, resolved; none named means all. All are resolved all the same, since they are held against each other. */
export async function resolvePicked(workspace: Workspace, keys: readonly string[]): Promise<Resolved[]> {
  const picked = new Set(pickClients(workspace, keys));
  return (await resolveAll(workspace)).filter(({ client }) => picked.has(client));
}

async function resolveClient(workspace: Workspace, client: Client, known: LookedAt): Promise<Resolved> {
  if (!client.brief) return { client, values: {}, art: {}, problems: client.problems };
  const { art, problems } = await readArtwork(workspace, client, known);
  const resolved = resolveVariant(workspace, client, art);
  const all = [...resolved.problems, ...problems.map((each) => ({ ...each, client: client.key }))];
  const usable = resolved.variant && !problems.some((each) => each.severity === "error");
  return {
    client,
    values: resolved.values,
    art,
    problems: all,
    ...(usable && resolved.variant ? { variant: resolved.variant } : {}),
  };
}

async function readArtwork(
  workspace: Workspace,
  client: Client,
  known: LookedAt,
): Promise<{ art: Artwork; problems: Problem[] }> {
  const art: Artwork = {};
  const problems: Problem[] = [];
  const document = client.brief?.document;
  const named = client.brief?.data.art ?? {};
  if (!document) return { art, problems };
  for (const role of artRoles) {
    const file = named[role];
    if (file === undefined) continue;
    const place = document.placeOf(["art", role]);
    try {
      clientFile(client, file, place);
      const judged = await judgeArt(workspace.root, `clients/${client.key}/${file}`, place, known);
      art[role] = judged;
      problems.push(...tooSmall(judged, role, place));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      problems.push(...error.problems);
    }
  }
  if (!named.icon && !named.mark) {
    const message = "The brief names no picture to draw from: neither an icon nor a mark.";
    problems.push(problem("art-missing", message, { place: document.placeOf(["art"], "key") }));
  }
  return { art, problems };
}

/** Largest square drawn from each, in pixels: the iOS icon, and the Android start screen's mark at xxxhdpi. */
const drawnAt: Readonly<Record<ArtRole, number>> = { icon: 1024, mark: 768, mono: 432 };

function tooSmall(art: Art, role: ArtRole, place: Parameters<typeof judgeArt>[2]): Problem[] {
  const least = Math.min(art.width, art.height);
  if (art.format === "svg" || least >= drawnAt[role]) return [];
  const message = `${art.file} is ${art.width} × ${art.height} pixels; the largest picture drawn from it needs ${drawnAt[role]}.`;
  return [problem("art-small", message, { severity: "warning", place })];
}
