import { layerField, layersOf } from "../../../agency/workspace/layers.ts";
import type { Client, Workspace } from "../../../agency/workspace/workspace.ts";
import { definitions } from "../../../app/platforms/all.ts";
import type { Feature } from "../../../app/template/feature-places.ts";
import type { ClientFeature, Values } from "../../../app/variant/variant.ts";
import { expectedAmong } from "../../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import { type Traced, trace } from "../../../ground/values/trail.ts";

/** Which of the template's features a client has, and what people read when its app asks for something. */
export function clientFeatures(
  workspace: Workspace,
  client: Client,
  values: Values,
  platforms: readonly Platform[],
): { features: ClientFeature[]; problems: Problem[] } {
  const declared = Object.entries(workspace.notes.data.features);
  const features = declared.map(([name, { starts }]): ClientFeature => {
    const on = switchOf(workspace, client, name) ?? startsAs(workspace, name, starts);
    const usage = usageTexts(workspace, client, name, values.locale?.value ?? "en");
    return { name, isOn: on.value === "on", on, usage };
  });
  const untold = declared.flatMap(([name, needs], at) => {
    const { isOn, usage } = features[at] as ClientFeature;
    return isOn && !usage.first && asksPeople(platforms, { name, declared: needs }) ? [withoutUsage(client, name)] : [];
  });
  return { features, problems: [...unknownFeatures(workspace, client), ...untold] };
}

/** Whether a platform that is wanted shows people a text of the app's own when a feature asks for something. */
const asksPeople = (wanted: readonly Platform[], feature: Feature): boolean =>
  wanted.some((platform) => definitions[platform].usageKeys(feature).length > 0);

const startsAs = ({ notes }: Workspace, name: string, starts: "on" | "off"): Traced =>
  trace({
    by: "rule",
    note: "as the template has it",
    value: starts,
    place: notes.document.placeOf(["features", name]),
  });

/** The switch where it is one; a feature whose text is given is on. */
function switchOf(workspace: Workspace, client: Client, name: string): Traced | undefined {
  const value = layerField(workspace, client, ["features", name]);
  if (!value) return undefined;
  const trail = value.trail.map((step) => ({
    ...step,
    value: ["false", "off"].includes(step.value) ? "off" : "on",
  }));
  return trace(trail[0] as Traced["trail"][number], ...trail.slice(1));
}

/** Texts by language, each with where it is written; what is nearer to the client goes before. */
function usageTexts(workspace: Workspace, client: Client, name: string, locale: string): ClientFeature["usage"] {
  const texts: Record<string, Traced> = {};
  for (const { document, path, data, step } of layersOf(workspace, client)) {
    const given = data?.features?.[name];
    if (typeof given !== "object") continue;
    const { usage } = given;
    const at = [...path, "features", name, "usage"];
    const said = typeof usage === "string" ? [{ tag: locale, text: usage, at }] : textsByTag(usage, at);
    for (const { tag, text, at: place } of said)
      texts[tag] = trace({ ...step, value: text, place: document.placeOf(place) });
  }
  const { [locale]: first, ...further } = texts;
  return { first, further };
}

const textsByTag = (texts: Readonly<Record<string, string>>, at: readonly string[]) =>
  Object.entries(texts).map(([tag, text]) => ({ tag, text, at: [...at, tag] }));

function withoutUsage({ brief, key }: Client, name: string): Problem {
  const place = brief?.document.placeOf(["features", name]);
  return problem("usage-missing", `Nothing says what people read when the app asks for ${name}.`, {
    place,
    client: key,
    about: ["features", name, "usage"],
    facts: { feature: name },
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
