import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { expectedAmong } from "../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { type Step, type Traced, trace, withStep, writtenAt } from "../../ground/values/trail.ts";
import { type OfStores, questions } from "../../stores/all.ts";
import type { Collected } from "../../stores/data-kinds.ts";
import type { StoreQuestion } from "../../stores/question.ts";
import { type Answered, answersOf, wordsIn } from "./answers.ts";
import { againstData, collectedFrom } from "./collected.ts";

type Question = OfStores<StoreQuestion>;

/** A question as it is answered for a client. */
export interface Declared {
  declaration: Question;
  /** Words with commas between them where it may have several. */
  answer: Traced | undefined;
  /** Why there is one right answer. */
  because?: string;
}

/** How a client's app answers the stores. */
export interface AllDeclared {
  declared: readonly Declared[];
  /** The data that leaves the device; empty as well where nobody has said it. */
  collected: readonly Collected[];
  problems: readonly Problem[];
}

/** What an app has and asks for, which some questions hang on. */
export interface Having {
  /** Features that are on. */
  features: readonly string[];
  /** Permissions that the template's Android manifest asks for. */
  permissions: readonly string[];
}

/** How each question is answered for a client: once in template.yaml, otherwise for groups and clients. */
export function declaredFor(workspace: Workspace, client: Client, having: Having): AllDeclared {
  const answered = answersOf(workspace, client);
  const { answer, collected, problems } = collectedFrom(answered, client.key);
  const asked = questions.filter(
    ({ permission }) => !permission || having.permissions.some((each) => permission.test(each)),
  );
  const each = asked.map((declaration) =>
    declaration.name === "data"
      ? { declared: { declaration, answer: problems.length > 0 ? undefined : answer }, problems }
      : answerTo(declaration, answered, client.key, having),
  );
  const declared = each.map(({ declared }) => declared);
  const tracking = declared.find(({ declaration }) => declaration.name === "tracking")?.answer?.value;
  const against = answer === undefined ? [] : againstData(collected, having.features, tracking);
  return {
    declared,
    collected,
    problems: [
      ...unknownNames(answered, client.key),
      ...each.flatMap(({ problems: own }) => own),
      ...against.map(({ isSure, says }) =>
        problem(
          isSure ? "declaration-contradicted" : "declaration-doubtful",
          `data says "${answer?.value}", but ${says}.`,
          {
            ...{ client: client.key, place: answer && writtenAt(answer), severity: isSure ? "error" : "warning" },
          },
        ),
      ),
    ],
  };
}

interface One {
  declared: Declared;
  problems: readonly Problem[];
}

/** An answer of one word, or of several. */
function answerTo(declaration: Question, answered: readonly Answered[], client: string, having: Having): One {
  const { name, asks, of, isSeveral, permission } = declaration;
  const given = givenTo(declaration, answered);
  const tell = (code: "declaration-invalid" | "declaration-contradicted", message: string, expected: string): Problem =>
    problem(code, message, { client, place: given && writtenAt(given), expected });
  const words = given ? wordsIn(given.value) : [];
  const [none] = of;
  const isFit =
    words.length > 0 &&
    words.every((word) => of.includes(word)) &&
    (isSeveral ? words.length === 1 || !words.includes(none ?? "") : words.length === 1);
  if (given && !isFit) {
    const message = `"${given.value}" does not answer ${name}: ${asks}`;
    const expected = isSeveral ? `${none}, or one or more of ${of.slice(1).join(", ")}` : of.join(", ");
    return { declared: { declaration, answer: undefined }, problems: [tell("declaration-invalid", message, expected)] };
  }
  const unneeded =
    permission && given?.value === "not needed" && having.permissions.find((each) => permission.test(each));
  if (unneeded) {
    const message = `${name} says "not needed", but the template's manifest asks for ${unneeded}.`;
    const problems = [tell("declaration-contradicted", message, `declared, or a manifest without it`)];
    return { declared: { declaration, answer: given }, problems };
  }
  return held(declaration, given, client, having.features);
}

