import { openArchive } from "../../formats/packages/archive.ts";
import { largestPackage } from "../../ground/values/package.ts";
import { readAndroidPackage } from "./android.ts";
import { readApplePackage } from "./apple.ts";
import type { PackageFacts } from "./facts.ts";
import { readWindowsPackage } from "./windows.ts";

/** Looks into a package of any platform; undefined where it is none that is known. Nothing of it is run or written. */
export async function readPackage(bytes: Uint8Array): Promise<PackageFacts | undefined> {
  const files = bytes.length > largestPackage ? undefined : openArchive(bytes);
  if (!files) return undefined;
  try {
    return (
      (await readAndroidPackage(bytes, files)) ?? (await readApplePackage(files)) ?? (await readWindowsPackage(files))
    );
  } catch (error) {
    // Offsets that lead outside of it: what it claims to be it is not.
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}
