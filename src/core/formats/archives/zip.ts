import { unzipSync } from "fflate";
import { attempted } from "../../ground/values/attempted.ts";
import { leadsOutside, mostOf, type PackageFiles } from "./files.ts";

/** Opens a ZIP archive; undefined where it is none. */
export function openZip(bytes: Uint8Array): PackageFiles | undefined {
  const sizes = new Map<string, number>();
  const odd: string[] = [];
  const listed = attempted(() =>
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (sizes.has(name) || leadsOutside(name)) odd.push(name);
        if (sizes.size < mostOf.files) sizes.set(name, originalSize);
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
            const fits = originalSize <= Math.min(room, mostOf.bytes);
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
      if (size === undefined || size > mostOf.bytes) return undefined;
      return attempted(() => unzipSync(bytes, { filter: (each) => each.name === name }))?.[name];
    },
  };
}
