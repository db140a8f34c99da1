import type { AnswerKind } from "../../../agency/workspace/schema/questions.ts";
import { answerForms } from "../../../ground/values/answer-forms.ts";
import { parseColor } from "../../../ground/values/color.ts";

/** What is wrong with an answer, and what would have been right. */
export interface AnswerFault {
  message: string;
  expected: string;
}

type Rule = (value: string, asked: AnswerKind) => string | undefined;

const longest = (value: string, { longest: most = 4000 }: AnswerKind) =>
  [...value].length > most ? `at most ${most} characters; it has ${[...value].length}` : undefined;

/** For each kind of answer: what is expected where a value is not that. */
const rules: Readonly<Record<AnswerKind["kind"], Rule>> = {
  text: longest,
  address: (value) => (isAddress(value) ? undefined : "an address such as https://hillfarm.example/terms"),
  email: (value) => (/^[^\s@]+@[^\s@.]+(\.[^\s@.]+)+$/.test(value) ? undefined : "an e-mail address"),
  color: (value) => (parseColor(value).ok ? undefined : "a colour such as #1f5d4c"),
  choice: (value, { options = [] }) => (options.includes(value) ? undefined : `one of ${options.join(", ")}`),
  number: numberRule,
  identifier: () => undefined,
  file: () => undefined,
  picture: () => undefined,
};

function isAddress(value: string): boolean {
  return /^https?:\/\//.test(value) && URL.canParse(value);
}

function numberRule(value: string, { least, most }: AnswerKind): string | undefined {
  const number = Number(value);
  const within = (least === undefined || number >= least) && (most === undefined || number <= most);
  if (/^-?\d+$/.test(value) && within) return undefined;
  const range = [least === undefined ? "" : `from ${least}`, most === undefined ? "" : `up to ${most}`].filter(Boolean);
  return ["a whole number", ...range].join(" ");
}

/** What is wrong with an answer of a kind; undefined where nothing is. */
export function answerFault(what: string, value: string, asked: AnswerKind): AnswerFault | undefined {
  const { pattern, example } = asked;
  const form = asked.form ? answerForms[asked.form] : undefined;
  const such = example ?? form?.example;
  const shown = such ? `, such as ${such}` : "";
  if (value.trim() === "") return { message: `${what} is empty.`, expected: `something${shown}` };
  const broken = rules[asked.kind](value, asked);
  if (broken) return { message: `${what} is "${value}".`, expected: broken };
  const mistaken = form?.mistaken?.find((each) => each.pattern.test(value));
  if (mistaken)
    return { message: `${what} is "${value}": that is ${mistaken.says}.`, expected: `${form?.says}${shown}` };
  if (form && !form.pattern.test(value)) return { message: `${what} is "${value}".`, expected: `${form.says}${shown}` };
  if (pattern && !new RegExp(pattern, "u").test(value))
    return {
      message: `${what} is "${value}".`,
      expected: such ? `something like ${such}` : `what fits ${pattern}`,
    };
  return undefined;
}
