import { fieldOf } from "../app/variant/variant.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { isError } from "../ground/problems/problem.ts";
import { stop } from "../ground/problems/result.ts";
import type { StoreKey } from "../ground/values/store.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { copySheetPage } from "../showing/copysheet/page.tsx";
import { stores } from "../stores/all.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  client: string;
  store: StoreKey;
  /** Where the page goes; among the variants where absent. */
  output?: string | undefined;
}

/** Writes a client's record in a store's own order, to be copied field by field. */
export const writeCopySheet = operation(async (input: Input, ports): Promise<{ file: string; bytes: number }> => {
  const workspace = await openWorkspace(input, ports);
  const { picked } = await resolvePicked(workspace, [input.client]);
  const [resolved] = picked;
  const store = stores[input.store];
  if (!resolved?.variant || !resolved.told) return stop((resolved?.problems ?? []).filter(isError));
  const { variant, told } = resolved;
  const html = copySheetPage({
    agency: workspace.agency.data.agency.name,
    ...accentOf(workspace),
    name: fieldOf(variant, "app.name"),
    identifier: fieldOf(variant, `identifiers.${store.takes[0] ?? "web"}`),
    store,
    record: told.record,
  });
  const place = { named: input.output, usual: `variants/copy-${input.client}-${input.store}.html` };
  const file = writeOutput(workspace.root, ports, place, html);
  return { file, bytes: Buffer.byteLength(html) };
});
