import { expectedAmong } from "../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { type Step, type Traced, trace } from "../../ground/values/trail.ts";
import type { Document, Path } from "../documents/document.ts";
import type { Brief } from "./schema/brief.ts";
import type { Client, Workspace } from "./workspace.ts";

type Said = Pick<Step, "by" | "note">;

/** A file that says something of a client's fields, and where in it. */
interface Layer {
  document: Document;
  path: readonly string[];
  data: Partial<Brief> | undefined;
  step: Said;
}

/** Layers are asked for once for every field. */
const known = new WeakMap<Workspace, WeakMap<Client, readonly Layer[]>>();

/** The agency's defaults, the client's groups in their order, and the brief; each later one wins. */
export function layersOf(workspace: Workspace, client: Client): readonly Layer[] {
  const ofClients = known.get(workspace) ?? new WeakMap<Client, readonly Layer[]>();
  known.set(workspace, ofClients);
  const layers = ofClients.get(client) ?? layersFrom(workspace, client);
  ofClients.set(client, layers);
  return layers;
}

function layersFrom({ agency }: Workspace, { brief }: Client): Layer[] {
  const { document, data } = agency;
  const common = { by: "agency", note: "the agency's default for all" } as const;
  return [
    { document, path: ["defaults"], data: data.defaults, step: common },
    ...(brief?.data.groups ?? []).map((group) => ({
      document,
      path: ["groups", group],
      data: data.groups[group],
      step: { by: "group" as const, note: `the group ${group}` },
    })),
    ...(brief ? [{ ...brief, path: [], step: { by: "brief" as const, note: "given in the brief" } }] : []),
  ];
}

/** What is said of a field, layer by layer; undefined where none says anything. */
export function layerField(workspace: Workspace, client: Client, path: Path): Traced | undefined {
  const [first, ...more] = layersOf(workspace, client).flatMap(
    (layer) => readAt(layer.document, [...layer.path, ...path], layer.step)?.trail ?? [],
  );
  return first && trace(first, ...more);
}

/** A value as it stands in a document, a list as lines; undefined where it is not there. */
export function readAt(document: Document, path: Path, said: Said): Traced | undefined {
  const value = path.reduce<unknown>(
    (at, step) => (at as Record<string | number, unknown> | undefined)?.[step],
    document.data,
  );
  if (value === undefined || value === null) return undefined;
  const text = Array.isArray(value) ? value.join("\n") : String(value);
  return trace({ ...said, value: text.trim().normalize("NFC"), place: document.placeOf(path) });
}

/** Groups that a brief names and oxalis.yaml does not have. */
export function unknownGroups({ agency }: Workspace, { brief }: Client): Problem[] {
  const known = Object.keys(agency.data.groups);
  return (brief?.data.groups ?? []).flatMap((group, at) => {
    if (known.includes(group)) return [];
    const expected = expectedAmong(group, known, "groups in oxalis.yaml");
    return [
      problem("group-unknown", `No group is called "${group}".`, {
        expected,
        place: brief?.document.placeOf(["groups", at]),
      }),
    ];
  });
}
