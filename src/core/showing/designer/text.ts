import type { Say } from "../../pages/words/letter.ts";
import { dayIn, fold } from "../letters/text.ts";
import type { ClientAsked } from "./asked.ts";

/** The letter to a designer: for all clients at once. */
export interface DesignerLetter {
  agency: string;
  /** BCP 47 tag. */
  language: string;
  until: string;
  clients: readonly ClientAsked[];
}

/** What the letter begins with. */
export const introTo = ({ language, until }: DesignerLetter, say: Say): string =>
  say("designerIntro", { until: dayIn(language, until) });

/** The letter as plain text. */
export function designerText(letter: DesignerLetter, say: Say): string {
  const clients = letter.clients.map(({ name, pictures }) =>
    [name, ...pictures.map(({ label, reasons }) => `- ${label}: ${reasons.join(say("between"))}`)].join("\n"),
  );
  const parts = [say("greeting"), introTo(letter, say), ...clients, `${say("thanks")}\n${letter.agency}`];
  return `${parts.map((part) => part.split("\n").map(fold).join("\n")).join("\n\n")}\n`;
}
