import type { Template } from "../../app/survey/template.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { type Traced, writtenAt } from "../../ground/values/trail.ts";
import { handOf, scriptOf } from "../../pictures/lettering/faces.ts";

/** A name that pictures are lettered with, in one of the app's languages. */
interface Named {
  locale: string;
  name: Traced;
  lacking: readonly string[];
}

/**
 * Says of names, where some picture of the template is lettered with them: letters that no font at hand has, and a
 * font in another hand than the one that the language is written in.
 */
export function tellLettering({ client, art, values }: Resolved, variant: Variant, template: Template): Problem[] {
  const isAsked = template.parts.some(({ pictures }) => pictures.some(({ slot }) => slot.lettered));
  if (!isAsked || art.given.wide) return [];
  const { lettering, names } = variant;
  const { name } = names.first ?? {};
  const all: Named[] = [
    ...(name ? [{ locale: values.locale?.value ?? "", name, lacking: lettering.first?.lacking ?? [] }] : []),
    ...Object.entries(lettering.further).flatMap(([locale, { lacking }]) => {
      const further = names.further[locale]?.name;
      return further ? [{ locale, name: further, lacking }] : [];
    }),
  ];
  const told = all.flatMap((each) => [...unlettered(each), ...(art.font ? [] : inOtherHand(each))]);
  return told.map((each) => ({ ...each, client: client.key }));
}

function unlettered({ name, lacking }: Named): Problem[] {
  if (lacking.length === 0) return [];
  const message = `"${name.value}" cannot be lettered: no font at hand has ${listOf(lacking)}.`;
  const detail = { severity: "warning", place: writtenAt(name) } as const;
  return [problem("name-unlettered", `${message} Banners show the mark alone.`, detail)];
}

function inOtherHand({ locale, name, lacking }: Named): Problem[] {
  const hand = handOf(locale);
  if (!hand || lacking.length > 0 || ![...name.value].some((letter) => scriptOf(letter) === hand.script)) return [];
  const message =
    `"${name.value}" is lettered in Noto Sans ${hand.script}, which is ${hand.comes}; its language is mostly written ` +
    `in ${hand.usual}.`;
  return [problem("lettering-hand", message, { severity: "warning", place: writtenAt(name) })];
}

/** So many letters are named. */
const mostNamed = 6;

const listOf = (letters: readonly string[]): string =>
  letters.slice(0, mostNamed).join(" ") + (letters.length > mostNamed ? ` and ${letters.length - mostNamed} more` : "");
