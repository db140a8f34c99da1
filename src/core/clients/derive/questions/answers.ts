import type { Path } from "../../../agency/documents/document.ts";
import { layerField } from "../../../agency/workspace/layers.ts";
import { asksIn, type Question } from "../../../agency/workspace/schema/questions.ts";
import type { Client, Workspace } from "../../../agency/workspace/workspace.ts";
import type { Supplied, Variant } from "../../../app/variant/variant.ts";
import { expectedAmong } from "../../../ground/problems/nearest.ts";
import { type Judged, type Problem, problem } from "../../../ground/problems/problem.ts";
import { fail, mapResult, type Result, succeed } from "../../../ground/problems/result.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import type { Traced } from "../../../ground/values/trail.ts";
import { writtenAt } from "../../../ground/values/trail.ts";
import type { Answering } from "./answering.ts";
import { answerFault } from "./rules.ts";
import { suppliedFile } from "./supplied.ts";

/** The client's answers to the template's questions; what is missing, wrong or not asked for is told. */
export function clientAnswers(asked: Answering): Judged<Pick<Variant, "answers" | "supplied">> {
  const { workspace, client, platforms } = asked;
  const questions = Object.entries(workspace.notes.data.questions).map(([name, question]) => ({
    name,
    question,
    value: isFor(question, platforms) ? layerField(workspace, client, ["answers", name]) : undefined,
  }));
  const answers = Object.fromEntries(questions.flatMap(({ name, value }) => (value ? [[name, value]] : [])));
  const judged = questions.map(({ name, question, value }) => {
    if (value) return judgeAnswer(asked, name, question, value);
    const isLacking = isFor(question, platforms) && isRequired(question, asked, answers);
    return isLacking ? fail(tellUnanswered(name, question, client)) : succeed([]);
  });
  return {
    value: { answers, supplied: judged.flatMap((each) => (each.ok ? each.value : [])) },
    problems: [...judged.flatMap((each) => (each.ok ? [] : each.problems)), ...tellUnasked(workspace, client)],
  };
}

/** The file that an answer names, where it names one; or what is wrong with the answer. */
function judgeAnswer(asked: Answering, name: string, question: Question, value: Traced): Result<Supplied[]> {
  const fault = answerFault(name, value.value, question);
  const { kind, form, to } = question;
  if (fault) {
    const { message, expected } = fault;
    const about = ["answers", name];
    return fail(problem("answer-invalid", message, { expected, place: writtenAt(value), about }));
  }
  if ((kind !== "file" && kind !== "picture") || !to) return succeed([]);
  const at: Path = ["answers", name];
  return mapResult(suppliedFile(asked, value.value, { kind, form, at, to }), (file) => [file]);
}

const isFor = ({ platforms }: Question, wanted: readonly Platform[]): boolean =>
  !platforms || platforms.some((each) => wanted.includes(each));

/** Whether an answer must be there: always, or because of a feature or of another answer. */
function isRequired(
  { required }: Question,
  { features }: Answering,
  answers: Readonly<Record<string, Traced>>,
): boolean {
  if (typeof required === "string") return required === "always";
  if ("feature" in required) return features.some(({ name, isOn }) => name === required.feature && isOn);
  const other = answers[required.answer]?.value;
  return other !== undefined && (required.is === undefined || required.is === other);
}

function tellUnanswered(name: string, { asks, required, example, form }: Question, { brief }: Client): Problem {
  const because =
    typeof required === "string"
      ? ""
      : "feature" in required
        ? `, since ${required.feature} is on`
        : `, since ${required.answer} is answered`;
  const such = example ?? form;
  return problem("answer-missing", `"${asksIn(asks)}" is not answered${because}.`, {
    place: brief?.document.placeOf(["answers", name]),
    about: ["answers", name],
    expected: `answers: { ${name}: … }${such ? `, such as ${such}` : ""}`,
  });
}

function tellUnasked({ notes }: Workspace, { brief }: Client): Problem[] {
  const known = Object.keys(notes.data.questions);
  return Object.keys(brief?.data.answers ?? {}).flatMap((name) => {
    if (known.includes(name)) return [];
    const expected = expectedAmong(name, known, "questions in template.yaml");
    return [
      problem("answer-unknown", `No question is called "${name}".`, {
        expected,
        place: brief?.document.placeOf(["answers", name], "key"),
      }),
    ];
  });
}
