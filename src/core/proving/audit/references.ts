import { posix } from "node:path";
import { referencesIn } from "../../formats/references/of-file.ts";
import { type FileIndex, indexFiles, type Reference } from "../../formats/references/reference.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { problemOfFile } from "../../ground/problems/of-files.ts";
import type { Problem } from "../../ground/problems/problem.ts";

/** What the template's own files name, read once for all clients. */
export interface TemplateReferences {
  of(file: string): readonly Reference[];
  index: FileIndex;
}

export function templateReferences(folder: Folder, files: readonly string[]): TemplateReferences {
  const known = new Map<string, readonly Reference[]>();
  return {
    index: indexFiles(files),
    of(file) {
      const found = known.get(file) ?? (folder.has(file) ? referencesIn(folder, file) : []);
      known.set(file, found);
      return found;
    },
  };
}

/** A variant's files, and which of them are the template's, unchanged. */
interface VariantFiles {
  folder: Folder;
  files: readonly string[];
  shown: string;
  isKept(file: string): boolean;
}

/**
 * Reads a whole variant as the platforms' tools will: each file that another names must be there, in the size that
 * the name demands, without an alpha channel where the platform forbids one; an asset holds no file that its list
 * does not name; and no picture is left that something named in the template, and nothing does any more. Knows
 * nothing of plan or receipt.
 */
export function judgeReferences(template: TemplateReferences, variant: VariantFiles): Problem[] {
  const { folder, files, shown, isKept } = variant;
  const index = indexFiles(files);
  const sizes = pictureSizes(folder);
  const problems: Problem[] = [];
  const named = new Set<string>();
  for (const file of files) {
    const kept = isKept(file);
    const references = kept ? template.of(file) : referencesIn(folder, file);
    for (const reference of references) {
      const found = reference.finds(index);
      for (const path of found) named.add(path);
      // A name that leads nowhere in the template either is the template's own affair.
      if (found.length === 0 && (!kept || reference.finds(template.index).length > 0) && !isLoose(template, reference))
        problems.push(wrongAt(shown, file, `names ${reference.name}, which is not there.`));
      if (isLargest(reference, references))
        for (const path of found) problems.push(...judgeSize(shown, path, reference, sizes));
    }
  }
  return [
    ...unique(problems),
    ...tellUnnamed(folder, files, shown),
    ...tellForgotten(template, variant, named),
    ...transparent(folder, files, shown),
  ];
}

/** Of one picture for several sizes the largest counts: a system makes the others of it. */
const isLargest = ({ name, width }: Reference, all: readonly Reference[]): boolean =>
  width === undefined || !all.some((other) => other.name === name && (other.width ?? 0) > width);

const wrongAt = (folder: string, file: string, said: string, expected?: string): Problem =>
  problemOfFile("place-wrong", { file, shown: `${folder}/${file}` }, said, expected === undefined ? {} : { expected });

/** A changed file's name that the template's own form of it had, and that led nowhere there too. */
const isLoose = (template: TemplateReferences, { from, name }: Reference): boolean =>
  template.of(from).some((each) => each.name === name && each.finds(template.index).length === 0);

const unique = (problems: readonly Problem[]): Problem[] => [
  ...new Map(problems.map((each) => [JSON.stringify([each.cause, each.expected]), each])).values(),
];

/** Colour types of a PNG that have an alpha channel (W3C, Portable Network Graphics, IHDR). */
const withAlpha = new Set([4, 6]);

interface Size {
  width: number;
  height: number;
  alpha: boolean;
}

function pictureSizes(folder: Folder): (path: string) => Size | undefined {
  const known = new Map<string, Size | undefined>();
  return (path) => {
    if (!known.has(path)) known.set(path, sizeOf(folder, path));
    return known.get(path);
  };
}

function sizeOf(folder: Folder, path: string): Size | undefined {
  const bytes = Buffer.from(folder.bytes(path));
  if (bytes.length < 26 || bytes.toString("latin1", 1, 4) !== "PNG") return undefined;
  const alpha = withAlpha.has(bytes[25] ?? 0) || bytes.subarray(0, 4096).includes("tRNS");
  return { width: bytes.readUInt32BE(16), height: bytes.readUInt32BE(20), alpha };
}

/**
 * Base sizes of launcher pictures at mdpi, in pixels, and the factor of each density (Android documentation, "Support
 * different pixel densities").
 */
const densities: Readonly<Record<string, number>> = {
  ldpi: 0.75,
  mdpi: 1,
  hdpi: 1.5,
  xhdpi: 2,
  xxhdpi: 3,
  xxxhdpi: 4,
};

