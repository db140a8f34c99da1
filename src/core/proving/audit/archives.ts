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
  const start = startOf(bytes);
  if (start === undefined) return [];
  let [entries, total] = [0, 0];
  try {
    const found = unzipSync(bytes.subarray(start), {
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

/** Where it starts: with the file, or behind a program that it was put to; its list ends the file (ZIP, APPNOTE). */
function startOf(bytes: Uint8Array): number | undefined {
  const all = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (all.subarray(0, 4).equals(firstFile)) return 0;
  const start = all.subarray(-longestEnd).includes(endOfList) ? all.indexOf(firstFile) : -1;
  return start === -1 ? undefined : start;
}

const firstFile = Buffer.from("PK\x03\x04", "latin1");
const endOfList = Buffer.from("PK\x05\x06", "latin1");
const longestEnd = 66_000;
