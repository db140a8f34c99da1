import { largestPackage } from "../../ground/values/package.ts";
import { openDebian } from "./debian.ts";
import type { PackageFiles } from "./files.ts";
import { openTar } from "./tar.ts";
import { unpacked } from "./unpacked.ts";
import { openXar } from "./xar.ts";
import { openZip } from "./zip.ts";

/** An archive of any form that is known, opened. */
export interface Archive {
  form: "zip" | "tar" | "debian" | "xar";
  files: PackageFiles;
  /** The certificate that the archive itself names as its signer's, as DER. */
  certificate?: Uint8Array;
  /** Whether the archive is as it was signed; absent where that cannot be told. */
  holds?: boolean;
}

/** Opens an archive, whatever its form; undefined where it is none, or too large. Nothing of it is written. */
export async function openArchive(bytes: Uint8Array): Promise<Archive | undefined> {
  if (bytes.length > largestPackage) return undefined;
  const zip = openZip(bytes);
  if (zip) return { form: "zip", files: zip };
  const installer = openXar(bytes);
  if (installer) return { form: "xar", ...installer };
  const debian = await openDebian(bytes);
  if (debian) return { form: "debian", files: debian };
  const plain = await unpacked(bytes);
  const tar = plain && isTar(plain) ? openTar(plain) : undefined;
  return tar && { form: "tar", files: tar };
}

/** Whether bytes say that they are a tape archive (POSIX, ustar). */
const isTar = (bytes: Uint8Array): boolean => Buffer.from(bytes.subarray(257, 262)).toString("latin1") === "ustar";
