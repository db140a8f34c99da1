import { rename, writeFile } from "node:fs";
import { promisify } from "node:util";

/** By callbacks: the file handles of Node's promises take longer than writing a small file. */
const write = promisify(writeFile);
const move = promisify(rename);

/** Writes a file elsewhere on the same disk and moves it into place, so that nobody ever sees half of it. */
export async function writeBeside(
  beside: string,
  target: string,
  content: string | Uint8Array,
  mode = 0o644,
): Promise<void> {
  await write(beside, content, { mode });
  await move(beside, target);
}
