import type { Client, Workspace } from "../../../agency/workspace/workspace.ts";
import { readInside } from "../../../ground/files/reading/folder.ts";
import { attempt } from "../../../ground/problems/result.ts";
import { sha256 } from "../../../ground/values/hash.ts";
import type { ArtRole } from "../../../pictures/slots/art-roles.ts";
import type { ImportPlan } from "../import.ts";
import { type Logo, type Said, unsureByLogo } from "../known.ts";
import { atCell } from "../row.ts";
import type { FoundPictures } from "./find.ts";

/** Roles by whose pictures people are told apart. */
const logoRoles = ["icon", "mark", "mono", "wide"] as const satisfies readonly ArtRole[];
const isLogo = (role: ArtRole): boolean => (logoRoles as readonly ArtRole[]).includes(role);

/** The logos that lie in clients' folders, by their sums. */
function logosOf({ root }: Workspace, clients: readonly Client[]): Map<string, Logo[]> {
  const logos = new Map<string, Logo[]>();
  for (const client of clients)
    for (const role of logoRoles) {
      const file = client.brief?.data.art?.[role];
      const read =
        file === undefined ? undefined : attempt(() => readInside(root, `clients/${client.key}/${file}`, file));
      if (file === undefined || !read?.ok) continue;
      const sum = sha256(read.value);
      logos.set(sum, [...(logos.get(sum) ?? []), { client, file }]);
    }
  return logos;
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
  const found = new Map<string, string[]>();
  for (const each of pictures.filter(({ role }) => isLogo(role)))
    found.set(each.client, [...(found.get(each.client) ?? []), sha256(readInside(from, each.from, each.from))]);
  const unknown = plan.clients.filter(({ key, isNew }) => isNew && found.has(key));
  if (unknown.length === 0) return plan;
  const stated = new Set(plan.clients.map(({ key }) => key));
  const logos = logosOf(
    workspace,
    workspace.clients.filter(({ key }) => !stated.has(key)),
  );
  const faults = unknown.flatMap(({ key, cells, row }) => {
    const fault = unsureByLogo(cells, found.get(key) ?? [], logos, said);
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
