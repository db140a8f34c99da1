import type { Resolved } from "../../app/variant/variant.ts";
import { type Problem, type ProblemDetail, problem } from "../../ground/problems/problem.ts";
import { alike, unlikeness } from "../../pictures/artwork/likeness.ts";
import { rolePath } from "../../pictures/slots/art-roles.ts";

const detail = (client: string): ProblemDetail => ({ severity: "warning", client });

/** A picture of the template, and what it looks like. */
export interface TemplatePicture {
  file: string;
  role: "icon" | "mark";
  likeness: string;
}

/** A picture that looks like another. */
interface Alike {
  file: string;
  /** Steps of brightness that differ, of 256. */
  differs: number;
  isTemplates: boolean;
}

/**
 * Holds all clients' pictures against each other and against the template's: the same role, and at most `alike` of 256
 * steps of brightness different. A pair is told once, of the first that is picked; what one picture looks like is one
 * message.
 */
export function judgeLikeness(
  all: readonly Resolved[],
  isPicked: (each: Resolved) => boolean,
  template: readonly TemplatePicture[],
): Map<string, Problem[]> {
  const found = new Map<string, Problem[]>();
  for (const role of ["icon", "mark"] as const) {
    const holders = all.flatMap((each) => {
      const art = each.art.given[role];
      return art?.likeness ? [{ each, art, likeness: art.likeness, like: [] as Alike[] }] : [];
    });
    for (const [at, one] of holders.entries()) {
      for (const other of holders.slice(at + 1)) {
        const differs = unlikeness(one.likeness, other.likeness);
        const [told, like] = isPicked(one.each) ? [one, other] : [other, one];
        if (differs <= alike) told.like.push({ file: like.art.file, differs, isTemplates: false });
      }
      const differing = (own: TemplatePicture) => unlikeness(one.likeness, own.likeness);
      const own = template.find((each) => each.role === role && differing(each) <= alike);
      if (own) one.like.push({ file: own.file, differs: differing(own), isTemplates: true });
    }
    for (const { each, art, like } of holders.filter((holder) => holder.like.length > 0)) {
      const { key, brief } = each.client;
      const place = brief?.document.placeOf(rolePath(role));
      const about = rolePath(role);
      const told = { ...detail(key), expected: `more than ${alike}`, place, about, facts: { file: art.file } };
      found.set(key, [...(found.get(key) ?? []), problem("art-alike", likenessMessage(art.file, like), told)]);
    }
  }
  return found;
}

/** The nearest is named; of the others, how many there are. */
function likenessMessage(file: string, like: readonly Alike[]): string {
  const [nearest, ...more] = [...like].sort(
    (a, b) => Number(b.isTemplates) - Number(a.isTemplates) || a.differs - b.differs,
  );
  const steps = `${nearest?.differs} of 256 steps differ`;
  const others = more.length > 0 ? ` And like ${more.length} more: ${namesOf(more)}.` : "";
  return `${file} looks like ${nearest?.isTemplates ? "the template's own " : ""}${nearest?.file}: ${steps}.${others}`;
}

/** So many others are named. */
const mostNamed = 3;

const namesOf = (like: readonly Alike[]): string =>
  like
    .slice(0, mostNamed)
    .map((each) => each.file)
    .join(", ") + (like.length > mostNamed ? ", …" : "");
