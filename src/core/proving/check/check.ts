import { wantedStores } from "../../agency/workspace/wanted.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { templateFor } from "../../app/survey/narrow.ts";
import { openTemplate, type Template } from "../../app/survey/template.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { asFarAsRead, knownOf } from "../../clients/derive/partly-read.ts";
import { judgePictures } from "../../clients/derive/pictures.ts";
import { resolvePicked } from "../../clients/derive/resolve.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { isError, ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import { tellEnlarged } from "../../making/plan/enlarged.ts";
import { planVariant } from "../../making/plan/plan.ts";
import { likenessOf } from "../../pictures/artwork/likeness.ts";
import { tellLettering } from "./lettered.ts";
import { judgeLikeness, type TemplatePicture } from "./likeness.ts";
import { openPrivacyJudge } from "./privacy.ts";

/** What a check found: of each client, in the order in which they were picked, and of the template, for all of them. */
export interface Checked {
  clients: ClientView[];
  gaps: Problem[];
}

/** Looks at everything that can be known before a file is made: all of it at once, for all clients. Writes nothing. */
export const check = async (workspace: Workspace, keys: readonly string[]): Promise<Checked> =>
  checkResolved(workspace, await resolvePicked(workspace, keys));

/** The same of clients that are resolved already. */
export async function checkResolved(
  workspace: Workspace,
  { all, picked }: { all: readonly Resolved[]; picked: readonly ClientView[] },
): Promise<Checked> {
  const template = openTemplate(workspace);
  const judgePrivacy = openPrivacyJudge(template);
  const isPicked = (each: Resolved) => picked.includes(each);
  const likeness = judgeLikeness(all, isPicked, await templatePictures(template));
  const clients = picked.map((resolved) => ({
    ...resolved,
    problems: [
      ...resolved.problems,
      // Those that stop it are among its problems already.
      ...knownOf(resolved.client, judgePictures({ ...resolved, client: asFarAsRead(resolved.client) })).filter(
        (each) => !isError(each),
      ),
      ...(likeness.get(resolved.client.key) ?? []),
      ...judgePlan(resolved, template),
      ...judgePrivacy(resolved),
    ],
  }));
  return {
    clients,
    gaps: [
      ...template.secrets().map(({ problem }) => problem),
      ...template.parts.flatMap((part) => part.gaps),
      ...targets(template, workspace),
    ],
  };
}

/** What the template is made for, where that is less than a store takes that some client wants. */
function targets({ parts }: Template, workspace: Workspace): Problem[] {
  const wanted = new Set(workspace.clients.flatMap((client) => wantedStores(workspace, client)));
  return parts.flatMap(({ platform, target }) =>
    [...wanted].flatMap(({ title, takes, leastTarget }) => {
      if (!target || !leastTarget || target.level >= leastTarget.level || !takes.includes(platform)) return [];
      const message =
        `The app is made for level ${target.level}: since ${leastTarget.since}, ` +
        `${title} takes no upload for less than ${leastTarget.level}.`;
      return [problem("target-old", message, { severity: "warning", place: target.place })];
    }),
  );
}

/** The largest of the template's own icons and marks, in each part. */
async function templatePictures({ folder, parts }: Template): Promise<TemplatePicture[]> {
  const found: TemplatePicture[] = [];
  for (const { pictures } of parts) {
    for (const role of ["icon", "mark"] as const) {
      const [largest] = pictures
        .filter(({ slot, path }) => slot.from === role && /\.png$/.test(path) && folder.has(path))
        .sort((a, b) => b.slot.width - a.slot.width);
      const likeness = largest && (await likenessOf(folder.bytes(largest.path)));
      if (largest && likeness) found.push({ file: largest.path, role, likeness });
    }
  }
  return found;
}

/**
 * What only shows when the variant is planned: values that the template wants and nobody gives, pictures too small
 * for it.
 */
function judgePlan(resolved: Resolved, all: Template): Problem[] {
  const { client } = resolved;
  const own = templateFor(all, resolved);
  if (!own.ok) return [];
  const { variant, template } = own.value;
  const read = attempt(() => planVariant(variant, template, "tree"));
  if (!read.ok) return ofClient(client.key, read.problems);
  const plan = read.value;
  return [
    ...ofClient(client.key, plan.gaps),
    ...tellEnlarged(plan, resolved),
    ...tellUnsigned(resolved, template),
    ...tellDropped(client.key, variant, template),
    ...tellLettering(resolved, variant, template),
  ];
}

/** Languages of a client's that the template's build leaves out of the package, though their texts are there. */
function tellDropped(client: string, { values, names }: Variant, { parts }: Template): Problem[] {
  const all = [values.locale?.value ?? "en", ...Object.keys(names.further)];
  return parts.flatMap(({ platform, keeps }) => {
    const kept = new Set(keeps?.languages.map((tag) => tag.split("-")[0]));
    const dropped = keeps ? all.filter((tag) => !kept.has(tag.split("-")[0])) : [];
    if (!keeps || dropped.length === 0) return [];
    const message = `The build keeps ${keeps.languages.join(", ")}: texts in ${dropped.join(", ")} are in no package.`;
    const expected = [...keeps.languages, ...dropped].join(", ");
    return [
      problem("language-dropped", message, {
        ...{ client, platform, severity: "warning" },
        place: keeps.place,
        expected,
      }),
    ];
  });
}

/** A site that says whose app opens its addresses, and of a client's does not know what signs it. */
function tellUnsigned({ client, values }: Resolved, { parts }: Template): Problem[] {
  if (values["signing.fingerprints"]) return [];
  const fill = parts.flatMap(({ fills }) => fills).find(({ holds }) => holds === "signing.fingerprints");
  if (!fill) return [];
  const message = `${fill.site.file} keeps the template's fingerprints: what signs ${client.key}'s app is not known.`;
  return [
    problem("key-absent", message, {
      client: client.key,
      severity: "warning",
      platform: "android",
      fix: "Make or adopt its upload key, and give the store's: signing.appFingerprint in the brief.",
    }),
  ];
}