/** An answer, held against what the app has: what leaves one right answer, and what makes one unlikely. */
function held(declaration: Question, given: Traced | undefined, client: string, features: readonly string[]): One {
  const { name, locks, doubts } = declaration;
  const isOn = (names: readonly string[] = []) => names.some((each) => features.includes(each));
  const doubted = doubts && isOn(doubts.features) && given && doubts.answers.includes(given.value);
  const problems = doubted
    ? [
        problem("declaration-doubtful", `${name} says "${given.value}", and ${doubts.because}.`, {
          ...{ client, place: writtenAt(given), severity: "warning" },
        }),
      ]
    : [];
  if (!locks || !isOn(locks.features)) return { declared: { declaration, answer: given }, problems };
  const { answer, because } = locks;
  const denied =
    given && given.value !== answer
      ? [
          problem("declaration-contradicted", `${name} says "${given.value}", but ${because}.`, {
            ...{ client, place: writtenAt(given), expected: answer },
          }),
        ]
      : [];
  const step: Step = { by: "rule", note: `one right answer: ${because}`, value: answer };
  const settled = given ? withStep(given, step) : trace(step);
  return { declared: { declaration, answer: settled, because }, problems: [...problems, ...denied] };
}

/** The answers that a store asks for. */
export const declaredTo = (store: StoreKey, declared: readonly Declared[]): Declared[] =>
  declared.filter(({ declaration }) => declaration.stores.includes(store));

/** Whether any answer says that the app handles what belongs to a person. */
const isPersonal = (declared: readonly Declared[]): boolean =>
  declared.some(
    ({ declaration, answer }) =>
      declaration.isPersonal && answer !== undefined && !["no", "none"].includes(answer.value),
  );

/** Features with which an app has a policy of privacy, whatever of them leaves the device (App Review, 5.1.1; Play). */
const personalFeatures = ["camera", "contacts", "location", "microphone", "photos", "sign-in"];

/** Whether an app has to have one: by what it does, or by what it says that it collects. */
export const wantsPolicy = (features: readonly string[], declared: readonly Declared[]): boolean =>
  features.some((each) => personalFeatures.includes(each)) || isPersonal(declared);

/** What somebody has answered, step by step; words of a list in the order of its table. */
function givenTo({ name, of, isSeveral }: Question, answered: readonly Answered[]): Traced | undefined {
  const steps = answered.flatMap(({ declares, step, placeOf }): Step[] => {
    const said = declares[name];
    if (said === undefined || (typeof said === "object" && !Array.isArray(said))) return [];
    const words = wordsIn(said as string | boolean | readonly string[]);
    const sorted = isSeveral ? [...words].sort((a, b) => of.indexOf(a) - of.indexOf(b)) : words;
    return [{ ...step, value: sorted.join(", "), place: placeOf([name]) }];
  });
  const [head, ...more] = steps;
  return head && trace(head, ...more);
}

/** Questions that were asked in another way before. */
const isFormer = (name: string): boolean => name === "talk" || (name.startsWith("data-") && name !== "data-encrypted");

function unknownNames(answered: readonly Answered[], client: string): Problem[] {
  const names = questions.map(({ name }) => name);
  return answered.flatMap(({ declares, placeOf }) => {
    const unknown = Object.keys(declares).filter((name) => !names.includes(name));
    const [former, ...more] = unknown.filter(isFormer);
    const together = [former, ...more].join(", ");
    return [
      ...(former === undefined
        ? []
        : [
            problem(
              "declaration-invalid",
              `Stores ask otherwise now: ${together} ${more.length > 0 ? "are" : "is"} no longer a question.`,
              {
                ...{ client, place: placeOf([former], "key") },
                expected: "data, by kind; messaging and user-content; docs/declarations.md lists what is asked",
              },
            ),
          ]),
      ...unknown
        .filter((name) => !isFormer(name))
        .map((name) =>
          problem("declaration-invalid", `No question is called "${name}".`, {
            ...{ client, place: placeOf([name], "key") },
            expected: expectedAmong(name, names, "a question that oxalis board --json lists"),
          }),
        ),
    ];
  });
}
