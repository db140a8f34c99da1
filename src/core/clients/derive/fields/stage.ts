import type { Stage, Workspace } from "../../../agency/workspace/workspace.ts";
import { definitions } from "../../../app/platforms/all.ts";
import type { LocalName, Values } from "../../../app/variant/variant.ts";
import { type Judged, sound } from "../../../ground/problems/problem.ts";
import { type Field, fieldNames } from "../../../ground/values/fields.ts";
import { platformOf } from "../../../ground/values/platform.ts";
import { type Traced, withStep } from "../../../ground/values/trail.ts";
import { fittedLabel } from "./label.ts";
import { fillPattern, readPattern } from "./pattern.ts";

/** Puts a stage's suffix behind a value; undefined where a field has none. */
function putSuffix(field: Field, value: string, suffix: string): string | undefined {
  if (field === "scheme") return `${value}-${suffix}`;
  const platform = platformOf(field);
  return platform && definitions[platform].identifiers.suffixed(value, suffix);
}

const named = { "app.name": "name", "app.label": "label" } as const;

/**
 * A client's values at the workspace's stage. They are changed last: what is worked out from a name is the same at
 * every stage.
 */
export function stageValues(values: Values, { stage, agency }: Workspace): Judged<Values> {
  if (!stage) return sound(values);
  const at = { stage, agency, lookUp: (field: Field) => values[field]?.value };
  const staged = fieldNames.flatMap((field) => {
    const value = values[field];
    return value ? [{ field, ...stageValue(field, value, at) }] : [];
  });
  return {
    value: Object.fromEntries(staged.map(({ field, value }) => [field, value])),
    problems: staged.flatMap(({ problems }) => problems),
  };
}

/** The names in a further language, likewise. What is wrong with a pattern is told of the first language. */
export function stageNames(local: LocalName, values: Values, { stage, agency }: Workspace): LocalName {
  if (!stage) return local;
  const own: Values = { ...values, "app.name": local.name, "app.label": local.label };
  const at = { stage, agency, lookUp: (field: Field) => own[field]?.value };
  return {
    ...local,
    name: stageValue("app.name", local.name, at).value,
    label: stageValue("app.label", local.label, at).value,
  };
}

interface At extends Pick<Workspace, "agency"> {
  stage: Stage;
  /** Values as they are for the store. */
  lookUp(field: Field): string | undefined;
}

/** A value as it is at a stage; the same where that says nothing of the field. */
function stageValue(field: Field, value: Traced, { stage, agency, lookUp }: At): Judged<Traced> {
  const { suffix } = stage.has;
  const behind = suffix === undefined ? undefined : putSuffix(field, value.value, suffix);
  if (behind !== undefined) {
    const note = `"${suffix}" put behind it at the stage ${stage.name}`;
    const place = agency.document.placeOf(["stages", stage.name, "suffix"]);
    const longer = withStep(value, { by: "agency", note, value: behind, place });
    const platform = platformOf(field);
    return sound(platform ? definitions[platform].identifiers.fit(longer) : longer);
  }
  const key = named[field as keyof typeof named];
  const text = key && stage.has[key];
  if (text === undefined) return sound(value);
  const place = agency.document.placeOf(["stages", stage.name, key]);
  const pattern = readPattern(text, place);
  if (!pattern.ok) return { value, problems: pattern.problems };
  const made = fillPattern(pattern.value, lookUp);
  if (made === undefined) return sound(value);
  const note = `made by the pattern "${text}" of the stage ${stage.name}`;
  const renamed = withStep(value, { by: "agency", note, value: made, place });
  return sound(field === "app.label" ? fittedLabel(renamed) : renamed);
}
