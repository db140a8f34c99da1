import { type Letter, lettersTo, sentOf } from "../../agency/history/letters.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt, fail, type Result, succeed } from "../../ground/problems/result.ts";
import { languageTagOf } from "../../ground/values/language.ts";
import { pageLanguages } from "../../ground/values/page-language.ts";
import type { Say } from "../../pages/words/letter.ts";
import { type LanguageWords, wordsIn, wordsInFirst } from "../../pages/words/own.ts";
import type { ClientStanding } from "../../proving/standing/clients.ts";
import type { Asked } from "./asked.ts";
import { thingsOf } from "./letter.ts";

/** Words in the language that is asked for. */
export function wordsThere(root: string, language: string): Result<LanguageWords> {
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
  /** That it comes in another language than the client's, since there are no words in that. */
  problems: readonly Problem[];
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
  spoken: LanguageWords | undefined;
}): LetterDraft {
  const { workspace, view, standing, until } = given;
  const { client, values } = view;
  const { agency, defaults } = workspace.agency.data;
  const tags = [values.locale?.value, agency.language, defaults.locale];
  const { language, say } = given.spoken ?? wordsInFirst(workspace.root, tags);
  const letters = attempt(() => sentOf(lettersTo.read(workspace.root, client.key) ?? []));
  const before = letters.ok ? letters.value.at(-1) : undefined;
  const { notes } = workspace;
  const groups = thingsOf({ view, standing, before, agency, notes: notes.data, language, say });
  const person = client.brief?.data.store?.contact?.name;
  const asked = {
    client: client.key,
    name: values["app.name"]?.value ?? client.key,
    owner: values.owner?.value ?? client.key,
    ...(person === undefined ? {} : { person }),
    to: values.email?.value,
    language,
    until,
    ...(before ? { before: before.on } : {}),
    groups,
  };
  const own = given.spoken ? undefined : values.locale?.value;
  return { asked, say, letters, problems: own === undefined ? [] : unspoken(own, language, client.key) };
}

/** That a client's letter is in another language than its own. */
function unspoken(own: string, language: string, client: string): Problem[] {
  if (own.split("-")[0] === language.split("-")[0]) return [];
  const nameOf = (tag: string) => new Intl.DisplayNames("en", { type: "language" }).of(tag) ?? tag;
  const message = `${client} speaks ${nameOf(own)}, which there are no words in: its letter is in ${nameOf(language)}.`;
  return [
    problem("words-missing", message, {
      client,
      severity: "warning",
      fix: `\`oxalis ask --new-words ${own}\` writes the words to be translated.`,
    }),
  ];
}
