import { type Art, judgeArt } from "../artwork/judge.ts";
import type { LookedAt } from "../artwork/looked-at.ts";
import { type ArtRole, artRoleNames, rolePath } from "../artwork/roles.ts";
import { slotNames } from "../catalog/all.ts";
import type { Place } from "../files/source.ts";
import { nearest } from "../problems/nearest.ts";
import { type Problem, problem, Refusal } from "../problems/problem.ts";
import { type Client, clientFile, type Workspace } from "../workspace/read.ts";
import { type Artwork, noArtwork } from "./variant.ts";

/** Reads and measures every picture that a client's brief names; what cannot be used is told, the rest is read all the same. */
export async function readArtwork(
  workspace: Workspace,
  client: Client,
  known: LookedAt,
): Promise<{ art: Artwork; problems: Problem[] }> {
  const problems: Problem[] = [];
  if (!client.brief) return { art: noArtwork, problems };
  const { document, data } = client.brief;
  const named = data.art ?? {};
  const read = async (file: string, path: readonly string[]): Promise<Art | undefined> => {
    const place = document.placeOf([...path]);
    try {
      clientFile(client, file, place);
      return await judgeArt(workspace.root, `clients/${client.key}/${file}`, place, known);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      problems.push(...error.problems);
      return undefined;
    }
  };
  const given: Partial<Record<ArtRole, Art>> = {};
  for (const role of artRoleNames) {
    const file = namedFile(named, role);
    const judged = file === undefined ? undefined : await read(file, rolePath(role));
    if (judged) given[role] = judged;
  }
  const slots: Record<string, Art> = {};
  for (const [slot, file] of Object.entries(named.slots ?? {})) {
    const path = ["art", "slots", slot];
    if (!slotNames.has(slot)) {
      problems.push(unknownSlot(slot, document.placeOf(path, "key")));
      continue;
    }
    const judged = await read(file, path);
    if (judged) slots[slot] = judged;
  }
  if (!named.icon && !named.mark) {
    const message = "The brief names no picture to draw from: neither an icon nor a mark.";
    problems.push(problem("art-missing", message, { place: document.placeOf(["art"], "key") }));
  }
  const { x = 50, y = 50 } = named.focus ?? {};
  return { art: { given, slots, focus: { x: x / 100, y: y / 100 } }, problems };
}

type Named = NonNullable<NonNullable<Client["brief"]>["data"]["art"]>;

const namedFile = (named: Named, role: ArtRole): string | undefined => {
  const [, ...steps] = rolePath(role);
  return steps.reduce<unknown>((at, step) => (at as Record<string, unknown> | undefined)?.[step], named) as
    | string
    | undefined;
};

function unknownSlot(slot: string, place: Place): Problem {
  const near = nearest(slot, [...slotNames]);
  return problem("key-unknown", `No picture is called "${slot}".`, {
    place,
    expected: near ? `"${near}"` : "a platform and a role, such as android/notification",
    fix: "`oxalis art` lists every picture by platform, role and qualifier.",
  });
}
