import { stores } from "../stores/all.ts";
import type { StoreDefinition } from "../stores/definition.ts";
import type { Platform } from "../values/platform.ts";
import { layersOf } from "../workspace/layers.ts";
import type { Client, Workspace } from "../workspace/workspace.ts";

/** Whether a client wants an app for a platform: its brief, a group or the defaults name those that it wants. */
export function isWanted(workspace: Workspace, client: Client, platform: Platform): boolean {
  const named = layersOf(workspace, client)
    .flatMap(({ data }) => (data?.platforms ? [data.platforms] : []))
    .at(-1);
  return named?.includes(platform) ?? true;
}

/** Stores that take an app for what a client wants, of the platforms that the template has a part for. */
export function wantedStores(
  workspace: Workspace,
  client: Client,
  parts: ReadonlySet<Platform> | undefined = undefined,
): readonly StoreDefinition[] {
  const wanted = workspace.agency.data.platforms.filter(
    (each) => isWanted(workspace, client, each) && (!parts || parts.has(each)),
  );
  return stores.filter(({ takes }) => takes.some((each) => wanted.includes(each)));
}
