import { alike, isPicture, type Likeness, likenessOf, unlikeness } from "../artwork/likeness.ts";
import { problem } from "../problems/problem.ts";
import type { Template } from "../template/read.ts";
import type { Residue } from "./residue.ts";

/** Finds the template's own pictures in a variant: the same bytes, or the same picture re-encoded or resized. */
export interface PictureSearch {
  inFile(path: string, bytes: Uint8Array, hash: string, shown: string): Promise<Residue[]>;
}

/** Files that came from the template are compared by their looks too; what was drawn from a client's art only byte by byte. */
export async function openPictureSearch(template: Template): Promise<PictureSearch> {
  const brand = [...new Set(template.parts.flatMap((part) => part.brandFiles))].filter((file) =>
    template.folder.has(file),
  );
  const byHash = new Map(brand.map((file) => [template.folder.hash(file), file]));
  const likenesses: { file: string; likeness: Likeness }[] = [];
  for (const file of byHash.values()) {
    const likeness = isPicture(file) ? await likenessOf(template.folder.bytes(file)) : undefined;
    if (likeness) likenesses.push({ file, likeness });
  }
  const seen = new Map<string, string | undefined>();
  const nearTo = async (bytes: Uint8Array): Promise<string | undefined> => {
    const likeness = await likenessOf(bytes);
    return likeness && likenesses.find((each) => unlikeness(each.likeness, likeness) <= alike)?.file;
  };
  return {
    async inFile(path, bytes, hash, shown) {
      const same = byHash.get(hash);
      const left = (how: string) => [{ file: path, problem: problem("residue-picture", `${shown} ${how}.`) }];
      if (same) return left(`is the template's own ${same}`);
      if (!isPicture(path) || !template.folder.has(path) || template.folder.hash(path) !== hash) return [];
      if (!seen.has(hash)) seen.set(hash, await nearTo(bytes));
      const near = seen.get(hash);
      return near ? left(`looks like the template's own ${near}`) : [];
    },
  };
}
