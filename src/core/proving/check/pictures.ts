import type { Artwork, Resolved } from "../../app/variant/variant.ts";
import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import { type Problem, type ProblemDetail, problem } from "../../ground/problems/problem.ts";
import { contrast } from "../../ground/values/color.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import { alike, unlikeness } from "../../pictures/artwork/likeness.ts";
import { type ArtRole, artRoleNames, rolePath } from "../../pictures/slots/art-roles.ts";

/** WCAG 2 asks pictures for this contrast with what surrounds them. */
const leastContrast = 3;

/** A thing to look for in a picture; gives what is wrong, with its numbers. */
interface Look {
  code: ProblemCode;
  roles: readonly ArtRole[];
  at(
    art: Art,
    colorOf: (field: Field) => string | undefined,
    given: Artwork["given"],
  ): { message: string; expected?: string } | undefined;
}

/** A mark wider than this is lettering, most likely. */
const thin = 2.5;

/** An icon on a telephone, in points, and the share of it that a wide mark takes (Apple, "App icons"). */
const telephoneIcon = 60;
const iconShare = 0.66;

/** A shape that is filled by so much, and of so much in other colours, says nothing once it is of one colour. */
const blank = 0.94;
const several = 0.08;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

const looks: readonly Look[] = [
  {
    code: "art-not-square",
    roles: ["icon", "dark.icon"],
    at: ({ width, height, file }) => {
      if (Math.max(width, height) / Math.min(width, height) <= 1.02) return undefined;
      const lost = 1 - Math.min(width, height) / Math.max(width, height);
      return {
        message: `${file} is ${width} × ${height}: ${percent(lost)} of its longer side is cut.`,
        expected: "a square",
      };
    },
  },
  {
    code: "art-rounded",
    roles: ["icon", "dark.icon"],
    at: ({ rounded, file }) => (rounded ? { message: `${file} has its corners cut round already.` } : undefined),
  },
  {
    code: "art-transparent",
    roles: ["icon", "dark.icon"],
    at: ({ opaque, rounded, file }, colorOf) => {
      const ground = colorOf("colors.ground") ?? "the ground";
      return opaque || rounded
        ? undefined
        : { message: `${file} is transparent in places; they are filled with ${ground}.` };
    },
  },
  {
    code: "art-cut",
    roles: ["icon", "dark.icon"],
    at: ({ cut, file }) => {
      if (cut.length === 0) return undefined;
      const said = cut.map(({ mask, by }) => `a ${mask} by ${percent(by)}`).join(", ");
      return {
        message: `${file}: what is drawn reaches beyond masks that systems cut icons to: ${said} of half its width.`,
      };
    },
  },
  {
    code: "art-contrast",
    roles: ["mark", "wide"],
    at: (art, colorOf) => standsOut(art, colorOf("colors.ground"), "its ground"),
  },
  {
    code: "art-contrast",
    roles: ["mark", "wide"],
    at: (art, colorOf) => {
      const start = colorOf("colors.start");
      if (start === colorOf("colors.ground")) return undefined;
      return standsOut(art, start, "the start screen's ground");
    },
  },
  {
    code: "art-contrast",
    roles: ["dark.mark", "dark.wide"],
    at: (art, colorOf) => standsOut(art, colorOf("colors.startDark"), "the dark start screen's ground"),
  },
  {
    code: "art-thin",
    roles: ["mark"],
    at: ({ file, content, width, height }, _, { icon }) => {
      const ratio = (content.width * width) / (content.height * height);
      if (icon || ratio < thin) return undefined;
      const points = (telephoneIcon * iconShare) / ratio;
      return {
        message:
          `${file} is ${ratio.toFixed(1)} times as wide as high: as an icon on a telephone it is a strip ` +
          `${points.toFixed(0)} points high, and its letters less.`,
        expected: "a sign without lettering as art.mark, and this one as art.wide",
      };
    },
  },
  {
    code: "art-blank",
    roles: ["mark"],
    at: ({ file, filled, varied }, _, { mono }) =>
      mono || filled < blank || varied < several
        ? undefined
        : { message: `${file} in one colour is a plain shape: what is within it, is lost.`, expected: "art.mono" },
  },
  {
    code: "art-bitmap",
    roles: artRoleNames,
    at: ({ bitmap, file }) => (bitmap ? { message: `${file} holds a bitmap.` } : undefined),
  },
  {
    code: "art-text",
    roles: artRoleNames,
    at: ({ text, file }) =>
      text ? { message: `${file} holds text in a font of whatever machine draws it.` } : undefined,
  },
];

function standsOut({ mean, file }: Art, ground: string | undefined, what: string): ReturnType<Look["at"]> {
  const ratio = ground === undefined ? leastContrast : contrast(mean, ground);
  if (ratio >= leastContrast) return undefined;
  return {
    message: `${file}, in the mean ${mean}, stands out from ${what} ${ground} by only ${ratio.toFixed(1)} : 1.`,
    expected: `${leastContrast} : 1 or more`,
  };
}

/**
 * Judges a client's pictures, each on its own. Warnings: they can be drawn, and may not look as somebody meant them.
 */
export function judgePictures({ client, values, art }: Resolved): Problem[] {
  const colorOf = (field: Field) => values[field]?.value;
  return (Object.entries(art.given) as [ArtRole, Art][]).flatMap(([role, picture]) =>
    looks
      .filter(({ roles }) => roles.includes(role))
      .flatMap(({ code, at }) => {
        const found = at(picture, colorOf, art.given);
        if (!found) return [];
        const { message, ...more } = found;
        return [
          problem(code, message, {
            ...detail(client.key),
            ...more,
            place: (client.brief?.document ?? client.unchecked)?.placeOf(rolePath(role)),
          }),
        ];
      }),
  );
}

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
      const told = { ...detail(key), expected: `more than ${alike}`, place };
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
