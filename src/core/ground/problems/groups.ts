import type { Problem } from "./problem.ts";

/** Problems of one cause, which are told once. */
export interface ProblemGroup {
  problems: readonly [Problem, ...Problem[]];
  /** Keys of the clients that have it, each once; none where it concerns the whole workspace. */
  clients: readonly string[];
  /** Whether all of them say the very same. */
  isSame: boolean;
}

/**
 * Groups problems by what causes them: those of one kind that say the same; then those of one kind in several clients.
 * A problem of one client alone stands for itself. In the order in which each was first met, errors before warnings.
 */
export function groupProblems(problems: readonly Problem[]): ProblemGroup[] {
  const byMessage = collect(problems, ({ code, severity, message, expected, client }) =>
    client === undefined ? undefined : JSON.stringify([code, severity, message, expected]),
  );
  const same = byMessage.filter(({ clients }) => clients.length > 1);
  const told = new Set(same.flatMap((group) => group.problems));
  const byKind = collect(
    problems.filter((each) => !told.has(each)),
    ({ code, severity, client }) => (client === undefined ? undefined : JSON.stringify([code, severity])),
  );
  const rest = byKind.flatMap((group) =>
    group.clients.length > 1 ? [group] : group.problems.map((each): ProblemGroup => ({ ...group, problems: [each] })),
  );
  const first = new Map(problems.map((each, at) => [each, at]));
  const orderOf = ({ problems: [each] }: ProblemGroup) =>
    (first.get(each) ?? 0) + (each.severity === "error" ? 0 : problems.length);
  return [...same, ...rest].sort((a, b) => orderOf(a) - orderOf(b));
}

/** Those with one key together; what has none by itself. */
function collect(problems: readonly Problem[], keyOf: (each: Problem) => string | undefined): ProblemGroup[] {
  const groups = new Map<unknown, [Problem, ...Problem[]]>();
  for (const each of problems) {
    const key = keyOf(each) ?? each;
    const group = groups.get(key);
    if (group) group.push(each);
    else groups.set(key, [each]);
  }
  return [...groups.values()].map((all) => ({
    problems: all,
    clients: [...new Set(all.flatMap(({ client }) => client ?? []))],
    isSame: all.every(({ message }) => message === all[0].message),
  }));
}
