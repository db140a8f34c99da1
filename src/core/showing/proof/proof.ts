import { extname } from "node:path";
import { installsOf } from "../../agency/workspace/schema/agency.ts";
import { variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { definitions } from "../../app/platforms/all.ts";
import { templateFor } from "../../app/survey/narrow.ts";
import { iconsByTarget } from "../../app/survey/targets.ts";
import { openTemplate, type Template } from "../../app/survey/template.ts";
import { furtherNames, type Resolved, type Variant } from "../../app/variant/variant.ts";
import { shownLabel } from "../../clients/derive/fields/label.ts";
import { resolvePicked } from "../../clients/derive/resolve.ts";
import { type Folder, isFolder, openFolder } from "../../ground/files/reading/folder.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import type { Field } from "../../ground/values/fields.ts";
import { type PageLanguage, pageLanguageOf } from "../../ground/values/page-language.ts";
import { platforms } from "../../ground/values/platform.ts";
import { difference } from "../../making/jobs/difference.ts";
import { readReceipt, receiptSum } from "../../making/jobs/receipt.ts";
import { variantFolder } from "../../making/make/generate.ts";
import { planVariant } from "../../making/plan/plan.ts";
import { accentOf } from "../../pages/parts/accent.ts";
import type { Sheet } from "../../pages/parts/sheet.ts";
import type { ProofModel, Why } from "./model.ts";
import { proofPage } from "./page.tsx";
import { type Picture, placePictures } from "./pictures.ts";
import { signingOf } from "./signing.ts";

export interface Proof {
  html: string;
  /** Pictures that lie beside the page, by their names; none where all of them stand in it. */
  beside: ReadonlyMap<string, Uint8Array>;
  shown: readonly string[];
  /** Clients that could not be shown: their variant is not there, or not what its inputs now say. */
  absent: ProofModel["absent"];
}

export interface ProofOf {
  keys: readonly string[];
  /** The page's language; the only client's, or the agency's, where absent. */
  language?: PageLanguage | undefined;
  today: string;
  /** Folder beside the page for pictures, where they are too many to stand in it; absent: all stand in it. */
  folder?: string | undefined;
}

/** Makes the page from the variants as they lie on disk. Writes nothing. */
export async function makeProof(workspace: Workspace, { keys, folder, ...of }: ProofOf): Promise<Proof> {
  const { all, picked } = await resolvePicked(workspace, keys);
  const signing = signingOf(workspace, { all, picked }, of.today);
  const template = openTemplate(workspace);
  const sheets: Seen[] = [];
  const absent: ProofModel["absent"][number][] = [];
  for (const resolved of picked) {
    const client = resolved.client.key;
    const sheet = sheetOf(workspace, template, resolved, signing.get(client) ?? {});
    if ("absent" in sheet) absent.push({ client, ...sheet.absent });
    else sheets.push(sheet);
  }
  const { agency } = workspace.agency.data;
  const own = picked.length === 1 ? picked[0]?.values.locale?.value : undefined;
  const language = of.language ?? pageLanguageOf(own, agency.language, workspace.agency.data.defaults.locale);
  const { compare } = new Intl.Collator(language, { numeric: true });
  sheets.sort((a, b) => compare(a.values["app.name"] ?? "", b.values["app.name"] ?? ""));
  const placed = placePictures(sheets, folder);
  const html = proofPage({ agency: agency.name, language, ...accentOf(workspace), sheets: placed.sheets, absent });
  return { html, beside: placed.beside, shown: sheets.map((sheet) => sheet.key), absent };
}

/** A client's sheet with its pictures as they lie in the variant. */
type Seen = Omit<Sheet, "pictures"> & { pictures: ReadonlyMap<string, Picture> };

/** A client's sheet, or why there is none. */
function sheetOf(
  workspace: Workspace,
  all: Template,
  resolved: Resolved,
  signing: Sheet["signing"],
): Seen | { absent: { why: Why; reason: string } } {
  const { client } = resolved;
  const own = templateFor(all, resolved);
  if (!own.ok) return faulty(own.problems);
  const { variant, template } = own.value;
  const root = variantFolder(workspace, client.key);
  if (!isFolder(root)) return missing("notMade", "It has not been generated yet.");
  const read = attempt((): Seen | undefined => {
    const folder = openFolder(root, variantPath(workspace, client.key));
    const receipt = readReceipt(workspace.root, variantPath(workspace, client.key), client.key);
    const plan = planVariant(variant, template, receipt.layout);
    if (difference(plan, receipt, folder.hashIfAny).length > 0) return undefined;
    const icons = iconsByTarget(template)
      .filter(({ use }) => folder.has(use.path))
      .map((icon, at) => ({ ...icon, picture: `target-${at}` }));
    const sum = receiptSum(receipt).slice(0, 8);
    return {
      key: client.key,
      ...(workspace.stage ? { stage: { name: workspace.stage.name, installs: installsOf(workspace.stage.has) } } : {}),
      ...said(variant),
      platforms: template.parts.map(({ platform }) => platform).filter((each) => variant.platforms.includes(each)),
      icons: icons.map(({ picture, belongs, folder }) => ({ picture, belongs, folder })),
      names: namesOf(variant),
      signing,
      pictures: new Map([
        ...pictures(template, folder),
        ...icons.map(({ picture, use }) => [picture, pictureAt(folder, use.path)] as const),
      ]),
      state: workspace.stage ? `${workspace.stage.name}-${sum}` : sum,
      files: plan.entries.length,
    };
  });
  if (!read.ok) return faulty(read.problems);
  return read.value ?? missing("outOfDate", "It is out of date.");
}

const missing = (why: Why, reason: string) => ({ absent: { why, reason } });

const faulty = ([first]: readonly Problem[]) => missing("faulty", first?.message ?? "It cannot be read.");

/** What the app is called, and what it could tell, in the client's own words. */
function said(variant: Variant): Pick<Sheet, "values" | "label" | "direction" | "locale" | "news"> {
  const values = plainValues(variant);
  const news = ownWords(variant);
  return {
    values,
    label: shownLabel(values["app.label"] ?? ""),
    direction: variant.names.first?.direction ?? "ltr",
    locale: values.locale ?? "en",
    ...(news === undefined ? {} : { news }),
  };
}

/** The first text of the client's content: what the app would tell of. */
function ownWords({ content }: Variant): string | undefined {
  const texts = Object.values(content).flatMap(([first = {}]) => Object.values(first));
  return texts.find((text): text is string => typeof text === "string" && /\p{L}{2}/u.test(text));
}

const plainValues = (variant: Variant): Sheet["values"] =>
  Object.fromEntries(Object.entries(variant.values).map(([field, traced]) => [field as Field, traced.value]));

const pictureAt = (folder: Folder, path: string): Picture => ({
  kind: extname(path).toLowerCase(),
  bytes: folder.bytes(path),
});

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
    label: shownLabel(label.value),
    main: at === 0,
  }));
}

function pictures(template: Template, folder: Folder): Map<string, Picture> {
  const found = new Map<string, Picture>();
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
    found.set(name, pictureAt(folder, use.path));
  }
  return found;
}
