import { type Judged, problem } from "../../ground/problems/problem.ts";
import { type Platform, platformNames } from "../../ground/values/platform.ts";
import { allStores } from "../../stores/all.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { layersOf } from "./layers.ts";
import type { Client, Workspace } from "./workspace.ts";

/** Platforms that a client wants, of those that the agency makes apps for: its brief, a group or the defaults say. */
export function wantedPlatforms(workspace: Workspace, client: Client): Judged<readonly Platform[]> {
  const all = workspace.agency.data.platforms;
  const named = layersOf(workspace, client).findLast(({ data }) => data?.platforms);
  const asked = named?.data?.platforms;
  if (!named || !asked) return { value: all, problems: [] };
  const value = all.filter((each) => asked.includes(each));
  if (value.length > 0) return { value, problems: [] };
  const message = `The agency makes no app for ${asked.map((each) => platformNames[each]).join(", ")}.`;
  const place = named.document.placeOf([...named.path, "platforms"]);
  return { value, problems: [problem("platform-unused", message, { place, expected: `one of ${all.join(", ")}` })] };
}

/**
 * Stores that a client's app goes into: those that its brief, a group or the defaults name, or else the usual ones of
 * the platforms that it wants and the template has a part for.
 */
export function wantedStores(
  workspace: Workspace,
  client: Client,
  parts: ReadonlySet<Platform> | undefined = undefined,
): readonly StoreDefinition[] {
  const wanted = wantedPlatforms(workspace, client).value.filter((each) => !parts || parts.has(each));
  const named = layersOf(workspace, client).findLast(({ data }) => data?.store?.in)?.data?.store?.in;
  return allStores.filter(
    ({ key, takes, isUsual }) => (named ? named.includes(key) : isUsual) && takes.some((each) => wanted.includes(each)),
  );
}
