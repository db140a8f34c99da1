import { parseYaml } from "../../agency/documents/document.ts";
import { validate } from "../../agency/documents/validate.ts";
import { briefSchema } from "../../agency/workspace/schema/brief.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import { rolePath } from "../../pictures/slots/art-roles.ts";
import { resolveAll } from "../derive/resolve.ts";
import type { ImportPlan, PlannedClient } from "./import.ts";
import type { FoundPicture } from "./pictures/find.ts";
import { atCell } from "./row.ts";
import { cellsTooLong } from "./too-long.ts";

/** A workspace as it will be when an import is done. */
function workspaceAfter(workspace: Workspace, planned: readonly PlannedClient[]): Workspace {
  const after = new Map(workspace.clients.map((client) => [client.key, client]));
  for (const { key, text } of planned) {
    const before = after.get(key);
    const folder = before?.folder ?? `${workspace.root}/clients/${key}`;
    const read = attempt(() => {
      const document = parseYaml({ file: `clients/${key}/brief.yaml`, text });
      return { data: validate(document, briefSchema), document };
    });
    const client: Client = {
      ...(before?.ledger ? { ledger: before.ledger } : {}),
      ...(read.ok ? { brief: read.value } : {}),
      key,
      folder,
      problems: read.ok ? [] : read.problems,
    };
    after.set(key, client);
  }
  return { ...workspace, clients: [...after.values()].sort((a, b) => (a.key < b.key ? -1 : 1)) };
}

/**
 * What would be told of the imported clients at the next command: groups that nobody knows, pictures that are not
 * there, versions in a wrong form, two clients with one identifier, texts that a store finds too long. Each with the
 * cell that says it. Warnings: they stop no row. @param coming pictures that are about to be copied in.
 */
export async function foresee(
  workspace: Workspace,
  { file, clients, lineOf }: ImportPlan,
  coming: readonly FoundPicture[],
): Promise<Problem[]> {
  const planned = new Map(clients.map((each) => [each.key, each]));
  const after = workspaceAfter(workspace, clients);
  const all = [...(await resolveAll(after))];
  const rowOf = ({ client }: { client: Client }) => planned.get(client.key)?.row ?? Number.POSITIVE_INFINITY;
  return all
    .sort((one, other) => rowOf(one) - rowOf(other))
    .flatMap((resolved) => {
      const row = planned.get(resolved.client.key);
      if (!row) return [];
      const isComing = ({ code, place }: Problem) =>
        code === "file-missing" &&
        coming.some(({ client, role }) => {
          const at = client === row.key ? resolved.client.brief?.document.placeOf(rolePath(role)) : undefined;
          return at !== undefined && at.line === place?.line && at.column === place.column;
        });
      const told = [
        ...resolved.problems
          .filter((each) => !isComing(each))
          .map((each) => ({ each, heading: headingOf(each, row, resolved.client) })),
        ...cellsTooLong(after, resolved.client, row.cells).map(({ heading, problem }) => ({ each: problem, heading })),
      ];
      return told.flatMap(({ each, heading }): Problem[] => {
        // Whoever answers some questions is not told of all the others.
        if (lineOf && heading === undefined) return [];
        const shown = atCell(each.code, file, lineOf?.(row.key, heading) ?? row.row, {
          message: each.message,
          heading,
        });
        const { expected, fix } = each;
        return [{ ...shown, severity: "warning", client: row.key, fix, ...(expected ? { expected } : {}) }];
      });
    });
}

/** The heading of the cell that a problem is about: the one whose value stands in the line that the problem names. */
function headingOf({ place }: Problem, { cells }: PlannedClient, { brief }: Client): string | undefined {
  if (!place || !brief || place.file !== brief.document.source.file) return undefined;
  return cells.find(({ column: { path }, value }) => {
    if (path.length === 0) return false;
    const at = brief.document.placeOf(path);
    // Those of a list stand below each other.
    if (Array.isArray(value)) return place.line >= at.line && place.line < at.line + value.length;
    return at.line === place.line && at.column === place.column;
  })?.heading;
}
