import type { PackageFiles } from "../../formats/archives/files.ts";
import { layoutOf } from "../../formats/archives/layout.ts";
import { segmentAlignment } from "../../formats/programs/elf.ts";

/** From this target on systems want the table of resources plain and aligned (Android 11, behavior changes). */
const plainTable = 30;

/** From this target on libraries have to work with pages of 16 KiB (Android, "Support 16 KB page sizes"). */
const largePages = { target: 35, bytes: 16_384 } as const;

/** What lies plain begins at a multiple of so many bytes (Android, zipalign). */
const word = 4;

/** What of how a package is put together keeps systems, or the store, from taking it. */
export function faultsOf(kind: "apk" | "aab", bytes: Uint8Array, files: PackageFiles, target: number): string[] {
  const stored = kind === "apk" ? [...layoutOf(bytes)] : [];
  const table = stored.find(({ name }) => name === "resources.arsc");
  const isSkewed = stored.some(({ isPlain, at, name }) => isPlain && at % word !== 0 && !name.startsWith("META-INF/"));
  const small = target >= largePages.target ? libraries(files).filter(isOfSmallPages(files)) : [];
  return [
    ...(target >= plainTable && table && !table.isPlain
      ? ["has its resources.arsc packed: from Android 11 on nothing installs it"]
      : []),
    ...(isSkewed ? ["is not aligned: `zipalign` has to be run before it is signed"] : []),
    ...(small.length > 0
      ? [`has libraries for pages of 4 KiB, which the store refuses from target ${largePages.target} on: ${small[0]}`]
      : []),
  ];
}

/** Libraries for processors of 64 bits: only these are concerned. */
const libraries = ({ names }: PackageFiles): string[] =>
  names.filter((name) => /(^|\/)lib\/(arm64-v8a|x86_64)\/[^/]+\.so$/.test(name));

const isOfSmallPages = (files: PackageFiles) => (name: string) => {
  const bytes = files.read(name);
  const alignment = bytes && segmentAlignment(bytes);
  return alignment !== undefined && alignment < largePages.bytes;
};
