import { layerField } from "../../../agency/workspace/layers.ts";
import type { Client, Workspace } from "../../../agency/workspace/workspace.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { type Traced, trace, withStep } from "../../../ground/values/trail.ts";
import { appleCategoryTypes } from "../../../stores/apple/categories.ts";
import { answersOf, wordsIn } from "../../record/answers.ts";

/** Whether the app uses encryption that needs papers, by what it answers to the stores. */
function encryption(workspace: Workspace, client: Client): Traced | undefined {
  const answered = answersOf(workspace, client).flatMap(({ declares: { encryption: said }, step, placeOf }) => {
    const [word] = typeof said === "string" ? wordsIn(said) : [];
    return word === undefined ? [] : [{ ...step, value: word, place: placeOf(["encryption"]) }];
  });
  const [head, ...more] = answered;
  const given = head && trace(head, ...more);
  const value = given && { none: "false", exempt: "false", own: "true" }[given.value];
  return given && value ? withStep(given, { by: "rule", note: `encryption: ${given.value}`, value }) : undefined;
}

/** The category that a Mac shows programs by. */
function category(workspace: Workspace, client: Client): Traced | undefined {
  const kind = layerField(workspace, client, ["store", "kind"]);
  const given = layerField(workspace, client, ["store", "category"]);
  const value =
    (given && (appleCategoryTypes as Readonly<Record<string, string>>)[given.value]) ??
    (kind?.value === "game" ? "games" : undefined);
  const said = given ?? kind;
  const whole = `public.app-category.${value}`;
  return said && value ? withStep(said, { by: "rule", note: "as the system calls it", value: whole }) : undefined;
}

/** Fields that follow from what stores are told. */
export const ofTold = {
  "apple.encryption": encryption,
  "apple.category": category,
} as const satisfies Partial<Record<Field, (workspace: Workspace, client: Client) => Traced | undefined>>;

export const isOfTold = (field: Field): field is keyof typeof ofTold => Object.hasOwn(ofTold, field);
