import { capabilitiesFact } from "../wants.ts";
import { done, lacking, type Step, type SubmittingAt, toDo } from "./step.ts";

/** The record of an app: there is one, or it is created. */
export function recordStep({ store, has, wants, lacks }: SubmittingAt): Step {
  const name = "record";
  if (has) return done(name, `${store.title} calls it ${has.app}`);
  if (lacks.creation.length > 0) return lacking(name, "not to be created yet", lacks.creation);
  const told = [...store.creates, capabilitiesFact].filter((field) => wants.facts[field] !== undefined);
  const facts = Object.fromEntries(told.map((field) => [field, wants.facts[field]]));
  const { identifier, language } = wants;
  const body = { identifier, name: wants.name, language, facts };
  return toDo(name, "is to be created", [
    { kind: "create", step: name, says: `create the record of "${wants.name}" as ${identifier}`, body },
  ]);
}
