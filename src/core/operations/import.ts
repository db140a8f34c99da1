import { basename, dirname, resolve } from "node:path";
import { lookAt } from "../files/writing/door.ts";
import { writeTogether } from "../files/writing/together.ts";
import { unwrap } from "../problems/result.ts";
import { readMapping } from "../roster/columns.ts";
import { type ImportedClient, type ImportPlan, planImport } from "../roster/import.ts";
import { readSheet } from "../roster/sheet.ts";
import { jsonSchema } from "../workspace/json-schema.ts";
import type { Workspace } from "../workspace/workspace.ts";
import { operation } from "./operation.ts";
import { type At, inWorkspace } from "./workspace.ts";

interface Input extends At {
  file: string;
  /** Pairs such as "Trading name=app.name". */
  map: readonly string[];
  /** What a CSV file is written in, where that cannot be told. */
  encoding?: string | undefined;
  /** Take the good rows though others are refused. */
  partial: boolean;
  dryRun: boolean;
}

interface Imported {
  plan: ImportPlan;
  /** Clients that are new or that it changes. */
  changed: ImportedClient[];
  taken: boolean;
}

/** Takes a roster in; decided while the workspace is held. */
export const importRoster = operation(async (input: Input, ports): Promise<Imported> => {
  const mapping = unwrap(readMapping(input.map));
  const path = resolve(ports.folder, input.file);
  const { sheet, guessed, quotes } = await readSheet(dirname(path), basename(path), input.encoding);
  if (guessed) ports.on({ what: "encoding", guessed });
  for (const line of quotes) ports.on({ what: "quote", line });
  return inWorkspace(input, ports, !input.dryRun, async (workspace) => {
    const plan = planImport(workspace, sheet, basename(path), mapping);
    const changed = plan.clients.filter((client) => client.isNew || client.changes.length > 0);
    const taken = !input.dryRun && (plan.refused.length === 0 || input.partial);
    if (taken && changed.length > 0) writeTogether(workspace.root, briefs(workspace, changed));
    return { plan, changed, taken };
  });
});

/** The briefs to write, and the schema that new ones point at. */
function briefs({ root }: Workspace, changed: readonly ImportedClient[]): Map<string, string> {
  const written = new Map(changed.map(({ key, text }) => [`clients/${key}/brief.yaml`, text]));
  const schema = "schemas/brief.json";
  if (changed.some(({ isNew }) => isNew) && !lookAt(root, schema)) written.set(schema, jsonSchema("brief"));
  return written;
}
