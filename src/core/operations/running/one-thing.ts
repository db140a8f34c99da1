import { pickClients } from "../../agency/workspace/read.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { Platform } from "../../ground/values/platform.ts";

interface Named {
  clients: readonly string[];
  platforms: readonly Platform[];
}

/** The only client and the only platform that are named. Stops: build-refused, client-unknown */
export function onlyThing(
  workspace: Workspace,
  { clients, platforms }: Named,
  said: { message: string; expected: string },
): { client: Client; platform: Platform } {
  const [platform, ...others] = platforms;
  const [client, ...more] = pickClients(workspace, clients);
  const isOne = clients.length > 0 && more.length === 0 && others.length === 0;
  if (!isOne || !client || platform === undefined)
    return refuse("build-refused", said.message, { expected: said.expected });
  return { client, platform };
}
