import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { problemOfFile } from "../../ground/problems/of-files.ts";
import { alike, isPicture, type Likeness, likenessOf, unlikeness } from "../../pictures/artwork/likeness.ts";
import { type Light, lightOf, resembles } from "../../pictures/artwork/resemblance.ts";
import { brandPlacesAmong } from "./brand-places.ts";
import type { Residue } from "./search/search.ts";

/**
 * Finds the template's own pictures in a variant: the same bytes, or the same picture re-encoded, resized or
 * recoloured.
 */
export interface PictureSearch {
  /** Whether a file has to be looked at: most are no pictures. */
  concerns(path: string, hash: string): boolean;
  inFile(file: LookedAt): Promise<Residue[]>;
}

interface LookedAt {
  path: string;
  bytes(): Uint8Array;
  hash: string;
  shown: string;
  /** Whether it is a client's picture, as it was drawn. */
  isDrawn: boolean;
}

/** Pictures that go with a system, a service or a framework, and brand nobody: by the last part of the path. */
const nobodys = /(^|\/)(node_modules|third_party|vendor)\//;

/**
 * Whether a resource is one that a manifest, or a script for a manifest's placeholder, names: an icon, whatever it is
 * called.
 */
function namedByManifests(template: Folder): (file: string) => boolean {
  const names = new Set(
    template
      .list()
      .filter((file) => /(^|\/)AndroidManifest\.xml$|\.gradle(\.kts)?$/.test(file))
      .flatMap((file) => [...(textIfAny(template.bytes(file)) ?? "").matchAll(/@((?:drawable|mipmap)\/\w+)/g)])
      .map(([, name = ""]) => name),
  );
  return (file) => {
    const [, type, name] = /(?:^|\/)(?:res|Resources)\/(drawable|mipmap)[^/]*\/(\w+)\.\w+$/.exec(file) ?? [];
    return names.has(`${type}/${name}`);
  };
}

/** What a picture looks like, by its steps of brightness and by its light as a whole. */
interface Look {
  likeness: Likeness | undefined;
  light: Light;
}

const lookOf = async (bytes: Uint8Array): Promise<Look> => ({
  likeness: await likenessOf(bytes),
  light: await lightOf(bytes),
});

const isSame = (a: Look, b: Look): boolean =>
  (a.likeness !== undefined && b.likeness !== undefined && unlikeness(a.likeness, b.likeness) <= alike) ||
  resembles(a.light, b.light);

/**
 * Whatever was not drawn from a client's art is compared by its looks too; what was, only byte by byte.
 */
export async function openPictureSearch(template: Folder): Promise<PictureSearch> {
  const named = namedByManifests(template);
  const pictures = template
    .list()
    .filter((file) => !nobodys.test(file) && (isPicture(file) || /\.(ico|icns)$/i.test(file)));
  const brand = new Set([...brandPlacesAmong(pictures), ...pictures.filter(named)]);
  const byHash = new Map([...brand].map((file) => [template.hash(file), file]));
  const looks: (Look & { file: string })[] = [];
  for (const file of byHash.values())
    if (isPicture(file)) looks.push({ file, ...(await lookOf(template.bytes(file))) });
  const seen = new Map<string, string | undefined>();
  const nearTo = async (bytes: Uint8Array): Promise<string | undefined> => {
    const look = await lookOf(bytes);
    return looks.find((each) => isSame(each, look))?.file;
  };
  let hashes: (readonly [hash: string, file: string])[] | undefined;
  /** A picture of the template with the same bytes, in another place. */
  const ownBytes = (hash: string, path: string): string | undefined => {
    hashes ??= template
      .list()
      .filter(isPicture)
      .map((file) => [template.hash(file), file] as const);
    return hashes.find(([own, file]) => own === hash && file !== path)?.[1];
  };
  return {
    concerns: (path, hash) => isPicture(path) || byHash.has(hash),
    async inFile({ path, bytes, hash, shown, isDrawn }) {
      const same = byHash.get(hash);
      const left = (of: string, how: string): Residue[] => [
        { file: path, text: of, problem: problemOfFile("residue-picture", { file: path, shown }, `${how}.`) },
      ];
      if (same) return left(same, `is the template's own${same === path ? "" : ` ${same}`}`);
      if (isDrawn || !isPicture(path)) return [];
      if (!seen.has(hash)) seen.set(hash, await nearTo(bytes()));
      const near = seen.get(hash);
      if (near === undefined) return [];
      const own = ownBytes(hash, path);
      return own ? left(own, `is the template's own ${own}`) : left(near, `looks like the template's own ${near}`);
    },
  };
}
