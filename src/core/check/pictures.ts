import type { Art } from "../artwork/judge.ts";
import { alike, unlikeness } from "../artwork/likeness.ts";
import type { ArtRole, Resolved } from "../derive/variant.ts";
import type { ProblemCode } from "../problems/catalogue.ts";
import { type Problem, type ProblemDetail, problem } from "../problems/problem.ts";
import { contrast } from "../values/color.ts";
import type { Field } from "../values/fields.ts";

/** WCAG 2 asks pictures for this contrast with what surrounds them. */
const leastContrast = 3;

/** A thing to look for in a picture; gives what is wrong, with its numbers. */
interface Look {
  code: ProblemCode;
  roles: readonly ArtRole[];
  at(
    art: Art,
    colorOf: (field: Field) => string | undefined,
  ): { message: string; expected?: string } | undefined;
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

const looks: readonly Look[] = [
  {
    code: "art-not-square",
    roles: ["icon"],
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
    roles: ["icon"],
    at: ({ rounded, file }) =>
      rounded ? { message: `${file} has its corners cut round already.` } : undefined,
  },
  {
    code: "art-transparent",
    roles: ["icon"],
    at: ({ opaque, rounded, file }, colorOf) =>
      opaque || rounded
        ? undefined
        : { message: `${file} is transparent in places; they are filled with ${colorOf("colors.ground")}.` },
  },
  {
    code: "art-cut",
    roles: ["icon"],
    at: ({ edge, circle, file }) =>
      edge === undefined || circle.radius <= 0.5
        ? undefined
        : {
            message: `${file}: what is drawn reaches ${percent(circle.radius / 0.5 - 1)} beyond the circle that a round mask shows.`,
          },
  },
  {
    code: "art-contrast",
    roles: ["mark"],
    at: ({ mean, file }, colorOf) => {
      const ground = colorOf("colors.ground");
      const ratio = ground === undefined ? leastContrast : contrast(mean, ground);
      if (ratio >= leastContrast) return undefined;
      return {
        message: `${file}, in the mean ${mean}, stands out from its ground ${ground} by only ${ratio.toFixed(1)} : 1.`,
        expected: `${leastContrast} : 1 or more`,
      };
    },
  },
  {
    code: "art-bitmap",
    roles: ["icon", "mark", "mono"],
    at: ({ bitmap, file }) => (bitmap ? { message: `${file} holds a bitmap.` } : undefined),
  },
  {
    code: "art-text",
    roles: ["icon", "mark", "mono"],
    at: ({ text, file }) =>
      text ? { message: `${file} holds text in a font of whatever machine draws it.` } : undefined,
  },
];

/** Judges a client's pictures, each on its own. Warnings: they can be drawn, and may not look as somebody meant them. */
export function judgePictures({ client, values, art }: Resolved): Problem[] {
  const colorOf = (field: Field) => values[field]?.value;
  return (Object.entries(art) as [ArtRole, Art][]).flatMap(([role, picture]) =>
    looks
      .filter(({ roles }) => roles.includes(role))
      .flatMap(({ code, at }) => {
        const found = at(picture, colorOf);
        if (!found) return [];
        const { message, ...more } = found;
        return [
          problem(code, message, {
            ...detail(client.key),
            ...more,
            place: client.brief?.document.placeOf(["art", role]),
          }),
        ];
      }),
  );
}

const detail = (client: string): ProblemDetail => ({ severity: "warning", client });

/** Holds all clients' pictures against each other: the same role, and at most `alike` of 256 steps of brightness different. */
export function judgeLikeness(all: readonly Resolved[]): Map<string, Problem[]> {
  const found = new Map<string, Problem[]>();
  for (const role of ["icon", "mark"] as const) {
    const holders = all.flatMap((each) => (each.art[role]?.likeness ? [{ each, art: each.art[role] }] : []));
    for (const [at, one] of holders.entries()) {
      for (const other of holders.slice(at + 1)) {
        const differs = unlikeness(one.art.likeness ?? "", other.art.likeness ?? "");
        if (differs > alike) continue;
        for (const [mine, theirs] of [
          [one, other],
          [other, one],
        ] as const) {
          const { key, brief } = mine.each.client;
          const message = `${mine.art.file} looks like ${theirs.art.file}: ${differs} of 256 steps differ.`;
          const told = problem("art-alike", message, {
            ...detail(key),
            expected: `more than ${alike}`,
            place: brief?.document.placeOf(["art", role]),
          });
          found.set(key, [...(found.get(key) ?? []), told]);
        }
      }
    }
  }
  return found;
}
