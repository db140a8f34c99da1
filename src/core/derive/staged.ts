import type { Problem } from "../problems/problem.ts";
import { type Field, fieldNames } from "../values/fields.ts";
import { type Traced, withStep } from "../values/trail.ts";
import type { Workspace } from "../workspace/read.ts";
import type { Stage } from "../workspace/stage.ts";
import { fitWindows } from "./identifier.ts";
import { fittedLabel } from "./label.ts";
import { fillPattern, patternProblem, readPattern } from "./pattern.ts";
import type { LocalName, Values } from "./variant.ts";

/** How a suffix is put behind an identifier. */
const suffixed: Partial<Record<Field, (value: string, suffix: string) => string>> = {
  "identifiers.android": (value, suffix) => `${value}.${suffix}`,
  "identifiers.ios": (value, suffix) => `${value}.${suffix}`,
  "identifiers.desktop": (value, suffix) => `${value}.${suffix}`,
  "identifiers.windows": (value, suffix) => `${value}.${suffix}`,
  scheme: (value, suffix) => `${value}-${suffix}`,
  "identifiers.web": (value, suffix) => `${value}-${suffix}`,
};

const named = { "app.name": "name", "app.label": "label" } as const;

/** A client's values at the workspace's stage. They are changed last: what is worked out from a name is the same at every stage. */
export function stagedValues(values: Values, { stage, agency }: Workspace, problems: Problem[]): Values {
  if (!stage) return values;
  const at = { stage, agency, lookUp: (field: Field) => values[field]?.value };
  const changed: Values = {};
  for (const field of fieldNames) {
    const value = values[field];
    if (value) changed[field] = staged(field, value, at, problems);
  }
  return changed;
}

/** The names in a further language, likewise. What is wrong with a pattern is told of the first language. */
export function stagedNames(local: LocalName, values: Values, { stage, agency }: Workspace): LocalName {
  if (!stage) return local;
  const own: Values = { ...values, "app.name": local.name, "app.label": local.label };
  const at = { stage, agency, lookUp: (field: Field) => own[field]?.value };
  return {
    ...local,
    name: staged("app.name", local.name, at, []),
    label: staged("app.label", local.label, at, []),
  };
}

interface At extends Pick<Workspace, "agency"> {
  stage: Stage;
  /** Values as they are for the store. */
  lookUp(field: Field): string | undefined;
}

/** A value as it is at a stage; the same where that says nothing of the field. */
function staged(field: Field, value: Traced, { stage, agency, lookUp }: At, problems: Problem[]): Traced {
  const behind = suffixed[field];
  const { suffix } = stage.has;
  if (behind && suffix !== undefined) {
    const note = `"${suffix}" put behind it at the stage ${stage.name}`;
    const place = agency.document.placeOf(["stages", stage.name, "suffix"]);
    const longer = withStep(value, { by: "agency", note, value: behind(value.value, suffix), place });
    return field === "identifiers.windows" ? fitWindows(longer) : longer;
  }
  const key = named[field as keyof typeof named];
  const text = key && stage.has[key];
  if (text === undefined) return value;
  const place = agency.document.placeOf(["stages", stage.name, key]);
  const pattern = readPattern(text);
  if ("column" in pattern) {
    problems.push(patternProblem(pattern, place));
    return value;
  }
  const made = fillPattern(pattern, lookUp);
  if (made === undefined) return value;
  const note = `made by the pattern "${text}" of the stage ${stage.name}`;
  const renamed = withStep(value, { by: "agency", note, value: made, place });
  return field === "app.label" ? fittedLabel(renamed) : renamed;
}
