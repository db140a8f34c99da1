import { unzipSync } from "fflate";
import { attempted } from "../../ground/values/attempted.ts";

/** A package's files, opened one at a time; nothing of them is written anywhere. */
export interface PackageFiles {
  /** Every file's name, as the package has it. */
  names: readonly string[];
  /** A file's content; undefined where there is none, or it is larger than anything that is looked into. */
  read(name: string): Uint8Array | undefined;
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
    read(name) {
      const size = sizes.get(name);
      if (size === undefined || size > most.bytes) return undefined;
      return attempted(() => unzipSync(bytes, { filter: (each) => each.name === name }))?.[name];
    },
  };
}
