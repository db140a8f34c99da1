import { stores } from "../stores/all.ts";
import type { StoreDefinition } from "../stores/definition.ts";
import type { Platform } from "../values/platform.ts";
import { layersOf } from "../workspace/layers.ts";
import type { Client, Workspace } from "../workspace/workspace.ts";

/** Platforms that a client wants: of the agency's, those that its brief, a group or the defaults name; else all. */
function wantedPlatforms(workspace: Workspace, client: Client): readonly Platform[] {
  const { platforms } = workspace.agency.data;
  const named = layersOf(workspace, client)
    .flatMap(({ data }) => (data?.platforms ? [data.platforms] : []))
    .at(-1);
  return named ? platforms.filter((each) => named.includes(each)) : platforms;
}

/** Stores that take an app for what a client wants, of the platforms that the template has a part for. */
export function wantedStores(
  workspace: Workspace,
  client: Client,
  parts: ReadonlySet<Platform> | undefined = undefined,
): readonly StoreDefinition[] {
  const wanted = wantedPlatforms(workspace, client).filter((each) => !parts || parts.has(each));
  return stores.filter(({ takes }) => takes.some((each) => wanted.includes(each)));
}
