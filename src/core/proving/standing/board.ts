import { buildsOf, lastBuilt } from "../../agency/history/builds.ts";
import { type Letter, lettersTo, sentOf, unsureSaid } from "../../agency/history/letters.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { withRecord } from "../../clients/derive/resolve.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import { keyFindings } from "../keys/findings.ts";
import { type ClientStanding, standings } from "./clients.ts";
import { readPassages } from "./passages.ts";

/** How far the picked clients are with their stores, and the letters that each got; held against all of them. */
export function boardOf(
  workspace: Workspace,
  { all, picked }: { all: readonly Resolved[]; picked: readonly ClientView[] },
  today: string,
): ClientStanding[] {
  const told = new Map(picked.map((each) => [each.client, each]));
  // Texts and accounts are held against those of all clients.
  const others = all.map((each) => told.get(each.client) ?? withRecord(workspace, each));
  const keys = keyFindings(workspace, { all, picked }, today);
  const standing = standings(workspace, others, picked, today);
  const passages = readPassages(workspace, today);
  return standing.map(({ problems: ofStores, ...rest }) => {
    const builds = attempt(() => lastBuilt(buildsOf.read(workspace.root, rest.client) ?? {}));
    const each = {
      ...rest,
      ...passages.of(rest.client),
      ...(builds.ok && builds.value.length > 0 ? { built: builds.value } : {}),
      problems: [
        ...ofStores,
        ...(keys.get(rest.client) ?? []),
        ...(builds.ok ? [] : ofClient(rest.client, builds.problems)),
      ],
    };
    const read = attempt(() => lettersTo.read(workspace.root, each.client) ?? []);
    if (!read.ok) {
      const damaged = ofClient(each.client, read.problems);
      return { ...each, problems: [...each.problems, ...damaged] };
    }
    const letters = sentOf(read.value);
    const [first] = letters;
    const unsure = read.value
      .filter(({ state }) => state === "unsure")
      .map((letter) => unsureProblem(each.client, letter));
    return { ...each, letters, problems: [...each.problems, ...unsure], ...(first ? { asked: first.on } : {}) };
  });
}

const unsureProblem = (client: string, letter: Letter): Problem =>
  problem("letter-unsure", unsureSaid(letter), { client, severity: "warning" });
