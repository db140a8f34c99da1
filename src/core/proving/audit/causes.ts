import type { Problem, Settlement } from "../../ground/problems/problem.ts";
import type { Finding } from "./audit.ts";

/** Findings of one cause, told once for all variants. */
export interface CauseFound {
  /** The first of them. */
  problem: Problem;
  clients: readonly string[];
  /** Places within the variants, each once, and what is said of each. */
  places: readonly { file: string; message: string; said: string; line?: number; column?: number; text?: string }[];
  /** What settles all of them, as entries of template.yaml. */
  settle: readonly Settlement[];
  /** What has to be asked before anybody can say what settles the others. */
  questions: readonly string[];
}

/**
 * Groups findings by their cause, the one of most variants and places first. A problem without a cause stands for
 * itself.
 */
export function causesOf(findings: readonly Finding[]): CauseFound[] {
  const groups = new Map<string, { problem: Problem; client: string }[]>();
  for (const { client, problems } of findings)
    for (const problem of problems) {
      const { cause } = problem;
      const key = cause
        ? JSON.stringify([cause.of, cause.text])
        : JSON.stringify([client, problem.code, problem.message]);
      groups.set(key, [...(groups.get(key) ?? []), { problem, client }]);
    }
  return [...groups.values()]
    .map(asCause)
    .sort((a, b) => b.clients.length - a.clients.length || b.places.length - a.places.length);
}

function asCause(all: readonly { problem: Problem; client: string }[]): CauseFound {
  const places = new Map<string, CauseFound["places"][number]>();
  const settle = new Map<string, Settlement>();
  for (const { problem } of all) {
    const { cause, place } = problem;
    const file = cause?.file ?? place?.file;
    if (file !== undefined) {
      const at = place ? { line: place.line, column: place.column, text: place.text } : {};
      const key = `${file}:${place?.line ?? ""}:${place?.column ?? ""}`;
      if (!places.has(key))
        places.set(key, { file, message: problem.message, said: cause?.said ?? problem.message, ...at });
    }
    if (problem.settle) settle.set(JSON.stringify(problem.settle), problem.settle);
  }
  return {
    problem: (all[0] as (typeof all)[number]).problem,
    clients: [...new Set(all.map(({ client }) => client))],
    places: [...places.values()],
    settle: [...settle.values()],
    questions: questionsOf(all.map(({ problem }) => problem)),
  };
}

/** Most files that a question names. */
const mostFiles = 4;

/** What is to be asked, once for all files of which it is; those are named where other places are settled otherwise. */
function questionsOf(problems: readonly Problem[]): string[] {
  const files = new Map<string, Set<string>>();
  for (const { cause, settle, fix } of problems)
    if (cause && !settle) files.set(fix, (files.get(fix) ?? new Set()).add(cause.file));
  const isOfAll = files.size === 1 && problems.every(({ settle }) => !settle);
  return [...files].map(([fix, all]) => {
    if (isOfAll) return fix;
    const named = [...all].slice(0, mostFiles).join(", ");
    const more = all.size - mostFiles;
    return `${fix} It is asked of ${named}${more > 0 ? ` and ${more} more` : ""}.`;
  });
}
