import type { Client } from "../../agency/workspace/workspace.ts";
import type { Artwork, Values } from "../../app/variant/variant.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { contrast, type Hex, withLightness } from "../../ground/values/color.ts";
import { type Traced, withStep } from "../../ground/values/trail.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import { readSmall } from "../../pictures/artwork/seen/small.ts";
import { isLostOn, shareTold, standing, steps } from "../../pictures/artwork/seen/told.ts";
import { rolePath } from "../../pictures/slots/art-roles.ts";

/** How the trail says that a ground was chosen; behind the mark's file. */
const lostNote = "is lost on the brand colour";

/** A ground that may carry a mark, as it is told. */
interface Ground {
  color: Hex;
  says: string;
  /** What gives it to all clients. */
  pattern: string;
}

/** Grounds for a mark, the most wanted first: the brand's own, white, and the brand in much or in little light. */
const groundsFor = (brand: Hex): readonly Ground[] => [
  { color: brand, says: "the brand colour", pattern: "{colors.brand}" },
  { color: "#ffffff", says: "white", pattern: "#ffffff" },
  ...[
    { light: 95, says: "a light tint of the brand colour" },
    { light: 24, says: "a dark shade of the brand colour" },
  ].map(({ light, says }) => ({
    color: withLightness(brand, light) as Hex,
    says,
    pattern: `{colors.brand lightness ${light}}`,
  })),
];

/** The first ground that a mark stands out from; otherwise the one that it stands out from most. */
function bestGround(mark: Art, brand: Hex): Ground {
  const small = readSmall(mark.small);
  const tried: (Ground & { share: number })[] = [];
  for (const each of groundsFor(brand)) {
    const share = shareTold(small, each.color, steps.standsOut);
    if (share >= standing) return each;
    tried.push({ ...each, share });
  }
  return tried.reduce((most, each) => (each.share > most.share ? each : most));
}

/** What a client's icons are drawn from on a ground: its mark, where it has no icon that brings its own. */
const groundedMark = ({ given }: Pick<Artwork, "given">): Art | undefined => (given.icon ? undefined : given.mark);

/** A ground that nobody gave: the brand colour where the mark stands out from it, otherwise one that carries it. */
export function carryingGround(value: Traced, art: Artwork): Traced {
  const mark = groundedMark(art);
  if (!mark) return value;
  const { color, says } = bestGround(mark, value.value as Hex);
  return withStep(value, { by: "rule", note: `${says}: ${mark.file} ${lostNote}`, value: color });
}

/** Icons that nobody would recognise are never made; a ground that was chosen for a mark is told. */
export function judgeGround(client: Client, values: Values, art: Artwork): Problem[] {
  const mark = groundedMark(art);
  const ground = values["colors.ground"];
  const brand = values["colors.brand"];
  const { icon } = art.given;
  if (icon?.edge && isLostOn(icon, icon.edge))
    return [
      problem(
        "art-unseen",
        `Of what ${icon.file} shows hardly anything stands out from its own ground, ${icon.edge}.`,
        {
          place: client.brief?.document.placeOf(rolePath("icon")),
          about: rolePath("icon"),
          facts: { file: icon.file, ground: icon.edge },
          expected: "a picture that can be told in a list of apps, 20 points large",
        },
      ),
    ];
  if (!mark || !ground || !brand) return [];
  const color = ground.value as Hex;
  const place = client.brief?.document.placeOf(rolePath("mark"));
  if (isLostOn(mark, color)) {
    const better = bestGround(mark, brand.value as Hex);
    const isBetter = !isLostOn(mark, better.color);
    const told = Math.round(shareTold(readSmall(mark.small), color, steps.standsOut) * 100);
    const left = told < 10 ? "hardly anything" : `only ${told} %`;
    return [
      problem("art-unseen", `Of ${mark.file} ${left} of the shape stands out from its ground, ${color}.`, {
        place,
        about: rolePath("mark"),
        facts: { file: mark.file, ground: color },
        expected: isBetter
          ? `colors.ground: "${better.color}", ${better.says}: ${ratio(mark, better.color)} : 1`
          : "another mark: there is no plain ground that carries this one",
      }),
    ];
  }
  if (color === brand.value || !ground.trail.some(({ by, note }) => by === "rule" && note.endsWith(lostNote)))
    return [];
  return groundsFor(brand.value as Hex)
    .filter((each) => each.color === color)
    .map(({ says, pattern }) =>
      problem("ground-chosen", `Its ground is ${says}, since the mark is lost on the brand colour.`, {
        severity: "warning",
        place,
        expected: `for all clients, in oxalis.yaml: patterns: { colors.ground: "${pattern}" }`,
      }),
    );
}

/** Contrast of a mark's mean colour with a ground. */
const ratio = ({ mean }: Art, ground: string): string => contrast(mean, ground).toFixed(1);
