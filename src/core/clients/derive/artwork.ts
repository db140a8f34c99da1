import { resolve } from "node:path";
import { outside } from "../../agency/workspace/read.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { slotNames } from "../../app/catalog/all.ts";
import { type Artwork, noArtwork } from "../../app/variant/variant.ts";
import { isInside } from "../../ground/files/reading/listing.ts";
import { nearest } from "../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attemptAsync, fail, type Result } from "../../ground/problems/result.ts";
import type { Place } from "../../ground/values/source.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import { judgeArt } from "../../pictures/artwork/judge.ts";
import type { LookedAt } from "../../pictures/artwork/looked-at.ts";
import { type ArtRole, artRoleNames, rolePath } from "../../pictures/slots/art-roles.ts";
import { settleBoxed } from "./boxed.ts";

/**
 * Reads and measures every picture that a client's brief names; what cannot be used is told, the rest is read all the
 * same.
 */
export async function readArtwork(
  workspace: Workspace,
  client: Client,
  known: LookedAt,
): Promise<{ art: Artwork; problems: Problem[] }> {
  if (!client.brief) return { art: noArtwork, problems: [] };
  const { document, data } = client.brief;
  const named = data.art ?? {};
  const read = async (file: string, path: readonly string[]): Promise<Result<Art>> => {
    const place = document.placeOf([...path]);
    if (!isInside(client.folder, resolve(client.folder, file))) return fail({ ...outside(client.key, file), place });
    const judged = await attemptAsync(() => judgeArt(workspace.root, `clients/${client.key}/${file}`, place, known));
    return judged.ok ? judged : fail(...judged.problems.map((each) => ({ ...each, about: path, facts: { file } })));
  };
  const given: { role: ArtRole; art: Result<Art> }[] = [];
  for (const role of artRoleNames) {
    const file = namedFile(named, role);
    if (file !== undefined) given.push({ role, art: await read(file, rolePath(role)) });
  }
  const slots: { slot: string; art: Result<Art> }[] = [];
  for (const [slot, file] of Object.entries(named.slots ?? {})) {
    const path = ["art", "slots", slot];
    const isKnown = slotNames.has(slot);
    slots.push({
      slot,
      art: isKnown ? await read(file, path) : fail(unknownSlot(slot, document.placeOf(path, "key"))),
    });
  }
  const message = "The brief names no picture to draw from: neither an icon nor a mark.";
  const { x = 50, y = 50 } = named.focus ?? {};
  const settled = settleBoxed(
    {
      given: Object.fromEntries(given.flatMap(({ role, art }) => (art.ok ? [[role, art.value]] : []))),
      slots: Object.fromEntries(slots.flatMap(({ slot, art }) => (art.ok ? [[slot, art.value]] : []))),
      focus: { x: x / 100, y: y / 100 },
    },
    client,
  );
  return {
    art: settled.art,
    problems: [
      ...settled.problems,
      ...[...given, ...slots].flatMap(({ art }) => (art.ok ? [] : art.problems)),
      ...(named.icon || named.mark
        ? []
        : [problem("art-missing", message, { place: document.placeOf(["art"], "key"), about: ["art"] })]),
    ],
  };
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