/** What names a launcher icon: the manifest, and the icon in layers. Other pictures may lie among mipmaps too. */
const namesLauncher = /(^|\/)AndroidManifest\.xml$|\/mipmap-[^/]*\/[^/]+\.xml$|-v26\//;

/** A launcher icon has 48 dp, or as a layer 108 (Android documentation, "Adaptive icons"). */
function launcherSize(path: string, { from }: Reference): number[] | undefined {
  if (!namesLauncher.test(from)) return undefined;
  const density = /\/mipmap-(?:[\w+]+-)*?(ldpi|mdpi|hdpi|xhdpi|xxhdpi|xxxhdpi)(?:-v\d+)?\//.exec(path)?.[1];
  const factor = density === undefined ? undefined : densities[density];
  if (factor === undefined) return undefined;
  const isLayer = /\/mipmap-[^/]*\/[^/]+\.xml$|-v26\//.test(from);
  return (isLayer ? [108] : [48, 108]).map((dp) => Math.floor(dp * factor + 0.5));
}

/** Base sizes of the pictures of a package at 100 per cent (Microsoft, "App icons and logos"). */
const tileForm = /(?:Square|Wide)(\d+)x(\d+)Logo\.(scale|targetsize)-(\d+)/;

function judgeSize(
  shown: string,
  path: string,
  reference: Reference,
  sizes: (path: string) => Size | undefined,
): Problem[] {
  if (!path.endsWith(".png")) return [];
  const size = sizes(path);
  if (!size) return [wrongAt(shown, path, "is no PNG.")];
  const found: Problem[] = [];
  const wrong = (expected: string) =>
    found.push(wrongAt(shown, path, `has ${size.width} × ${size.height} pixels.`, `${expected} pixels`));
  if (reference.width && reference.height && (reference.width !== size.width || reference.height !== size.height))
    wrong(`${reference.width} × ${reference.height}`);
  const launcher = launcherSize(path, reference);
  if (launcher && !launcher.includes(size.width)) wrong(launcher.map((side) => `${side} × ${side}`).join(" or "));
  const [, width, height, kind, by] = tileForm.exec(path) ?? [];
  if (kind === "targetsize" && size.width !== Number(by)) wrong(`${by} × ${by}`);
  if (kind === "scale") {
    const [w, h] = [width, height].map((side) => Math.floor((Number(side) * Number(by)) / 100 + 0.5));
    if (size.width !== w || size.height !== h) wrong(`${w} × ${h}`);
  }
  if (reference.opaque && size.alpha)
    found.push(
      wrongAt(shown, path, "has an alpha channel.", "App icons: opaque, square corners; the system cuts them"),
    );
  return found;
}

/** Files of an asset that its Contents.json does not name: a tool that compiles the catalog warns of each. */
function tellUnnamed(folder: Folder, files: readonly string[], shown: string): Problem[] {
  return files
    .filter((file) => /\.(appiconset|imageset)\/Contents\.json$/.test(file))
    .flatMap((file) => {
      const below = posix.dirname(file);
      const named = new Set(referencesIn(folder, file).map(({ name }) => name));
      return files
        .filter((each) => posix.dirname(each) === below && each !== file && !named.has(posix.basename(each)))
        .map((each) => wrongAt(shown, each, `is in an asset whose Contents.json does not name it.`));
    });
}

/** Pictures of the template that one of its files names, and that no file of the variant does. */
function tellForgotten(
  template: TemplateReferences,
  { files, shown, isKept }: VariantFiles,
  named: ReadonlySet<string>,
): Problem[] {
  const before = namedIn(template, files);
  return files
    .filter((file) => isPicture.test(file) && !named.has(file) && before.has(file) && isKept(file))
    .map((file) => wrongAt(shown, file, `is a picture that nothing refers to any more.`));
}

const isPicture = /\.(png|jpe?g|webp|svg|ico|icns|gif)$/i;

const namedBefore = new WeakMap<TemplateReferences, ReadonlySet<string>>();

function namedIn(template: TemplateReferences, files: readonly string[]): ReadonlySet<string> {
  const known = namedBefore.get(template);
  if (known) return known;
  const found = new Set(files.flatMap((file) => template.of(file).flatMap((each) => each.finds(template.index))));
  namedBefore.set(template, found);
  return found;
}

/** A ground of a package that shows a colour of the system's own. */
function transparent(folder: Folder, files: readonly string[], shown: string): Problem[] {
  return files
    .filter((file) => /\.appxmanifest$|(^|\/)AppxManifest\.xml$/i.test(file))
    .filter((file) => /\bBackgroundColor\s*=\s*"transparent"/i.test(folder.source(file).text))
    .map((file) => wrongAt(shown, file, `has a transparent ground: the system shows a colour of its own.`));
}
