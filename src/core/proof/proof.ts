import { extname } from "node:path";
import { resolvePicked } from "../derive/resolve.ts";
import { type Folder, isFolder, openFolder } from "../files/reading/folder.ts";
import { difference } from "../make/difference.ts";
import { variantFolder } from "../make/generate.ts";
import { readReceipt, receiptSum } from "../make/receipt.ts";
import { accentOf } from "../page/accent.ts";
import type { Sheet } from "../page/sheet.ts";
import { planVariant } from "../plan/plan.ts";
import { definitions } from "../platforms/all.ts";
import { isError, problem } from "../problems/problem.ts";
import { attempt, fail, type Result, unwrap } from "../problems/result.ts";
import { iconsByTarget } from "../survey/targets.ts";
import { openTemplate, type Template } from "../survey/template.ts";
import type { Field } from "../values/fields.ts";
import { platforms } from "../values/platform.ts";
import { furtherNames, type Resolved, type Variant } from "../variant/variant.ts";
import { variantPath } from "../workspace/stage.ts";
import type { Workspace } from "../workspace/workspace.ts";
import type { ProofModel } from "./model.ts";
import { proofPage } from "./page.tsx";

export interface Proof {
  html: string;
  shown: readonly string[];
  /** Clients that could not be shown: their variant is not there, or not what its inputs now say. */
  absent: ProofModel["absent"];
}

/** Makes the page from the variants as they lie on disk. Writes nothing. */
export async function makeProof(workspace: Workspace, keys: readonly string[]): Promise<Proof> {
  const { picked } = await resolvePicked(workspace, keys);
  const template = openTemplate(workspace);
  const sheets: Sheet[] = [];
  const absent: { client: string; reason: string }[] = [];
  for (const resolved of picked) {
    const sheet = sheetOf(workspace, template, resolved);
    if (sheet.ok) sheets.push(sheet.value);
    else
      absent.push({
        client: resolved.client.key,
        reason: sheet.problems[0]?.message ?? "It cannot be read.",
      });
  }
  const html = proofPage({
    agency: workspace.agency.data.agency.name,
    ...accentOf(workspace),
    sheets,
    absent,
  });
  return { html, shown: sheets.map((sheet) => sheet.key), absent };
}

/** A client's sheet, or why there is none. */
function sheetOf(workspace: Workspace, template: Template, { client, variant, problems }: Resolved): Result<Sheet> {
  if (!variant) return fail(...problems.filter(isError));
  const root = variantFolder(workspace, client.key);
  if (!isFolder(root)) return outOfDate("It has not been generated yet: run oxalis generate.");
  return attempt((): Sheet => {
    const folder = openFolder(root, variantPath(workspace, client.key));
    const receipt = readReceipt(workspace.root, variantPath(workspace, client.key), client.key);
    const plan = planVariant(variant, template, receipt.layout);
    if (difference(plan, receipt, folder.hashIfAny).length > 0)
      unwrap(outOfDate("It is out of date: run oxalis generate."));
    const icons = iconsByTarget(template)
      .filter(({ use }) => folder.has(use.path))
      .map((icon, at) => ({ ...icon, picture: `target-${at}` }));
    return {
      key: client.key,
      ...(workspace.stage ? { stage: workspace.stage.name } : {}),
      values: plainValues(variant),
      platforms: [...new Set(template.parts.map(({ platform }) => platform))],
      icons: icons.map(({ picture, belongs, folder }) => ({ picture, belongs, folder })),
      names: namesOf(variant),
      pictures: new Map([
        ...pictures(template, folder),
        ...icons.map(({ picture, use }) => [picture, dataUri(folder, use.path)] as const),
      ]),
      state: receiptSum(receipt).slice(0, 8),
      files: plan.entries.length,
    };
  });
}

const outOfDate = (message: string): Result<never> => fail(problem("out-of-date", message));

const plainValues = (variant: Variant): Sheet["values"] =>
  Object.fromEntries(Object.entries(variant.values).map(([field, traced]) => [field as Field, traced.value]));

const mediaTypes: Readonly<Record<string, string>> = {
  ".png": "image/png",
  ".svg": "image/svg+xml",
  ".ico": "image/x-icon",
};

function dataUri(folder: Folder, path: string): string {
  const type = mediaTypes[extname(path).toLowerCase()] ?? "image/png";
  return `data:${type};base64,${Buffer.from(folder.bytes(path)).toString("base64")}`;
}

/** What the app is called in each language, where it has several. */
function namesOf(variant: Variant): Sheet["names"] {
  const { names, values } = variant;
  const further = furtherNames(variant);
  if (further.length === 0 || !names.first) return [];
  const all = [{ locale: values.locale?.value ?? "", ...names.first }, ...further];
  return all.map(({ locale, direction, name, label }, at) => ({
    locale,
    direction,
    name: name.value,
    label: label.value,
    main: at === 0,
  }));
}

function pictures(template: Template, folder: Folder): Map<string, string> {
  const found = new Map<string, string>();
  const uses = template.parts.flatMap((part) => part.pictures);
  for (const { name, platform, role, qualifiers } of platforms.flatMap(
    (platform) => definitions[platform].scenes.pictures,
  )) {
    const use = qualifiers
      .map((qualifier) =>
        uses.find(({ slot }) => slot.platform === platform && slot.role === role && slot.qualifier === qualifier),
      )
      .find((each) => each !== undefined);
    if (!use || !folder.has(use.path)) continue;
    found.set(name, dataUri(folder, use.path));
  }
  return found;
}
