import { join } from "node:path";
import { enteredInto } from "../agency/history/entered.ts";
import { wantedStores } from "../agency/workspace/wanted.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { fieldOf } from "../app/variant/variant.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import type { ClientView } from "../clients/record/read.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { isError, type Problem } from "../ground/problems/problem.ts";
import { refuse, stop } from "../ground/problems/result.ts";
import type { StoreKey } from "../ground/values/store.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { standingIn } from "../proving/standing/standing.ts";
import { copySheetPage } from "../showing/copysheet/page.tsx";
import { stores } from "../stores/all.ts";
import type { StoreDefinition } from "../stores/definition.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { noted, type Ports } from "./running/ports.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At {
  /** A client's key, or a pattern of keys. */
  client: string;
  /** Every store that the client wants where absent. */
  store?: StoreKey | undefined;
  /** Where the page goes, or the folder of several; among the variants where absent. */
  output?: string | undefined;
  /** What stands in the store's form already, as the page says it: fields with the sums of their texts; or nothing. */
  entered?: string | undefined;
}

/** A page that was written. */
export interface WrittenSheet {
  client: string;
  store: StoreKey;
  file: string;
  bytes: number;
}

interface AllSheets {
  sheets: readonly WrittenSheet[];
  /** Why some clients have none. */
  problems: readonly Problem[];
}

/** Writes clients' records in the stores' own order, to be copied field by field. */
export const writeCopySheets = operation(
  (input: Input, ports): Promise<AllSheets> =>
    inWorkspace(input, ports, { writes: input.entered !== undefined }, (workspace) =>
      sheetsIn(workspace, input, ports),
    ),
);

async function sheetsIn(workspace: Workspace, input: Input, ports: Ports): Promise<AllSheets> {
  const { picked } = await resolvePicked(workspace, [input.client]);
  const wanted = picked.map((view) => ({
    view,
    stores: input.store ? [stores[input.store]] : wantedStores(workspace, view.client),
  }));
  const isOne = wanted.length === 1 && wanted[0]?.stores.length === 1;
  if (input.entered !== undefined) keepEntered(workspace, input.entered, { wanted, isOne }, ports);
  const problems = picked.flatMap(({ variant, told, problems }) => (variant && told ? [] : problems.filter(isError)));
  if (problems.length > 0 && wanted.length === 1) return stop(problems);
  const sheets = wanted.flatMap(({ view, stores: own }) =>
    own.flatMap((store) => writeSheet(workspace, view, store, { output: input.output, isOne }, ports)),
  );
  return { sheets, problems };
}

/** Keeps what somebody has filled into a store's form; it counts for as long as the text is the same. */
function keepEntered(
  { root }: Workspace,
  said: string,
  { wanted, isOne }: { wanted: readonly { view: ClientView; stores: readonly StoreDefinition[] }[]; isOne: boolean },
  ports: Ports,
): void {
  const [first] = wanted;
  const [store] = first?.stores ?? [];
  if (!isOne || !first || !store)
    refuse("entered-unclear", "It is not said which client's record in which store has been entered.", {
      expected: "one client and one store",
    });
  const pairs = said === "nothing" ? [] : said.split(",").map((each) => each.split(":"));
  const wrong = pairs.find(([field, sum = "", ...rest]) => !field || rest.length > 0 || !/^[0-9a-f]{12}$/.test(sum));
  if (wrong)
    refuse("entered-unclear", `"${wrong.join(":")}" is no field with the sum of its text.`, {
      expected: "the line that the page shows below its last field",
    });
  const { key } = first.view.client;
  const { [store.key]: _, ...others } = enteredInto.read(root, key) ?? {};
  const now = { on: ports.today(), ...noted(ports), fields: Object.fromEntries(pairs) as Record<string, string> };
  writeTogether(root, enteredInto.changes(root, key, pairs.length > 0 ? { ...others, [store.key]: now } : others));
}

function writeSheet(
  workspace: Workspace,
  { client, variant, told }: ClientView,
  store: StoreDefinition,
  { output, isOne }: { output: string | undefined; isOne: boolean },
  ports: Ports,
): WrittenSheet[] {
  if (!variant || !told) return [];
  const html = copySheetPage({
    agency: workspace.agency.data.agency.name,
    ...accentOf(workspace),
    name: fieldOf(variant, "app.name"),
    identifier: fieldOf(variant, `identifiers.${store.takes[0] ?? "web"}`),
    store,
    record: told.record,
    entered: enteredInto.read(workspace.root, client.key)?.[store.key],
    standing: standingIn(store, told.record, client.brief?.data.waived ?? [], ports.today()),
  });
  const name = `copy-${client.key}-${store.key}.html`;
  const named = output === undefined || isOne ? output : join(output, name);
  const file = writeOutput(workspace.root, ports, { named, usual: `variants/${name}` }, html);
  return [{ client: client.key, store: store.key, file, bytes: Buffer.byteLength(html) }];
}
