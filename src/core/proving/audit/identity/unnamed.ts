import { type Problem, problem } from "../../../ground/problems/problem.ts";
import type { Identity } from "./gather.ts";

/** That nothing says what a template is called, where that is so: what people read of it was then not looked for. */
export function unnamed({ terms }: Identity, severity: Problem["severity"]): Problem[] {
  if (terms.some(({ kind }) => kind === "name")) return [];
  const message = "No file of the template says what it is called, so its name is looked for nowhere.";
  return [problem("name-unknown", message, { severity, cause: { of: "name-unknown", file: "template.yaml" } })];
}
