import { isAbsolute, join, relative, resolve } from "node:path";
import { layerField } from "../../agency/workspace/layers.ts";
import { outside } from "../../agency/workspace/read.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { type Artwork, fieldOf, furtherNames, type Variant } from "../../app/variant/variant.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { isInside } from "../../ground/files/reading/listing.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { writtenAt } from "../../ground/values/trail.ts";
import { letterName } from "../../pictures/lettering/letter.ts";
import { type OpenFont, openFont } from "../../pictures/lettering/shaper.ts";

/** Fonts that are open already, by their content: clients of one agency often have the same. */
export type KnownFonts = Map<string, Promise<OpenFont | undefined>>;

interface GivenFont {
  font?: NonNullable<Artwork["font"]>;
  opened?: OpenFont;
  problems: readonly Problem[];
}

/**
 * Reads the font that a client's names are lettered in: its own, in its folder, or the agency's, in the workspace. Says
 * what is wrong with it.
 */
export async function readFont(workspace: Workspace, client: Client, known: KnownFonts): Promise<GivenFont> {
  const given = layerField(workspace, client, ["art", "font"]);
  if (!given) return { problems: [] };
  const place = writtenAt(given);
  const by = given.trail.at(-1)?.by;
  const folder = by === "brief" ? client.folder : workspace.root;
  const path = resolve(folder, given.value);
  if (isAbsolute(given.value) || !isInside(folder, path))
    return { problems: [{ ...outside(client.key, given.value), ...(place ? { place } : {}) }] };
  const file = relative(workspace.root, join(folder, given.value)).replaceAll("\\", "/");
  const read = attempt(() => readInside(workspace.root, file, file));
  if (!read.ok) return { problems: read.problems.map((each) => ({ ...each, ...(place ? { place } : {}) })) };
  const hash = sha256(read.value);
  const opening = known.get(hash) ?? openFont(read.value);
  known.set(hash, opening);
  const opened = await opening;
  if (!opened) return { problems: [problem("font-unreadable", `${file} is no font that can be read.`, { place })] };
  return { font: { file, hash, given }, opened, problems: [] };
}

/** Letters a variant's names, in every language, and the mark of its stage. */
export async function letterVariant(variant: Variant, font: OpenFont | undefined): Promise<Variant> {
  const { corner } = variant;
  const locale = fieldOf(variant, "locale");
  const further: Record<string, Awaited<ReturnType<typeof letterName>>> = {};
  for (const each of furtherNames(variant))
    further[each.locale] = await letterName({ text: each.name.value, locale: each.locale }, font);
  const first = await letterName({ text: fieldOf(variant, "app.name"), locale }, font);
  const mark = corner && (await letterName({ text: corner.text, locale }, font)).lettered;
  return {
    ...variant,
    lettering: { first, further },
    ...(corner ? { corner: { ...corner, ...(mark ? { lettered: mark } : {}) } } : {}),
  };
}
