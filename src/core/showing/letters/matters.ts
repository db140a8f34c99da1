import { basename } from "node:path";
import { asksIn } from "../../agency/workspace/schema/questions.ts";
import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { tickOf } from "../../ground/values/yes-or-no.ts";
import { choicesIn } from "../../stores/choice-words.ts";
import { placeInBrief, type RecordField, recordFieldNames } from "../../stores/record-fields.ts";
import type { LetterFrom, Thing } from "./asked.ts";
import { fieldSaid, matters, reasons } from "./wording.ts";

/** What a finding asks of the client, in its words. */
export function matterThing(found: Problem, { view, notes, language, say }: LetterFrom): Thing {
  const { about = [], code, facts = {}, message, expected } = found;
  const at = about.join(".");
  const word = reasons[code];
  const file = facts.file === undefined ? undefined : basename(String(facts.file));
  const hints = word === undefined ? [] : [file ? `${file}: ${say(word, facts)}` : say(word, facts)];
  const now = facts.value === undefined ? {} : { now: String(facts.value) };
  const matter = matters.find((each) => each.at.test(at));
  if (matter)
    return {
      group: matter.group,
      at: matter.isAside ? undefined : at,
      label: say(matter.word, { ...facts, file }),
      hints,
      ...now,
    };
  const field = fieldAt(at, view.values.locale?.value ?? "en");
  if (field) return { ...fieldSaid(field, say), at, hints, ...now };
  const asked = questionAt(about, notes);
  if (asked) {
    const { asks, example, options } = asked;
    const such = example === undefined ? [] : [say("example", { example })];
    return {
      group: "answers",
      at,
      label: asksIn(asks, language),
      hints: [...hints, ...such],
      ...now,
      choices: options && (tickOf(options) ? choicesIn("tick", language) : options),
    };
  }
  // Nobody has put that into words for clients: as producers are told, rather than not at all.
  const what = expected === undefined ? message : `${message} (${expected})`;
  return { group: found.who === "designer" ? "pictures" : "answers", label: say("toMend", { what }), hints: [] };
}

const fieldAt = (at: string, language: string): RecordField | undefined =>
  recordFieldNames.find((field) => placeInBrief(field, language)?.join(".") === at);

type Asks = Parameters<typeof asksIn>[0];

/** The template's question that a finding is about. */
function questionAt(
  [list, name = "", ...deeper]: readonly string[],
  { questions, collections }: TemplateNotes,
): { asks: Asks; example?: string | undefined; options?: readonly string[] | undefined } | undefined {
  if (list === "answers") return questions[name];
  const asks = list === "content" && deeper.length === 0 ? collections[name]?.asks : undefined;
  return asks === undefined ? undefined : { asks };
}
