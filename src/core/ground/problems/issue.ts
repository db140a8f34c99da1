import type { ZodError } from "zod";

/** The first thing that is wrong with data that was held against a schema: where, and what. */
export function firstIssue({ issues: [issue] }: ZodError): string {
  return `${issue?.path.join(".") ?? ""}: ${issue?.message ?? ""}`;
}
