import { unzipSync } from "fflate";
import { attempted } from "../../ground/values/attempted.ts";

/** A package's files, opened one at a time; nothing of them is written anywhere. */
export interface PackageFiles {
  /** Every file's name, as the package has it. */
  names: readonly string[];
  /** A file's content; undefined where there is none, or it is larger than anything that is looked into. */
  read(name: string): Uint8Array | undefined;
  /**
   * The content of all that are wanted, read in one go, up to so many bytes of all together; and how many of them are
   * left out for that.
   */
  readAll(wanted: (name: string) => boolean, mostInAll: number): { files: Record<string, Uint8Array>; left: number };
  /** Files that it has twice, that lead outside, or that claim more than they hold. */
  odd: readonly string[];
}

/** Most files that a package is looked into for, and most bytes of one of them. */
const most = { files: 100_000, bytes: 64 * 1024 * 1024 };

/** Opens a ZIP archive; undefined where it is none. */
export function openArchive(bytes: Uint8Array): PackageFiles | undefined {
  const sizes = new Map<string, number>();
  const odd: string[] = [];
  const listed = attempted(() =>
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (sizes.has(name) || /(^|\/)\.\.(\/|$)|^\/|\\|\0/.test(name)) odd.push(name);
        if (sizes.size < most.files) sizes.set(name, originalSize);
        return false;
      },
    }),
  );
  if (!listed || sizes.size === 0) return undefined;
  return {
    names: [...sizes.keys()],
    odd,
    readAll(wanted, mostInAll) {
      let [room, left] = [mostInAll, 0];
      const files = attempted(() =>
        unzipSync(bytes, {
          filter: ({ name, originalSize }) => {
            if (!wanted(name)) return false;
            const fits = originalSize <= Math.min(room, most.bytes);
            if (fits) room -= originalSize;
            else left++;
            return fits;
          },
        }),
      );
      return { files: files ?? {}, left };
    },
    read(name) {
      const size = sizes.get(name);
      if (size === undefined || size > most.bytes) return undefined;
      return attempted(() => unzipSync(bytes, { filter: (each) => each.name === name }))?.[name];
    },
  };
}
