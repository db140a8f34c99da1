/**
 * Characters that no name and no text of an app holds: what steers a terminal or a printer, and what turns the
 * direction of reading.
 */
const steering: readonly { is: RegExp; says: string }[] = [
  { is: /[\n\r\u2028\u2029]/u, says: "a line end" },
  { is: /\p{Cc}/u, says: "a control character" },
  { is: /[\u202a-\u202e\u2066-\u2069]/u, says: "a mark that turns the direction of what follows" },
  { is: /\p{Cs}/u, says: "half a character" },
  { is: /[\ufeff\ufff9-\ufffb\ufffe\uffff]/u, says: "a mark that is no character" },
];

/** A character that a text may not hold, and where it stands, counted from 1. */
export interface Steering {
  at: number;
  codePoint: string;
  says: string;
}

/** The first such character. @param lines whether the text may have several lines, and tabs. */
export function steeringIn(text: string, lines = false): Steering | undefined {
  for (const [at, letter] of [...text].entries()) {
    if (lines && /[\n\r\t]/.test(letter)) continue;
    const found = steering.find(({ is }) => is.test(letter));
    if (found) return { at: at + 1, codePoint: codePoint(letter), says: found.says };
  }
  return undefined;
}

const codePoint = (letter: string): string =>
  `U+${(letter.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, "0")}`;

/** A text as it can be shown anywhere: such characters by their code points, line ends and tabs as they are. */
export const shownText = (text: string): string =>
  /[\p{Cc}\p{Cs}\u202a-\u202e\u2066-\u2069\u2028\u2029]/u.test(text)
    ? [...text]
        .map((letter) =>
          /[\n\t]/.test(letter) || steeringIn(letter, true) === undefined ? letter : `<${codePoint(letter)}>`,
        )
        .join("")
    : text;
