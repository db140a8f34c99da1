import type { Client } from "../../agency/workspace/workspace.ts";
import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { fieldNames, fields } from "../../ground/values/fields.ts";
import type { FieldFact } from "../../ground/values/known-of-field.ts";

/**
 * A client with what of its brief can be read, so that a fault in one line hides no other line's. Nothing is made of
 * one whose brief is not whole.
 */
export const asFarAsRead = (client: Client): Client =>
  client.brief || !client.rest ? client : { ...client, brief: client.rest, problems: [] };

/** Of what was found of a client, what is so whatever stands in the lines of its brief that cannot be read. */
export function knownOf({ brief, rest }: Client, found: readonly Problem[]): Problem[] {
  if (brief || !rest) return [...found];
  const isOpen = ({ code, about }: Problem) =>
    rest.without.some(
      (path) =>
        dependents[path[0] ?? ""]?.has(code) || about?.every((step, at) => at >= path.length || step === path[at]),
    );
  const isDerived = ({ code, about }: Problem) => code === "key-missing" && derived.has(about?.join(".") ?? "");
  return found.filter((each) => !isOpen(each) && !isDerived(each));
}

const identifierCodes: ReadonlySet<ProblemCode> = new Set([
  "identifier-invalid",
  "identifier-empty",
  "identifier-held",
  "identifier-unsure",
  "identifier-taken",
]);

/** What can only be judged where all that stands below a key of the brief is known. */
const dependents: Readonly<Record<string, ReadonlySet<ProblemCode>>> = {
  colors: new Set(["art-contrast", "art-unseen", "art-blank", "art-dark", "ground-chosen"]),
  app: identifierCodes,
  domain: identifierCodes,
  identifiers: identifierCodes,
};

/** What is worked out from other lines, and may only lack those. */
const derived: ReadonlySet<string> = new Set(
  fieldNames.flatMap((field) => {
    const { brief, pattern } = fields[field] as FieldFact;
    return pattern === undefined ? [] : [brief?.join(".") ?? field];
  }),
);
