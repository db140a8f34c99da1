import type { Client, Workspace } from "../../../agency/workspace/workspace.ts";
import { readInside } from "../../../ground/files/reading/folder.ts";
import { attempt } from "../../../ground/problems/result.ts";
import { sha256 } from "../../../ground/values/hash.ts";
import type { ArtRole } from "../../../pictures/slots/art-roles.ts";
import type { ImportPlan } from "../import.ts";
import { type Said, unsureByLogo } from "../known.ts";
import { atCell } from "../row.ts";
import type { FoundPictures } from "./find.ts";

/** Roles by whose pictures people are told apart. */
const logoRoles = ["icon", "mark", "mono", "wide"] as const satisfies readonly ArtRole[];
const isLogo = (role: ArtRole): boolean => (logoRoles as readonly ArtRole[]).includes(role);

/** The logos of a client that lie in its folder: their files by their sums. */
function logosOf({ root }: Workspace, { key, brief }: Client): Map<string, string> {
  const art = brief?.data.art ?? {};
  return new Map(
    logoRoles.flatMap((role) => {
      const file = art[role];
      const read = file === undefined ? undefined : attempt(() => readInside(root, `clients/${key}/${file}`, file));
      return file !== undefined && read?.ok ? [[sha256(read.value), file] as const] : [];
    }),
  );
}

/**
 * Asks about rows of new clients whose logo is a client's whom the sheet has no row for: they are not taken in until
 * somebody has said whose they are. @param from the folder that the pictures were found in
 */
export function askByLogo(
  workspace: Workspace,
  plan: ImportPlan,
  { pictures }: FoundPictures,
  { said, from }: { said: Said; from: string },
): ImportPlan {
  const stated = new Set(plan.clients.map(({ key }) => key));
  const missing = workspace.clients.filter(({ key }) => !stated.has(key));
  const own = (key: string) => pictures.filter(({ client, role }) => client === key && isLogo(role));
  const faults = plan.clients.flatMap(({ key, isNew, cells, row }) => {
    const sums = isNew ? own(key).map((each) => sha256(readInside(from, each.from, each.from))) : [];
    if (sums.length === 0) return [];
    const given = { said, logosOf: (client: Client) => logosOf(workspace, client) };
    const fault = unsureByLogo(cells, new Set(sums), missing, given);
    return fault ? [{ key, problem: atCell("row-refused", plan.file, row, fault) }] : [];
  });
  const asked = new Set(faults.map(({ key }) => key));
  return {
    ...plan,
    clients: plan.clients.filter(({ key }) => !asked.has(key)),
    refused: [...plan.refused, ...faults.map(({ problem }) => problem)],
    rowsRefused: plan.rowsRefused + faults.length,
  };
}
