import { allSlots } from "../../app/catalog/all.ts";
import type { Artwork, Resolved } from "../../app/variant/variant.ts";
import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import { isError, type Problem, type ProblemDetail, problem } from "../../ground/problems/problem.ts";
import type { Hex } from "../../ground/values/color.ts";
import { contrast } from "../../ground/values/color.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import { isLettering, isPhoto, ratioOf } from "../../pictures/artwork/seen/lettering.ts";
import { leftOutOf } from "../../pictures/artwork/seen/one-color.ts";
import { readSmall } from "../../pictures/artwork/seen/small.ts";
import { isLostOn, isWeakOn, shareTold, standing, steps } from "../../pictures/artwork/seen/told.ts";
import { type ArtRole, artRoleNames, rolePath } from "../../pictures/slots/art-roles.ts";

/** WCAG 2 asks pictures for this contrast with what surrounds them. */
const leastContrast = 3;

/** A thing to look for in a picture; gives what is wrong, with its numbers. */
interface Look {
  code: ProblemCode;
  /** It can stop a client; the others are warnings. */
  stops?: true;
  roles: readonly ArtRole[];
  at(
    art: Art,
    colorOf: (field: Field) => string | undefined,
    given: Artwork["given"],
  ): (Pick<ProblemDetail, "severity" | "expected" | "facts"> & { message: string }) | undefined;
}

/** An icon on a telephone, in points, and the share of it that a wide mark takes (Apple, "App icons"). */
const telephoneIcon = 60;
const iconShare = 0.66;

/** Of a shape in one colour, less than this says something else, and less than that nothing. */
const vague = 0.6;
const blank = 0.3;

/** Letters lower than this are hard to read, or cannot be read, in points. */
const readable = { well: 8, atAll: 6 };

/** How high the letters of a picture are as an icon on a telephone, in points, or the strip that they stand in. */
function letterHeight(art: Art): number | undefined {
  if (!art.letters && !isLettering(art)) return undefined;
  return (telephoneIcon * iconShare * (art.letters?.height ?? 1)) / Math.max(1, ratioOf(art));
}

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
        facts: { lost: percent(lost) },
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
        : { message: `${file} is transparent in places; they are filled with ${ground}.`, facts: { ground } };
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
    at: (art, colorOf) => standsOut(art, colorOf("colors.ground"), own),
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
    stops: true,
    roles: ["mark"],
    at: (art, _, { icon }) => {
      const points = icon ? undefined : letterHeight(art);
      if (points === undefined || (points >= readable.well && !isLettering(art))) return undefined;
      return {
        ...(points < (art.letters ? readable.atAll : readable.well) ? { severity: "error" } : {}),
        message:
          `${art.file} is lettering, ${ratioOf(art).toFixed(1)} times as wide as high: as an icon on a telephone its ` +
          `letters are ${art.letters ? "" : "less than "}${points.toFixed(0)} points high.`,
        expected: "a sign without lettering as art.mark, and this one as art.wide",
        facts: { points: points.toFixed(0) },
      };
    },
  },
  {
    code: "art-photo",
    stops: true,
    roles: ["mark", "mono", "wide", "dark.mark", "dark.wide"],
    at: (art) =>
      isPhoto(art)
        ? {
            severity: "error",
            message: `${art.file} is a photo up to its edges: there is no sign in it that could stand on a ground.`,
            expected: "the sign alone, on nothing; a photo for the start screen is art.splash",
          }
        : undefined,
  },
  {
    code: "art-photo",
    roles: ["icon", "dark.icon"],
    at: (art) =>
      isPhoto(art)
        ? {
            message: `${art.file} is a photo, or painted like one: 20 points large, little of it can be told.`,
            expected: "a sign on a plain ground",
          }
        : undefined,
  },
  {
    code: "art-blank",
    roles: ["mark"],
    at: (art, colorOf, { mono }) => {
      const ground = colorOf("colors.ground");
      if (mono || ground === undefined) return undefined;
      const { share } = leftOutOf(art, ground as Hex);
      if (share >= vague) return undefined;
      const left = share < blank ? "hardly anything" : `only ${percent(share)}`;
      return {
        message: `${art.file}: in one colour, ${left} of its shape is left.`,
        expected: "the sign in one colour, on nothing, as art.mono",
        facts: { left: percent(share) },
      };
    },
  },
  {
    code: "art-dark",
    roles: ["mark"],
    at: (art, colorOf, given) => {
      const behind = allSlots.find((slot) => slot.behind)?.behind;
      const ground = colorOf("colors.ground");
      if (given.icon || given["dark.mark"] || given["dark.icon"] || !ground) return undefined;
      if (!behind || !isWeakOn(art, behind)) return undefined;
      return {
        message: `${art.file} is lost on a dark screen: there, its icon stays a tile of ${ground}.`,
        expected: "the mark for dark screens, as art.dark.mark",
      };
    },
  },
  {
    code: "art-bitmap",
    roles: artRoleNames,
    at: ({ bitmap, file }) => (bitmap ? { message: `${file} holds a bitmap.` } : undefined),
  },
  {
    code: "art-text",
    stops: true,
    roles: artRoleNames,
    at: ({ text, file }) =>
      text ? { message: `${file} holds text in a font of whatever machine draws it.`, severity: "error" } : undefined,
  },
];

const own = "its ground";

function standsOut({ mean, file, small }: Art, ground: string | undefined, what: string): ReturnType<Look["at"]> {
  if (ground === undefined) return undefined;
  const share = shareTold(readSmall(small), ground as Hex, steps.standsOut);
  // One that is lost altogether is told as that.
  if (share >= standing || (what === own && isLostOn({ small }, ground as Hex))) return undefined;
  const ratio = contrast(mean, ground);
  if (ratio >= leastContrast)
    return {
      message: `Of ${file} only ${percent(share)} of the shape stands out from ${what}, ${ground}.`,
      expected: `${percent(standing)} or more, by ${leastContrast} : 1`,
      facts: { ground },
    };
  return {
    message: `${file}, in the mean ${mean}, stands out from ${what} ${ground} by only ${ratio.toFixed(1)} : 1.`,
    expected: `${leastContrast} : 1 or more`,
    facts: { ground },
  };
}

/**
 * Judges a client's pictures, each on its own. Warnings: they can be drawn, and may not look as somebody meant them.
 */
export function judgePictures(
  { client, values, art }: Pick<Resolved, "client" | "values" | "art">,
  asked: readonly Look[] = looks,
): Problem[] {
  const colorOf = (field: Field) => values[field]?.value;
  return (Object.entries(art.given) as [ArtRole, Art][]).flatMap(([role, picture]) =>
    asked
      .filter(({ roles }) => roles.includes(role))
      .flatMap(({ code, at }) => {
        const found = at(picture, colorOf, art.given);
        if (!found) return [];
        const { message, facts, ...more } = found;
        return [
          problem(code, message, {
            ...detail(client.key),
            ...more,
            about: rolePath(role),
            facts: { file: picture.file, ...facts },
            place: client.brief?.document.placeOf(rolePath(role)),
          }),
        ];
      }),
  );
}

/** Of these only what stops a client: asked at every command, where the others take longer. */
export const judgeUnfit = (resolved: Pick<Resolved, "client" | "values" | "art">): Problem[] =>
  judgePictures(resolved, stopping).filter(isError);

const stopping = looks.filter(({ stops }) => stops);

const detail = (client: string): ProblemDetail => ({ severity: "warning", client });
