import type { Client, Workspace } from "../../../agency/workspace/workspace.ts";
import type { ClientFeature, Values } from "../../../app/variant/variant.ts";
import type { Result } from "../../../ground/problems/result.ts";
import type { Platform } from "../../../ground/values/platform.ts";

/**
 * What files hold that a brief names for the app itself, by the names that it gives them; read before anything is
 * derived.
 */
export type ClientFiles = ReadonlyMap<string, Result<Uint8Array>>;

/** One client, while its answers are looked at. */
export interface Answering {
  workspace: Workspace;
  client: Client;
  values: Values;
  features: readonly ClientFeature[];
  /** Those that the client wants. */
  platforms: readonly Platform[];
  files: ClientFiles;
}
