import type { Workspace } from "../agency/workspace/workspace.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { isKept } from "../clients/record/kit.ts";
import type { ClientView } from "../clients/record/read.ts";
import { isError, type Problem, problem, stoppedPlatforms, stopsClient } from "../ground/problems/problem.ts";
import type { Platform } from "../ground/values/platform.ts";
import type { StoreKey } from "../ground/values/store.ts";
import { allStores } from "../stores/all.ts";
import { auditResolved } from "./audit/audit.ts";
import type { ClientStanding } from "./standing/clients.ts";

/** What keeps a client from taking a number for some platforms. */
export interface Held {
  problem: Problem;
  platforms: readonly Platform[];
}

/** A problem that stands for all that was found; none where nothing was. */
function standsFor(found: readonly Problem[], tell: (said: string) => Problem): Problem[] {
  const [first, ...more] = found;
  return first ? [tell(`${first.message}${more.length > 0 ? ` And ${more.length} more.` : ""}`)] : [];
}

/** Clients whose variant is not there, or of which an audit finds something: of one platform, or of all. */
export async function findUnproven(
  workspace: Workspace,
  resolved: { all: readonly Resolved[]; picked: readonly ClientView[] },
): Promise<Held[]> {
  const findings = await auditResolved(workspace, resolved);
  return findings.flatMap(({ client, problems }) => {
    const all = resolved.picked.find((each) => each.client.key === client)?.variant?.platforms ?? [];
    return [undefined, ...new Set([...all, ...stoppedPlatforms(problems)])].flatMap((platform) =>
      standsFor(
        problems.filter((each) => each.platform === platform),
        (said) => problem("release-unproven", `${client}: an audit finds: ${said}`, { client }),
      ).map((problem) => ({ problem, platforms: platform ? [platform] : all })),
    );
  });
}

/** Clients whose identifier nobody can be sure of, and nobody has given: once it is released, it stays. */
export const findUnconfirmed = (picked: readonly ClientView[]): Held[] =>
  picked.flatMap(({ client, variant, problems }) =>
    standsFor(
      problems.filter(({ code }) => code === "identifier-unsure"),
      (said) => problem("release-unsure", `${client.key}: ${said}`, { client: client.key }),
    ).map((problem) => ({ problem, platforms: variant?.platforms ?? [] })),
  );

/** Clients who keep a record that a store would refuse: a build may go there, what is submitted waits. Warnings. */
export function findOpen(board: readonly ClientStanding[]): Held[] {
  return board
    .filter(({ record }) => record !== undefined && isKept(record))
    .flatMap(({ client, stores: wanted, problems }) => {
      const takenBy = (keys: readonly StoreKey[]) =>
        allStores.filter(({ key }) => keys.includes(key)).flatMap(({ takes }) => takes);
      const tell = (said: string) => problem("release-incomplete", `${client}${said}`, { client, severity: "warning" });
      return [
        ...standsFor(problems.filter(isError), (said) => tell(`: ${said}`)).map((problem) => ({
          problem,
          platforms: takenBy(wanted.map(({ store }) => store)),
        })),
        ...wanted.flatMap(({ store, title, problems: own }) =>
          // What stops a platform by itself, the audit tells.
          standsFor(own.filter(stopsClient), (said) => tell(`, ${title}: ${said}`)).map((problem) => ({
            problem,
            platforms: takenBy([store]),
          })),
        ),
      ];
    });
}
