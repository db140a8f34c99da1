import { lookAt } from "../ground/files/writing/door.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { refuse } from "../ground/problems/result.ts";
import { languageTagOf } from "../ground/values/language.ts";
import { wordsFile, wordsToTranslate } from "../pages/words/own.ts";
import { operation } from "./running/operation.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

/** Writes the words of letters into a file of their own, in English, for a language that letters do not come in. */
export const startWords = operation(
  (input: At & { language: string }, ports): Promise<{ file: string }> =>
    inWorkspace(input, ports, { writes: true }, async ({ root }) => {
      const language = languageTagOf(input.language);
      if (!language)
        return refuse("value-invalid", `"${input.language}" is no language.`, {
          expected: "a tag such as it or pt-BR",
        });
      const file = wordsFile(language);
      if (lookAt(root, file))
        return refuse("words-invalid", `${file} is there already.`, { fix: "Translate that one." });
      writeTogether(root, new Map([[file, wordsToTranslate()]]));
      return { file };
    }),
);
