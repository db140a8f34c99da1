import type { Problem } from "../problems/problem.ts";
import type { Field } from "../values/fields.ts";
import { type Traced, withStep } from "../values/trail.ts";
import type { Workspace } from "../workspace/read.ts";
import { fitWindows } from "./identifier.ts";
import { fittedLabel } from "./label.ts";
import { fillPattern, patternProblem, readPattern } from "./pattern.ts";

/** How a suffix is put behind an identifier. */
const suffixed: Partial<Record<Field, (value: string, suffix: string) => string>> = {
  "identifiers.android": (value, suffix) => `${value}.${suffix}`,
  "identifiers.ios": (value, suffix) => `${value}.${suffix}`,
  "identifiers.windows": (value, suffix) => `${value}.${suffix}`,
  "identifiers.web": (value, suffix) => `${value}-${suffix}`,
};

const named = { "app.name": "name", "app.label": "label" } as const;

/** A value as it is at the workspace's stage; the same where there is none, or it says nothing of the field. */
export function staged(
  field: Field,
  value: Traced,
  { stage, agency }: Workspace,
  lookUp: (field: Field) => string | undefined,
  problems: Problem[],
): Traced {
  if (!stage) return value;
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
  const made = fillPattern(pattern, (name) => (name === field ? value.value : lookUp(name)));
  const note = `made by the pattern "${text}" of the stage ${stage.name}`;
  if (made === undefined) return value;
  const renamed = withStep(value, { by: "agency", note, value: made, place });
  return field === "app.label" ? fittedLabel(renamed) : renamed;
}
