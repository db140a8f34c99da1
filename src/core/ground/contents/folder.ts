import { readInside } from "../files/reading/folder.ts";
import { lookAt, makeRoot, touch } from "../files/writing/door.ts";
import { replaceFile } from "../files/writing/together.ts";
import { trimFolder } from "../files/writing/trim.ts";
import { refuse } from "../problems/result.ts";
import { largestPackage } from "../values/package.ts";
import { type Contents, sound } from "./contents.ts";

/** Where a sum lies, in a folder of contents. */
export const pathOfSum = (sum: string): string => `${kept}/${sum.slice(0, 2)}/${sum.slice(2)}`;

const kept = "sums";

/** Contents in a folder, which several machines may share. @param root absolute */
export function folderContents(root: string): Contents {
  makeRoot(root);
  return {
    missing: async (sums) => sums.filter((sum) => !lookAt(root, pathOfSum(sum))),
    async get(sum) {
      const path = pathOfSum(sum);
      if (!lookAt(root, path)?.isFile()) refuse("contents-missing", `Nothing is kept as ${sum}.`);
      touch(root, path);
      return sound(sum, readInside(root, path, path, largestPackage));
    },
    async put(sum, bytes) {
      if (!lookAt(root, pathOfSum(sum))) replaceFile(root, pathOfSum(sum), sound(sum, bytes));
    },
  };
}

/** Throws away what was not used for longest, where there is more than there may be. @param most bytes */
export const trimContents = (root: string, most: number): void => trimFolder(root, kept, most);
