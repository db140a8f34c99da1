import picomatch from "picomatch";
import { resolvePicked } from "../derive/resolve.ts";
import type { Resolved } from "../derive/variant.ts";
import { type Folder, isFolder, openFolder } from "../files/folder.ts";
import { type Change, difference } from "../plan/difference.ts";
import { variantFolder } from "../plan/generate.ts";
import { type Plan, planVariant } from "../plan/plan.ts";
import { drawnFor, type Receipt, readReceipt, receiptFile } from "../plan/receipt.ts";
import { isError, type Problem, problem, Refusal } from "../problems/problem.ts";
import { openTemplate, type Template } from "../template/read.ts";
import type { Workspace } from "../workspace/read.ts";
import { variantPath } from "../workspace/stage.ts";
import { type OthersSearch, searchForOthers } from "./others.ts";
import { openPictureSearch, type PictureSearch } from "./pictures.ts";
import { judgePlaces } from "./places.ts";
import { type Residue, searchFor } from "./residue.ts";

/** What an audit found out about one variant. */
export interface Finding {
  client: string;
  /** Files looked at. */
  files: number;
  problems: Problem[];
  /** What would have been found, but is allowed in template.yaml, with the reason given there. */
  allowed: { problem: Problem; reason: string }[];
}

/** Holds disk, receipt and plan of each variant against each other, and looks for what is left of the template. Writes nothing. */
export async function audit(workspace: Workspace, keys: readonly string[]): Promise<Finding[]> {
  const { all, picked } = await resolvePicked(workspace, keys);
  const template = openTemplate(workspace);
  const searches: Searches = {
    pictures: await openPictureSearch(template),
    others: searchForOthers(all, (client) => drawnFor(variantFolder(workspace, client))),
    isClean: cleanFiles(template),
  };
  const findings: Finding[] = [];
  for (const each of picked) findings.push(await auditOne(workspace, template, each, searches));
  return findings;
}

/** What is prepared once for all clients. */
interface Searches {
  pictures: PictureSearch;
  others: OthersSearch;
  /** Whether a file of the template's own names it nowhere, and so does for no client. */
  isClean(file: string): boolean;
}

function cleanFiles(template: Template): Searches["isClean"] {
  const search = searchFor(template, { values: {}, locales: [], answers: {} });
  const known = new Map<string, boolean>();
  return (file) => {
    const clean = known.get(file) ?? search.inFile(file, template.folder.bytes(file), file).length === 0;
    known.set(file, clean);
    return clean;
  };
}

async function auditOne(
  workspace: Workspace,
  template: Template,
  { client, variant, problems }: Resolved,
  { pictures, others, isClean }: Searches,
): Promise<Finding> {
  const { key } = client;
  const named = (all: readonly Problem[]) => all.map((each) => ({ ...each, client: key }));
  if (!variant || problems.some(isError)) {
    return { client: key, files: 0, problems: problems.filter(isError), allowed: [] };
  }
  const root = variantFolder(workspace, key);
  const at = variantPath(workspace, key);
  if (!isFolder(root)) {
    const message = `${at} is not there: the variant has not been generated.`;
    return { client: key, files: 0, problems: named([problem("out-of-date", message)]), allowed: [] };
  }
  try {
    const receipt = readReceipt(root, key);
    const plan = planVariant(variant, template, receipt.layout);
    const folder = openFolder(root, at, { everything: true });
    const files = folder.list().filter((file) => file !== receiptFile);
    const search = searchFor(template, variant);
    const residue: Residue[] = [];
    for (const file of files) {
      const bytes = folder.bytes(file);
      const shown = `${at}/${file}`;
      const hash = folder.hash(file);
      const isKept = isTemplates(template, file, hash);
      if (!isKept || !isClean(file)) residue.push(...search.inFile(file, bytes, shown));
      residue.push(...(await pictures.inFile(file, bytes, hash, shown)));
      if (isKept) continue;
      residue.push(...others.inFile(key, file, bytes, hash, shown));
      const made = receipt.files[file];
      if (made?.kind !== "draw" || made.sha256 !== hash)
        residue.push(...(await others.looks(key, file, bytes, shown)));
    }
    const { left, allowed } = sortOut(workspace, residue);
    const places = receipt.layout === "tree" ? judgePlaces(folder, at) : [];
    const found = [
      ...whole(plan, receipt, folder, at),
      ...strays(plan, receipt, files, at),
      ...places,
      ...left,
    ];
    return { client: key, files: files.length, problems: named(found), allowed };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { client: key, files: 0, problems: named(error.problems), allowed: [] };
  }
}

const isTemplates = ({ folder }: Template, file: string, hash: string): boolean =>
  folder.has(file) && folder.hash(file) === hash;

function whole(plan: Plan, receipt: Receipt, folder: Folder, at: string): Problem[] {
  return difference(plan, receipt, folder.hashIfAny).map((change) =>
    asProblem(change, at, folder.has(change.path)),
  );
}

function asProblem({ what, path }: Change, at: string, there: boolean): Problem {
  const shown = `${at}/${path}`;
  switch (what) {
    case "create":
      return problem("out-of-date", `${shown} is planned and has not been made.`);
    case "press":
    case "change":
      return problem("out-of-date", `${shown} was made from other inputs than there are now.`);
    case "remove":
      return problem("out-of-date", `${shown} is no longer planned.`);
    case "abandon":
      return problem("output-stray", `${shown} is no longer planned, and was changed by hand.`);
    case "restore":
      return there
        ? problem("output-changed", `${shown} is not as it was made.`)
        : problem("output-missing", `${shown} is missing.`);
  }
}

function strays(plan: Plan, receipt: Receipt, files: readonly string[], at: string): Problem[] {
  const known = new Set([...plan.entries.map((entry) => entry.path), ...Object.keys(receipt.files)]);
  return files
    .filter((file) => !known.has(file))
    .map((file) => problem("output-stray", `${at}/${file} was not made by Oxalis.`));
}

/** Sorts out what template.yaml allows; an allowance without `text` covers all of a file. */
function sortOut(
  { notes }: Workspace,
  residue: readonly Residue[],
): { left: Problem[]; allowed: Finding["allowed"] } {
  const rules = notes.data.allow.map((rule) => ({ ...rule, matches: picomatch(rule.file, { dot: true }) }));
  const left: Problem[] = [];
  const allowed: Finding["allowed"] = [];
  for (const { file, text, problem } of residue) {
    const rule = rules.find((each) => each.matches(file) && (each.text === undefined || each.text === text));
    if (rule) allowed.push({ problem, reason: rule.reason });
    else left.push(problem);
  }
  return { left, allowed };
}
