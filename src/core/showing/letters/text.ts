import wrapAnsi from "wrap-ansi";
import type { Say } from "../../pages/words/letter.ts";
import type { Asked, AskedThing } from "./asked.ts";

/** A day as people of a language write it. */
export const dayIn = (language: string, day: string): string =>
  new Intl.DateTimeFormat(language === "en" ? "en-GB" : language, { dateStyle: "long", timeZone: "UTC" }).format(
    new Date(`${day}T00:00:00Z`),
  );

/** The opening words: that it is still about the same where it is. */
export function introOf({ name, language, until, before, groups }: Asked, say: Say): string {
  const isStill = before !== undefined && groups.some(({ things }) => things.some((each) => each.isStill));
  return say(isStill ? "introStill" : "intro", {
    name,
    until: dayIn(language, until),
    before: before === undefined ? "" : dayIn(language, before),
  });
}

/** To a person, where one is known; a company is not addressed as one. */
export const greetingOf = ({ person }: Asked, say: Say): string =>
  person === undefined ? say("greeting") : say("greetingTo", { person });

/** How to answer; what to do with pictures only where some are asked for. */
export const howOf = ({ groups }: Asked, sheet: string, say: Say): string =>
  [say("how", { sheet }), ...(groups.some(({ word }) => word === "pictures") ? [say("howPictures")] : [])].join(" ");

/** A line of a letter, in columns (RFC 5322 asks for fewer than 78). */
const lineWidth = 76;

/** A letter as plain text. */
export function letterText(asked: Asked, sheet: string, agency: string, say: Say): string {
  const groups = asked.groups.map(({ word, things }) =>
    [say(word), ...things.map((thing) => itemText(thing, say))].join("\n"),
  );
  const parts = [
    greetingOf(asked, say),
    introOf(asked, say),
    ...groups,
    howOf(asked, sheet, say),
    `${say("thanks")}\n${agency}`,
  ];
  return `${parts.map((part) => part.split("\n").map(fold).join("\n")).join("\n\n")}\n`;
}

function itemText({ label, hints, isStill }: AskedThing, say: Say): string {
  const still = isStill ? ` [${say("still")}]` : "";
  return `- ${label}${hints.length > 0 ? ` (${hints.join(say("between"))})` : ""}${still}`;
}

/** A line broken to what mail shows well; what goes on stands under its beginning. */
export function fold(line: string): string {
  const mark = line.startsWith("- ") ? "- " : "";
  const [first = "", ...more] = wrapAnsi(line.slice(mark.length), lineWidth - mark.length).split("\n");
  return [mark + first, ...more.map((each) => " ".repeat(mark.length) + each)].join("\n");
}
