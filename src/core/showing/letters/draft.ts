import { type Letter, lettersTo, sentOf } from "../../agency/history/letters.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { problem } from "../../ground/problems/problem.ts";
import { attempt, fail, type Result, succeed } from "../../ground/problems/result.ts";
import { languageTagOf } from "../../ground/values/language.ts";
import { pageLanguages } from "../../ground/values/page-language.ts";
import type { Say } from "../../pages/words/letter.ts";
import { type PageLanguage, wordsIn, wordsInFirst } from "../../pages/words/own.ts";
import type { ClientStanding } from "../../proving/standing/clients.ts";
import type { Asked } from "./asked.ts";
import { thingsOf } from "./letter.ts";

/** Words in the language that is asked for. */
export function wordsThere(root: string, language: string): Result<PageLanguage> {
  const tag = languageTagOf(language);
  const spoken = tag === undefined ? undefined : wordsIn(root, tag);
  const expected = `${pageLanguages.join(", ")}, or a language that words/ has`;
  return spoken
    ? succeed(spoken)
    : fail(problem("words-missing", `There are no words in "${language}".`, { expected }));
}

/** A letter, as it is decided, before it is written. */
export interface LetterDraft {
  asked: Asked;
  say: Say;
  /** Those that were sent before; why they cannot be read. */
  letters: Result<readonly Letter[]>;
}

/** What a client is asked for, in its own language. */
export function draftLetter(given: {
  workspace: Workspace;
  /** Checked: its problems are all that was found of it. */
  view: ClientView;
  standing: ClientStanding | undefined;
  until: string;
  spoken: PageLanguage | undefined;
}): LetterDraft {
  const { workspace, view, standing, until } = given;
  const { client, values } = view;
  const { agency, defaults } = workspace.agency.data;
  const own = [values.locale?.value, agency.language, defaults.locale];
  const { language, say } = given.spoken ?? wordsInFirst(workspace.root, own);
  const letters = attempt(() => sentOf(lettersTo.read(workspace.root, client.key) ?? []));
  const before = letters.ok ? letters.value.at(-1) : undefined;
  const { notes } = workspace;
  const groups = thingsOf({ view, standing, before, agency, notes: notes.data, language, say });
  const asked = {
    client: client.key,
    name: values["app.name"]?.value ?? client.key,
    owner: values.owner?.value ?? client.key,
    to: values.email?.value,
    language,
    until,
    ...(before ? { before: before.on } : {}),
    groups,
  };
  return { asked, say, letters };
}
