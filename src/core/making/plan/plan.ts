import { localize } from "../../app/survey/localize.ts";
import type { Template } from "../../app/survey/template.ts";
import type { PictureUse } from "../../app/template/found.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { policyPage } from "../../clients/record/policy.ts";
import { applyEdits, type Edit } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { fingerprint } from "../../ground/values/hash.ts";
import type { Layout } from "../../ground/values/layout.ts";
import { placeAt } from "../../ground/values/source.ts";
import { allStores } from "../../stores/all.ts";
import { type Drawing, drawingOf } from "../render/drawing.ts";
import { rendererVersion } from "../render/version.ts";
import { buildFiles } from "./builds.ts";
import { editsByFile } from "./edits.ts";
import { mainSpoken, spokenBy, withoutFeatures } from "./features.ts";

/**
 * What a file of a variant is made from: known by its content, wherever it is carried out; and where it lies in the
 * workspace.
 */
export interface Input {
  of: "template" | "client";
  /** Relative to the template, or to the workspace. */
  path: string;
  sha256: string;
}

/** One file of a variant: how it comes about, and a fingerprint of everything that it comes from. */
export type Entry = { path: string; fingerprint: string } & (
  | { kind: "keep"; input: Input; executable: boolean }
  | { kind: "splice"; input: Input; edits: readonly Edit[]; executable: boolean }
  | { kind: "write"; text: string }
  /** A client's own file; a picture is written anew, so that nothing but the picture is in it, or no alpha either. */
  | { kind: "supply"; input: Input; picture: boolean; opaque?: true }
  | { kind: "draw"; drawings: readonly Drawing[]; container: "png" | NonNullable<PictureUse["container"]> }
);

/** Everything a variant's folder must hold. */
export interface Plan {
  client: string;
  layout: Layout;
  /** The template's commit, where it is a checkout. */
  revision?: string;
  /** Sorted by path. */
  entries: readonly Entry[];
  /** What this client asks for and the template has no place for. */
  gaps: readonly Problem[];
}

/** In an overlay: files of the template that the client's app does not have, one a line. */
const goneFile = "left-out.txt";

/** Decides what a client's variant consists of. Pure: nothing in it depends on the clock or the machine. */
export function planVariant(variant: Variant, template: Template, layout: Layout): Plan {
  const pictures = template.parts.flatMap((part) => part.pictures);
  const drawn = new Map(pictures.map((use) => [use.path, drawEntry(use, variant)]));
  const brand = new Set(template.parts.flatMap((part) => part.brandFiles));
  const localized = localize(template, spokenBy(variant, template), mainSpoken(variant, template));
  const edits = withoutFeatures(editsByFile(variant, template, localized), variant, template);
  const entries: Entry[] = [
    ...drawn.values(),
    ...localized.pictures.flatMap(({ use, path, locale }) => drawIn(locale, { ...use, path }, variant) ?? []),
    ...localized.writes.map(({ path, text }) => writeEntry(path, text)),
    ...template.parts.flatMap((part) =>
      part.added.map(({ path, text }) => writeEntry(path, applyEdits(text, edits.get(path) ?? []))),
    ),
    ...policyFiles(variant, template).map(({ path, text }) => writeEntry(path, text)),
    ...taken(variant.texts, template).map(({ path, text }) => writeEntry(path, text)),
    ...buildFiles(variant, template).map(({ path, text }) => writeEntry(path, text)),
    ...template.collections.map(({ name, index }) =>
      writeEntry(index, `${JSON.stringify(variant.content[name] ?? [], null, 2)}\n`),
    ),
    ...variant.supplied.map(({ to, from, picture, hash }) => ({
      kind: "supply" as const,
      path: to,
      input: { of: "client" as const, path: from, sha256: hash },
      picture,
      fingerprint: fingerprint({ hash, picture }),
    })),
    ...taken(variant.captures, template).map(({ to, from, hash }) => ({
      kind: "supply" as const,
      path: to,
      input: { of: "client" as const, path: from, sha256: hash },
      picture: true,
      opaque: true as const,
      fingerprint: fingerprint({ hash, opaque: true }),
    })),
    ...localized.copies.map((copy) =>
      fileEntry(copy.path, template, copyEdits(copy.edits, edits.get(copy.from)), copy.from),
    ),
  ];
  const own = new Set(entries.map(({ path }) => path));
  const isOver = layout === "overlay";
  for (const path of template.files) {
    // The template's own pictures are drawn anew, or left out.
    if (own.has(path) || brand.has(path)) continue;
    if (isOver && !edits.has(path)) continue;
    entries.push(fileEntry(path, template, edits.get(path)));
  }
  if (isOver) {
    const kept = new Set([...template.files.filter((path) => !brand.has(path)), ...own]);
    const gone = template.folder.list().filter((path) => !kept.has(path));
    if (gone.length > 0) entries.push(writeEntry(goneFile, gone.map((path) => `${path}\n`).join("")));
  }
  const wanted = entries.filter(({ path }) => !template.isLeft(path)).sort((a, b) => (a.path < b.path ? -1 : 1));
  const { revision } = template;
  return {
    client: variant.key,
    layout,
    ...(revision ? { revision } : {}),
    entries: wanted,
    gaps: [...localized.gaps, ...staying(variant, template)],
  };
}

