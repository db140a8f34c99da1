import type { Client } from "../../agency/workspace/workspace.ts";
import type { Artwork } from "../../app/variant/variant.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import { mostEnclosed } from "../../pictures/artwork/bitmap/enclosed.ts";
import { type ArtRole, rolePath } from "../../pictures/slots/art-roles.ts";

/** Whether a logo stands on a box of one colour that cannot be taken off: the same colour is inside it too. */
const isWreckable = ({ opaque, edge, enclosed }: Art): boolean =>
  opaque && edge !== undefined && enclosed > mostEnclosed;

/**
 * What becomes of a mark that stands on a box of one colour. Nothing of that colour inside: the box is taken off.
 * Otherwise it is used as an icon, with its box, where there is no other; and where there is one, it cannot be a mark.
 */
export function settleBoxed(art: Artwork, { brief, key }: Client): { art: Artwork; problems: Problem[] } {
  const problems: Problem[] = [];
  const given: Partial<Record<ArtRole, Art>> = { ...art.given };
  const tell = (role: ArtRole, message: string, severity: Problem["severity"], expected: string) =>
    problems.push(
      problem("art-boxed", message, {
        severity,
        expected,
        client: key,
        place: brief?.document.placeOf(rolePath(role)),
        about: rolePath(role),
        facts: { file: art.given[role]?.file ?? "" },
      }),
    );
  const mark = given.mark;
  if (mark?.opaque && mark.edge && !isWreckable(mark))
    tell(
      "mark",
      `${mark.file} stands on a box of ${mark.edge}; the box is taken off.`,
      "warning",
      "the logo on nothing",
    );
  if (mark && isWreckable(mark)) {
    const inside = `${mark.file} stands on a box of ${mark.edge}, and has that colour inside too`;
    if (given.icon)
      tell("mark", `${inside}: without the box it would have holes.`, "error", "the logo on nothing, as SVG or PNG");
    else {
      given.icon = mark;
      delete given.mark;
      const message = `${inside}: it is used as an icon, with its box.`;
      tell("mark", message, "warning", "the logo on nothing, as SVG or PNG");
    }
  }
  return { art: { ...art, given }, problems };
}
