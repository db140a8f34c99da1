import picomatch from "picomatch";
import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import { variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Content } from "../../app/survey/content.ts";
import { templateFor } from "../../app/survey/narrow.ts";
import { openTemplate, type Template } from "../../app/survey/template.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { resolvePicked } from "../../clients/derive/resolve.ts";
import { type Folder, isFolder, openFolder } from "../../ground/files/reading/folder.ts";
import type { Compare } from "../../ground/files/reading/same.ts";
import { isError, ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { attemptAsync } from "../../ground/problems/result.ts";
import { drawnFor, readReceipt } from "../../making/jobs/receipt.ts";
import { variantFolder } from "../../making/make/generate.ts";
import { planVariant } from "../../making/plan/plan.ts";
import { type Adviser, openAdviser } from "./advice/advice.ts";
import { besideVariants } from "./beside.ts";
import { gatherIdentity, type Identity } from "./identity/gather.ts";
import { unnamed } from "./identity/unnamed.ts";
import { type FileSearches, lookInto, readFiles } from "./in-files.ts";
import { searchForOthers } from "./others.ts";
import { openPictureSearch } from "./pictures.ts";
import { judgeReferences, type TemplateReferences, templateReferences } from "./references.ts";
import { type CodeHit, type Residue, type SearchFound, searchFor } from "./search/search.ts";
import { forged, hollow, strays, unrunnable, whole } from "./whole.ts";

/** What an audit found out about one variant. */
export interface Finding {
  client: string;
  /** Files looked at. */
  files: number;
  problems: readonly Problem[];
  /** What would have been found, but is allowed in template.yaml, with the reason given there. */
  allowed: { problem: Problem; reason: string }[];
  /** Where the template's names stand and only code refers to them. */
  code: readonly CodeHit[];
  /** What people see of the template that the variant has too. */
  content: readonly ContentLeft[];
}

/** A file of the template that people see, in a variant. */
export interface ContentLeft extends Content {
  /** Why all apps have it in common, as template.yaml says; absent where nobody has decided. */
  reason?: string;
}

/** What an audit found out. */
export interface Audited {
  findings: Finding[];
  /** What is wrong beside the variants, and no client's. */
  beside: Problem[];
}

/**
 * Holds disk, receipt and plan of each variant against each other, and looks for what is left of the template: of an
 * identity that it gathers from the template's files by itself, whatever the survey followed. Writes nothing.
 */
export async function audit(
  workspace: Workspace,
  keys: readonly string[],
  openCompare?: (folders: number) => Compare | undefined,
): Promise<Audited> {
  const resolved = await resolvePicked(workspace, keys);
  const findings = await auditResolved(workspace, resolved, openCompare);
  return { findings, beside: await besideVariants(workspace, resolved.all, openTemplate(workspace)) };
}

/** The same of clients that are resolved already. */
export async function auditResolved(
  workspace: Workspace,
  { all, picked }: { all: readonly Resolved[]; picked: readonly Resolved[] },
  openCompare: (folders: number) => Compare | undefined = () => undefined,
): Promise<Finding[]> {
  const template = openTemplate(workspace);
  const identity = gatherIdentity(template.folder, template.files, workspace.notes.data.names);
  const searches: Searches = {
    identity,
    pictures: await openPictureSearch(template.folder),
    others: searchForOthers(all, (client) => drawnFor(workspace.root, variantPath(workspace, client))),
    references: templateReferences(template.folder, template.files),
    inTemplate: templateSearch(template, identity),
    adviser: openAdviser(template, identity),
    content: decided(template.content(), workspace.notes.data.shared),
  };
  const compare = openCompare(picked.length);
  const opened = (at: number) => picked[at] && openVariant(workspace, template, picked[at].client.key, compare);
  const findings: Finding[] = [];
  let next = opened(0);
  for (const [at, each] of picked.entries()) {
    const own = next;
    // Read in the other thread while this one is judged.
    next = opened(at + 1);
    findings.push(await auditOne(workspace, template, each, searches, own));
  }
  return findings;
}

/** A variant's folder, and which of its files were found to be the template's, where that is done elsewhere. */
interface Opened {
  folder: Folder;
  same: ReadonlySet<string> | Promise<ReadonlySet<string>>;
}

function openVariant(
  workspace: Workspace,
  { folder: own }: Template,
  key: string,
  compare: Compare | undefined,
): Opened | undefined {
  const root = variantFolder(workspace, key);
  if (!isFolder(root)) return undefined;
  const folder = openFolder(root, variantPath(workspace, key), { everything: true });
  if (!compare) return { folder, same: new Set() };
  const same = async () => {
    const files = folder.list().filter((file) => own.isPlain(file) && folder.isPlain(file));
    const found = await compare({ root, other: own.root, files });
    return new Set(files.filter((_, at) => found[at] === 1));
  };
  const pending = same();
  // Where the folder cannot be listed, whoever judges it says so.
  pending.catch(() => undefined);
  return { folder, same: pending };
}

/** What is prepared once for all clients. */
interface Searches extends FileSearches {
  identity: Identity;
  references: TemplateReferences;
  adviser: Adviser;
  content: readonly ContentLeft[];
}

/** Content of the template, each with why it may stay, where somebody said so. */
function decided(content: readonly Content[], shared: TemplateNotes["shared"]): ContentLeft[] {
  const rules = shared.map(({ file, reason }) => ({ matches: picomatch(file, { dot: true }), reason }));
  return content.map((each) => {
    const rule = rules.find(({ matches }) => matches(each.file));
    return rule ? { ...each, reason: rule.reason } : each;
  });
}

function templateSearch(template: Template, identity: Identity): FileSearches["inTemplate"] {
  const search = searchFor(identity, template.colors, { values: {}, names: { further: {} }, answers: {} });
  const known = new Map<string, SearchFound>();
  return (file) => {
    const found = known.get(file) ?? search.inFile(file, template.folder.bytes(file), file);
    known.set(file, found);
    return found;
  };
}

async function auditOne(
  workspace: Workspace,
  all: Template,
  resolved: Resolved,
  searches: Searches,
  opened: Opened | undefined,
): Promise<Finding> {
  const { client, problems } = resolved;
  const { key } = client;
  const named = (all: readonly Problem[]) => ofClient(key, all);
  const nothing = { client: key, files: 0, allowed: [], code: [], content: [] };
  const own = templateFor(all, resolved);
  if (!own.ok) return { ...nothing, problems: problems.filter(isError) };
  const { variant, template } = own.value;
  const at = variantPath(workspace, key);
  if (!opened) {
    const message = `${at} is not there: the variant has not been generated.`;
    return { ...nothing, problems: named([problem("out-of-date", message)]) };
  }
  const audited = await attemptAsync(async () => {
    const receipt = readReceipt(workspace.root, at, key);
    const plan = planVariant(variant, template, receipt.layout);
    const { folder } = opened;
    const files = readFiles(template, folder, await opened.same);
    const search = searchFor(searches.identity, template.colors, variant);
    const { residue, code } = await lookInto(files, searches, { client: key, at, receipt, search });
    const { left, allowed } = sortOut(workspace, residue, searches.adviser);
    const hashes = new Map(files.map(({ path, hash }) => [path, hash]));
    const kept = new Set(files.filter(({ isKept }) => isKept).map(({ path }) => path));
    const paths = files.map(({ path }) => path);
    const variantFiles = { folder, files: paths, shown: at, isKept: (file: string) => kept.has(file) };
    const found = [
      // What stops a platform: of that there is nothing to be found.
      ...problems.filter(isError),
      ...whole(plan, receipt, hashes, at),
      ...forged(plan, receipt, { hashes, template: template.folder, at }),
      ...unrunnable(plan, folder, at),
      ...strays(plan, receipt, paths, at),
      ...hollow(folder, at),
      ...(receipt.layout === "tree" ? judgeReferences(searches.references, variantFiles) : []),
      ...left,
      ...unnamed(searches.identity, "error"),
      // What is no client's business is told here too: a variant may have been made before it was known.
      ...template.secrets().flatMap((each) => (hashes.has(each.file) ? [each.problem] : [])),
    ];
    const content = searches.content.filter(({ file }) => hashes.has(file));
    return { client: key, files: files.length, problems: named(found), allowed, code, content };
  });
  return audited.ok ? audited.value : { ...nothing, problems: named(audited.problems) };
}

/**
 * Sorts out what template.yaml allows; an allowance without `text` covers all of a file. What is left tells what
 * settles it.
 */
function sortOut(
  { notes }: Workspace,
  residue: readonly Residue[],
  adviser: Adviser,
): { left: Problem[]; allowed: Finding["allowed"] } {
  const rules = notes.data.allow.map((rule) => ({ ...rule, matches: picomatch(rule.file, { dot: true }) }));
  const left: Problem[] = [];
  const allowed: Finding["allowed"] = [];
  for (const each of residue) {
    const { file, text, problem } = each;
    const rule = rules.find((rule) => rule.matches(file) && (rule.text === undefined || rule.text === text));
    if (rule) allowed.push({ problem, reason: rule.reason });
    else left.push({ ...problem, ...adviser(each) });
  }
  return { left, allowed };
}
