import { layersOf } from "../../agency/workspace/layers.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { expectedAmong } from "../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { type Step, type Traced, trace, withStep, writtenAt } from "../../ground/values/trail.ts";
import { type OfStores, questions } from "../../stores/all.ts";
import type { StoreQuestion } from "../../stores/question.ts";

/** A question as it is answered for a client. */
export interface Declared {
  declaration: OfStores<StoreQuestion>;
  answer: Traced | undefined;
  /** Why there is one right answer. */
  because?: string;
}

/** How each question is answered for a client: once in template.yaml, otherwise for groups and clients. */
export function declaredFor(
  workspace: Workspace,
  client: Client,
  features: readonly string[],
): { declared: Declared[]; problems: Problem[] } {
  const problems: Problem[] = unknownNames(workspace, client);
  const declared = questions.map((declaration): Declared => {
    const { name, of, locks, doubts } = declaration;
    const given = answerOf(workspace, client, name);
    if (given && !of.includes(given.value)) {
      const expected = of.join(", ");
      const message = `"${given.value}" does not answer ${name}: ${declaration.asks}`;
      problems.push(problem("declaration-invalid", message, { client: client.key, place: writtenAt(given), expected }));
      return { declaration, answer: undefined };
    }
    const doubted = doubts?.features.some((each) => features.includes(each)) && given;
    if (doubts && doubted && doubts.answers.includes(doubted.value)) {
      const message = `${name} says "${doubted.value}", and ${doubts.because}.`;
      problems.push(
        problem("declaration-doubtful", message, {
          ...{ client: client.key, place: writtenAt(doubted), severity: "warning" },
        }),
      );
    }
    const on = locks?.features.filter((each) => features.includes(each)) ?? [];
    if (!locks || on.length === 0) return { declaration, answer: given };
    const { answer, because } = locks;
    // "linked" and "shared" say more than "used": they are no contradiction.
    const denies = given && (of.includes("used") ? given.value === "no" : given.value !== answer);
    if (denies) {
      const message = `${name} says "${given.value}", but ${because}.`;
      const detail = { client: client.key, place: writtenAt(given), expected: answer };
      problems.push(problem("declaration-contradicted", message, detail));
    }
    const step: Step = { by: "rule", note: `one right answer: ${because}`, value: answer };
    const settled = given && !denies && of.includes("used") ? given : given ? withStep(given, step) : trace(step);
    return { declaration, answer: settled, because };
  });
  return { declared, problems };
}

/** The answers that a store asks for. */
export const declaredTo = (store: StoreKey, declared: readonly Declared[]): Declared[] =>
  declared.filter(({ declaration }) => declaration.stores.includes(store));

/** Whether any answer says that the app handles what belongs to a person. */
const isPersonal = (declared: readonly Declared[]): boolean =>
  declared.some(({ declaration, answer }) => declaration.isPersonal && answer !== undefined && answer.value !== "no");

/** Features with which an app has a policy of privacy, whatever of them leaves the device (App Review, 5.1.1; Play). */
const personalFeatures = ["camera", "contacts", "location", "microphone", "photos", "sign-in"];

/** Whether an app has to have one: by what it does, or by what it says that it collects. */
export const wantsPolicy = (features: readonly string[], declared: readonly Declared[]): boolean =>
  features.some((each) => personalFeatures.includes(each)) || isPersonal(declared);

/** YAML takes yes and no for themselves, and true and false for truth. */
const asWord = (value: string | boolean): string => (value === true ? "yes" : value === false ? "no" : value);

function answerOf(workspace: Workspace, client: Client, name: string): Traced | undefined {
  const { data, document } = workspace.notes;
  const first = data.declares[name];
  const steps: Step[] = [
    ...(first === undefined
      ? []
      : [
          {
            by: "agency" as const,
            note: "the template's answer",
            value: asWord(first),
            place: document.placeOf(["declares", name]),
          },
        ]),
    ...layersOf(workspace, client).flatMap(({ data: layer, document: at, path, step }): Step[] => {
      const value = layer?.store?.declares?.[name];
      return value === undefined
        ? []
        : [{ ...step, value: asWord(value), place: at.placeOf([...path, "store", "declares", name]) }];
    }),
  ];
  const [head, ...more] = steps;
  return head && trace(head, ...more);
}

function unknownNames(workspace: Workspace, client: Client): Problem[] {
  const names = questions.map(({ name }) => name);
  return layersOf(workspace, client).flatMap(({ data, document, path }) =>
    Object.keys(data?.store?.declares ?? {})
      .filter((name) => !names.includes(name))
      .map((name) =>
        problem("declaration-invalid", `No question is called "${name}".`, {
          client: client.key,
          place: document.placeOf([...path, "store", "declares", name], "key"),
          expected: expectedAmong(name, names, "a question that oxalis board --json lists"),
        }),
      ),
  );
}
