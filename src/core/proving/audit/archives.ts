import { unzipSync } from "fflate";

/** Limits on what is looked into: an archive may be made to unpack without end. */
const mostEntries = 5_000;
const largestEntry = 16 * 1024 * 1024;
const mostBytes = 128 * 1024 * 1024;

/**
 * The files inside an archive (ZIP in any name, such as .jar and .aar), as far as the limits go; none where it is no
 * archive, or a broken one.
 */
export function readArchive(bytes: Uint8Array): { name: string; bytes: Uint8Array }[] {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b || bytes[2] !== 3 || bytes[3] !== 4) return [];
  let [entries, total] = [0, 0];
  try {
    const found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name.endsWith("/") || originalSize > largestEntry || entries >= mostEntries) return false;
        if (total + originalSize > mostBytes) return false;
        entries++;
        total += originalSize;
        return true;
      },
    });
    return Object.entries(found).map(([name, content]) => ({ name, bytes: content }));
  } catch {
    return [];
  }
}
