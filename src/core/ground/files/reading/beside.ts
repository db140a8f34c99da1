import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { brotliDecompressSync } from "node:zlib";

/**
 * Reads a file that comes with the program and is packed (Brotli).
 * @param module the address of the module beside whose file it lies.
 */
export const unpackBeside = (module: string, file: string): Uint8Array =>
  brotliDecompressSync(readFileSync(fileURLToPath(new URL(file, module))));
