import { expectedAmong } from "../problems/nearest.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { needsKnown } from "../values/needs.ts";
import { type Traced, traced } from "../values/trail.ts";
import type { Path } from "../workspace/document.ts";
import type { Client, Workspace } from "../workspace/read.ts";
import { layered } from "./layers.ts";
import type { ClientFeature, Values } from "./variant.ts";

/** Which of the template's features a client has, and what people read when its app asks for something. */
export function clientFeatures(
  workspace: Workspace,
  client: Client,
  values: Values,
): { features: ClientFeature[]; problems: Problem[] } {
  const declared = workspace.notes.data.features;
  const problems = unknownFeatures(workspace, client);
  const features = Object.entries(declared).map(([name, { starts, ios }]): ClientFeature => {
    const on = switched(workspace, client, name) ?? startsAs(workspace, name, starts);
    const usage = usageTexts(workspace, client, name, values.locale?.value ?? "en");
    const keys = [...(needsKnown(name)?.ios?.usage ?? []), ...(ios?.usage ?? [])];
    const wanted = keys.length > 0 && workspace.agency.data.platforms.includes("ios");
    if (on.value === "on" && wanted && !usage[""]) problems.push(withoutUsage(client, name));
    return { name, on, usage };
  });
  return { features, problems };
}

const startsAs = ({ notes }: Workspace, name: string, starts: "on" | "off"): Traced =>
  traced({
    by: "rule",
    note: "as the template has it",
    value: starts,
    place: notes.document.placeOf(["features", name]),
  });

/** The switch where it is one; a feature whose text is given is on. */
function switched(workspace: Workspace, client: Client, name: string): Traced | undefined {
  const value = layered(workspace, client, ["features", name]);
  if (!value) return undefined;
  const trail = value.trail.map((step) => ({
    ...step,
    value: ["false", "off"].includes(step.value) ? "off" : "on",
  }));
  return traced(trail[0] as Traced["trail"][number], ...trail.slice(1));
}

/** Texts by language; the first language's under an empty key. */
function usageTexts(
  workspace: Workspace,
  client: Client,
  name: string,
  locale: string,
): ClientFeature["usage"] {
  const path: Path = ["features", name, "usage"];
  const texts: Record<string, string> = {};
  const layers = [
    workspace.agency.data.defaults,
    ...(client.brief?.data.groups ?? []).map((group) => workspace.agency.data.groups[group]),
    client.brief?.data,
  ];
  for (const layer of layers) {
    const given = layer?.features?.[path[1] as string];
    if (typeof given !== "object") continue;
    if (typeof given.usage === "string") texts[""] = given.usage;
    else for (const [tag, text] of Object.entries(given.usage)) texts[tag === locale ? "" : tag] = text;
  }
  return texts;
}

function withoutUsage({ brief, key }: Client, name: string): Problem {
  const place = brief?.document.placeOf(["features", name]);
  return problem("usage-missing", `Nothing says what people read when the app asks for ${name}.`, {
    place,
    client: key,
    expected: `features: { ${name}: { usage: … } }, in the app's own language`,
  });
}

/** Features that somebody switches and the template does not have. */
function unknownFeatures({ notes, agency }: Workspace, { brief }: Client): Problem[] {
  const known = Object.keys(notes.data.features);
  const written = [
    ...Object.keys(brief?.data.features ?? {}).map((name) => ({
      name,
      document: brief?.document,
      path: ["features", name],
    })),
    ...Object.keys(agency.data.defaults.features ?? {}).map((name) => ({
      name,
      document: agency.document,
      path: ["defaults", "features", name],
    })),
  ];
  return written.flatMap(({ name, document, path }) => {
    if (known.includes(name)) return [];
    const expected = expectedAmong(name, known, "features in template.yaml");
    return [
      problem("feature-unknown", `The template has no feature called "${name}".`, {
        expected,
        place: document?.placeOf(path, "key"),
      }),
    ];
  });
}
