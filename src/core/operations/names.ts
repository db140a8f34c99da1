import { isClientKey } from "../agency/workspace/read.ts";
import { allSlots } from "../app/catalog/all.ts";
import { readWorkspace } from "../app/survey/workspace.ts";
import { attempt, orElse } from "../ground/problems/result.ts";
import { fieldNames } from "../ground/values/fields.ts";
import { operation } from "./running/operation.ts";
import { type At, workspaceRoot } from "./running/workspace.ts";

interface Names {
  clients: readonly string[];
  groups: readonly string[];
  stages: readonly string[];
  collections: readonly string[];
  fields: readonly string[];
  roles: readonly string[];
}

/** What can be named on a command line; of a workspace nothing where there is none, or it cannot be read. */
export const workspaceNames = operation(async (at: At, ports): Promise<Names> => {
  const read = attempt(() => readWorkspace(workspaceRoot(at, ports)));
  const { clients, agency, notes } = orElse(read, { clients: [], agency: undefined, notes: undefined });
  return {
    clients: clients.map(({ key }) => key).filter(isClientKey),
    groups: Object.keys(agency?.data.groups ?? {}),
    stages: Object.keys(agency?.data.stages ?? {}),
    collections: Object.keys(notes?.data.collections ?? {}),
    fields: fieldNames,
    roles: [...new Set(allSlots.map(({ role }) => role))],
  };
});
