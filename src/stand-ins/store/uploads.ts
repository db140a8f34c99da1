import { sha256 } from "../../core/ground/values/hash.ts";
import { largestPackage } from "../../core/ground/values/package.ts";
import { type KeptUpload, type Wrong, wrong } from "./engine/kept.ts";
import type { Keeping } from "./keeping.ts";

type Uploaded = Pick<KeptUpload, "sum" | "received" | "isWhole">;

const told = ({ sum, received, isWhole }: KeptUpload): Uploaded => ({ sum, received, isWhole });

/** Begins to take a file, or says how much of it is there. */
export function beginUpload(
  keeping: Keeping,
  { sum, size, kind }: Pick<KeptUpload, "sum" | "size" | "kind">,
): Uploaded | Wrong {
  if (size > largestPackage) return wrong(422, `At most ${largestPackage} bytes.`);
  return keeping.within(() => {
    const known = keeping.uploads.get(sum);
    if (known?.size === size) return told(known);
    const begun: KeptUpload = { sum, size, kind, received: 0, isWhole: false };
    keeping.uploads.putSync(sum, begun);
    return told(begun);
  });
}

/** Takes a part of a file, from where the last one ended; when all are there, they have to have its sum. */
export function takePart(keeping: Keeping, sum: string, from: number, bytes: Uint8Array): Uploaded | Wrong {
  return keeping.within(() => {
    const known = keeping.uploads.get(sum);
    if (!known) return wrong(404, `No file was begun as ${sum}.`);
    if (known.isWhole) return told(known);
    // A part that was taken, and of which nobody heard, comes again.
    if (from < known.received) return told(known);
    if (from > known.received || from + bytes.length > known.size)
      return wrong(409, `The next part begins at ${known.received}, and the file has ${known.size} bytes.`);
    keeping.putPart(sum, from, bytes);
    const received = from + bytes.length;
    const grown: KeptUpload = { ...known, received, isWhole: received === known.size };
    if (grown.isWhole && sha256(keeping.bytesOf(sum)) !== sum) {
      keeping.dropParts(sum);
      keeping.uploads.removeSync(sum);
      return wrong(422, "What has come has another sum.");
    }
    keeping.uploads.putSync(sum, grown);
    return told(grown);
  });
}
