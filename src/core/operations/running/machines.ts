import { relative, resolve } from "node:path";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { openContents } from "../../ground/contents/open.ts";
import { leadsDown, through } from "../../ground/files/writing/door.ts";
import { refuse } from "../../ground/problems/result.ts";
import { openQueue } from "../../ground/queue/open.ts";
import { reveal, type Secret, variableForm } from "../../ground/values/secret.ts";
import { type HandingOut, openHandingOut } from "../../making/sharing/handing-out.ts";
import { programVersion } from "../../making/sharing/ticket.ts";
import type { Ports } from "./ports.ts";

/** What machines share, as somebody has written it: folders, addresses, names of variables. */
export interface Shared {
  queue: string;
  contents: string;
  token?: string | undefined;
}

/**
 * Where something is that machines share. Stops: variable-unset @param from the folder that relative paths start from
 */
export function placeOf(where: string, from: string, ports: Pick<Ports, "secret">): string {
  const said = where.startsWith("env:") ? reveal(ofVariable(where, ports)) : where;
  return said.includes("://") ? said : folderFrom(from, said);
}

/** A folder that somebody has named: below where it starts from, no link leads out of there. Stops: path-outside */
export function folderFrom(from: string, said: string): string {
  const path = relative(from, resolve(from, said)).replaceAll("\\", "/");
  if (leadsDown(path)) through(from, `${path}/file`);
  return resolve(from, said);
}

/** What a variable says that is named as env:NAME; what is not named so may be the secret itself, and is not told. */
export function ofVariable(named: string, { secret }: Pick<Ports, "secret">): Secret {
  if (!variableForm.test(named))
    refuse("variable-unset", "A token or an address with a password is named, not given.", {
      expected: "env: and the name of a variable",
    });
  const name = named.replace(/^env:/, "");
  return secret(name) ?? refuse("variable-unset", `${name} is not set.`, { fix: `Set ${name} in the environment.` });
}

/** Opens what a token is named for; undefined where none is. */
export const tokenOf = (named: string | undefined, ports: Pick<Ports, "secret">): Secret | undefined =>
  named === undefined ? undefined : ofVariable(named, ports);

/** A way to the machines that work for a workspace. Stops: queue-unreachable */
export async function handingOut({ root, agency }: Workspace, ports: Ports): Promise<HandingOut> {
  const { queue, contents, token } = agency.data.machines;
  return openHandingOut(
    await openQueue(placeOf(queue, root, ports)),
    openContents(placeOf(contents, root, ports), tokenOf(token, ports)),
    programVersion(ports.version),
  );
}
