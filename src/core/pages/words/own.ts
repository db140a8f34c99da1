import { stringify } from "yaml";
import * as z from "zod";
import { parseYaml } from "../../agency/documents/document.ts";
import { validate } from "../../agency/documents/validate.ts";
import { textOf } from "../../agency/history/kept-file.ts";
import { lineOfText } from "../../agency/workspace/schema/brief.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { lookAt } from "../../ground/files/writing/door.ts";
import { toldAs } from "../../ground/problems/retell.ts";
import { pageLanguages } from "../../ground/values/page-language.ts";
import { type InstallWord, english as install } from "./en/install.ts";
import { type InviteWord, english as invite } from "./en/invite.ts";
import { english, type Word, type Words } from "./en/letter.ts";
import { type PictureWord, english as pictures } from "./en/pictures.ts";
import { type Say, tables } from "./letter.ts";
import { speakingFrom } from "./speak.ts";

/** Where the agency keeps the words of letters in a language, within the workspace. */
export const wordsFile = (language: string): string => `words/${language}.yaml`;

const namesIn = (text: string): string[] => [...text.matchAll(/\{(\w+)\}/g)].map(([, name = ""]) => name);

/** Words that stand in one line of a mail's head. */
const ofOneLine: readonly Word[] = ["subject", "inviteSubject"];

/** A text in place of an English one: with no other names in braces. */
const inPlaceOf = (word: Word, text: string) =>
  (ofOneLine.includes(word) ? lineOfText(300) : z.string().trim().min(1).max(1000)).refine(
    (own) => namesIn(own).every((name) => namesIn(text).includes(name)),
    namesIn(text).length > 0
      ? `no names in braces but ${namesIn(text).join(", ")}`
      : "no names in braces: there are none in the English text",
  );

const schema = z.strictObject(
  Object.fromEntries(Object.entries(english).map(([word, text]) => [word, inPlaceOf(word as Word, text)])) as Record<
    Word,
    ReturnType<typeof inPlaceOf>
  >,
);

/** Words that files of before do not have, of pictures, of installing and of trying: not given, they stay English. */
const laterWords = Object.fromEntries(
  Object.keys({ ...pictures, ...install, ...invite }).map((word) => [word, true]),
) as Record<PictureWord | InstallWord | InviteWord, true>;

/** The agency's own words in a language, over those that come with Oxalis. Stops: words-invalid. */
function ownWords(root: string, language: string): Words | undefined {
  const file = wordsFile(language);
  if (!lookAt(root, file)) return undefined;
  const known = pageLanguages.find((each) => each === language);
  return toldAs("words-invalid", () => {
    const document = parseYaml({ file, text: textOf(readInside(root, file, file), file) });
    const given = validate(document, known ? schema.partial() : schema.partial(laterWords));
    const said = Object.entries(given).filter(([, text]) => text !== undefined);
    return { ...(known ? tables[known] : english), ...Object.fromEntries(said) };
  });
}

/** A language that a letter can be written in, and its words. */
export interface LanguageWords {
  /** BCP 47 tag. */
  language: string;
  say: Say;
}

/** Words in a language, or in the one that it is a form of: pt-BR, pt. Stops: words-invalid. */
export function wordsIn(root: string, tag: string): LanguageWords | undefined {
  for (const language of new Set([tag, tag.split("-")[0] ?? tag])) {
    const known = pageLanguages.find((each) => each === language);
    const words = ownWords(root, language) ?? (known && tables[known]);
    if (words) return { language, say: speakingFrom(words) };
  }
  return undefined;
}

/** Words in the first of some languages that has any; in English where none has. Stops: words-invalid. */
export function wordsInFirst(root: string, tags: readonly (string | undefined)[]): LanguageWords {
  for (const tag of tags) {
    const spoken = tag === undefined ? undefined : wordsIn(root, tag);
    if (spoken) return spoken;
  }
  return { language: "en", say: speakingFrom(english) };
}

/** The English words as a file, to be translated. */
export const wordsToTranslate = (): string =>
  [
    "# Words of letters to clients. Translate the texts; what stands in braces is put in, and stays as it is.",
    stringify(english, { lineWidth: 0 }),
  ].join("\n");
