import { expectedAmong } from "../problems/nearest.ts";
import { type Problem, problem, Refusal } from "../problems/problem.ts";
import type { Traced } from "../values/trail.ts";
import { writtenAt } from "../values/trail.ts";
import type { Path } from "../workspace/document.ts";
import type { Client, Workspace } from "../workspace/read.ts";
import type { Question } from "../workspace/schema/questions.ts";
import { answerFault } from "./answer-rules.ts";
import { layered } from "./layers.ts";
import { suppliedFile } from "./supplied.ts";
import type { ClientFeature, Supplied, Values, Variant } from "./variant.ts";

/** One client, while its answers are looked at. */
export interface Asked {
  workspace: Workspace;
  client: Client;
  values: Values;
  features: readonly ClientFeature[];
  problems: Problem[];
}

/** The client's answers to the template's questions; what is missing, wrong or not asked for is told. */
export function clientAnswers(asked: Asked): Pick<Variant, "answers" | "supplied"> {
  const { workspace, client, problems } = asked;
  const { questions } = workspace.notes.data;
  const answers: Record<string, Traced> = {};
  const supplied: Supplied[] = [];
  for (const [name, question] of Object.entries(questions)) {
    if (!isFor(question, workspace)) continue;
    const value = layered(workspace, client, ["answers", name]);
    if (value) answers[name] = value;
  }
  for (const [name, question] of Object.entries(questions)) {
    const value = answers[name];
    if (!value) {
      if (isFor(question, workspace) && isRequired(question, asked, answers))
        problems.push(unanswered(name, question, client));
      continue;
    }
    const fault = answerFault(name, value.value, question);
    if (fault)
      problems.push(
        problem("answer-invalid", fault.message, { expected: fault.expected, place: writtenAt(value) }),
      );
    else if ((question.kind === "file" || question.kind === "picture") && question.to) {
      try {
        const at: Path = ["answers", name];
        supplied.push(
          suppliedFile(asked, value.value, { kind: question.kind, form: question.form, at, to: question.to }),
        );
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        problems.push(...error.problems);
      }
    }
  }
  problems.push(...unasked(workspace, client));
  return { answers, supplied };
}

const isFor = ({ platforms }: Question, { agency }: Workspace): boolean =>
  !platforms || platforms.some((each) => agency.data.platforms.includes(each));

/** Whether an answer must be there: always, or because of a feature or of another answer. */
function isRequired(
  { required }: Question,
  { features }: Asked,
  answers: Readonly<Record<string, Traced>>,
): boolean {
  if (typeof required === "string") return required === "always";
  if ("feature" in required)
    return features.some(({ name, on }) => name === required.feature && on.value === "on");
  const other = answers[required.answer]?.value;
  return other !== undefined && (required.is === undefined || required.is === other);
}

function unanswered(name: string, { asks, required, example, form }: Question, { brief }: Client): Problem {
  const because =
    typeof required === "string"
      ? ""
      : "feature" in required
        ? `, since ${required.feature} is on`
        : `, since ${required.answer} is answered`;
  const such = example ?? form;
  return problem("answer-missing", `"${asks}" is not answered${because}.`, {
    place: brief?.document.placeOf(["answers", name]),
    expected: `answers: { ${name}: … }${such ? `, such as ${such}` : ""}`,
  });
}

function unasked({ notes }: Workspace, { brief }: Client): Problem[] {
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
