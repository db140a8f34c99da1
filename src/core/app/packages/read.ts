import { openArchive } from "../../formats/archives/open.ts";
import { largestPackage } from "../../ground/values/package.ts";
import { readAndroidPackage } from "./android.ts";
import { readApplePackage } from "./apple.ts";
import { readWindowsBundle } from "./bundle.ts";
import type { OpenedPackage } from "./facts.ts";
import { readLinuxPackage } from "./linux.ts";
import { readProgram } from "./program.ts";
import { readWebArchive } from "./web.ts";
import { readWindowsPackage } from "./windows.ts";

/** Looks into a package of any platform; undefined where it is none that is known. Nothing of it is run or written. */
export async function readPackage(bytes: Uint8Array): Promise<OpenedPackage | undefined> {
  if (bytes.length > largestPackage) return undefined;
  try {
    const archive = await openArchive(bytes);
    if (!archive) return await readProgram(bytes);
    const { files } = archive;
    return (
      (await readAndroidPackage(bytes, files)) ??
      (await readApplePackage(archive)) ??
      (await readWindowsPackage(files)) ??
      (await readWindowsBundle(files)) ??
      readLinuxPackage(archive) ??
      readWebArchive(files)
    );
  } catch (error) {
    // Offsets that lead outside of it: what it claims to be it is not.
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}
