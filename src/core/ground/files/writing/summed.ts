import { sha256 } from "../../values/hash.ts";
import { readInside } from "../reading/folder.ts";
import { keepFile } from "./together.ts";

/** Length of a sum, in hexadecimal digits. */
const length = 64;

/** Keeps plain data by which time is saved, behind a sum of it. */
export function keepSummed(root: string, path: string, data: unknown): void {
  const body = JSON.stringify(data);
  keepFile(root, path, sha256(body) + body);
}

/** What was kept, exactly so; undefined where there is nothing, or it was changed since. */
export function readSummed(root: string, path: string): unknown {
  try {
    const text = Buffer.from(readInside(root, path, path)).toString();
    const body = text.slice(length);
    return text.slice(0, length) === sha256(body) ? JSON.parse(body) : undefined;
  } catch {
    return undefined;
  }
}