/** A policy that is made for the client: as text for the record, and as pages of the web part. */
function policyFiles({ policies, values }: Variant, { parts, folder }: Template): { path: string; text: string }[] {
  const web = parts.find(({ platform }) => platform === "web")?.folder;
  return policies.flatMap((policy, at) => {
    const name = at === 0 ? "privacy.html" : `privacy.${policy.language}.html`;
    const page = web === "" ? name : `${web}/${name}`;
    return [
      { path: `store/policy/${policy.language}.md`, text: `${policy.markdown}\n` },
      ...(web === undefined || folder.has(page)
        ? []
        : [{ path: page, text: policyPage(policy, values["app.name"]?.value ?? "") }]),
    ];
  });
}

/** What is for the stores that take what the template has a part for. */
function taken<T extends { store: string }>(all: readonly T[], { parts }: Template): T[] {
  const wanted = allStores.filter(({ takes }) => takes.some((each) => parts.some(({ platform }) => platform === each)));
  return all.filter(({ store }) => wanted.some(({ key }) => key === store));
}

/** A team of the template's own that stays where the client gives none: it would sign the client's app. */
function staying(variant: Variant, { parts, folder }: Template): Problem[] {
  if (variant.values["signing.team"]) return [];
  const [fill] = parts.flatMap(({ fills }) =>
    fills.filter(({ holds, site }) => holds === "signing.team" && /^[A-Z0-9]{10}$/.test(site.value)),
  );
  if (!fill) return [];
  const { file, start, value } = fill.site;
  return [
    problem("template-gap", `iOS: the template's own team ${value} stays in the project: the brief gives none.`, {
      severity: "warning",
      place: placeAt(folder.source(file), start),
      expected: "signing: { team: … } in the brief",
    }),
  ];
}

/** A copy's own edits, and those of the file it is made from where they are not the same places. */
function copyEdits(own: readonly Edit[], others: readonly Edit[] = []): Edit[] {
  const places = new Set(own.filter((edit) => edit.end > edit.start).map((edit) => edit.start));
  return [...own, ...others.filter((edit) => !places.has(edit.start))];
}

const writeEntry = (path: string, text: string): Entry => ({
  kind: "write",
  path,
  text,
  fingerprint: fingerprint(text),
});

/** A picture with the name in one language; undefined where it is the same as in the first. */
function drawIn(locale: string, use: PictureUse, variant: Variant): Entry | undefined {
  const entry = drawEntry(use, variant, locale);
  return entry.fingerprint === drawEntry(use, variant).fingerprint ? undefined : entry;
}

function drawEntry(use: PictureUse, variant: Variant, locale?: string): Entry {
  const { path, slot } = use;
  const container = use.container ?? "png";
  const slots = "within" in use ? use.within : [slot];
  const drawings = slots.map((each) => drawingOf(each, variant, locale));
  return {
    kind: "draw",
    path,
    drawings,
    container,
    fingerprint: fingerprint({ drawings, container, rendererVersion }),
  };
}

/** Entries of files that go along as they are; the same for all clients of a template. */
const keptEntries = new WeakMap<Folder, Map<string, Entry>>();

function fileEntry(path: string, template: Template, edits: readonly Edit[] | undefined, from = path): Entry {
  if (edits || from !== path) return newFileEntry(path, template, edits, from);
  const known = keptEntries.get(template.folder) ?? new Map<string, Entry>();
  keptEntries.set(template.folder, known);
  const entry = known.get(path) ?? newFileEntry(path, template, edits, from);
  known.set(path, entry);
  return entry;
}

function newFileEntry(path: string, { folder }: Template, edits: readonly Edit[] | undefined, from: string): Entry {
  const executable = folder.executable(from);
  const hash = folder.hash(from);
  const source = { hash, executable };
  const input: Input = { of: "template", path: from, sha256: hash };
  if (!edits) return { kind: "keep", path, input, executable, fingerprint: fingerprint(source) };
  return { kind: "splice", path, input, edits, executable, fingerprint: fingerprint({ ...source, edits }) };
}
