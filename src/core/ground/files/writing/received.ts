import { createHash } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { refuse } from "../../problems/result.ts";
import { lookAt, move, removeFile, through } from "./door.ts";
import { scratchName } from "./scratch.ts";

/**
 * Writes what comes in to a file named by its sum: all of it or nothing, and never what is more than there may be or
 * has another sum. Stops: contents-damaged @param most bytes
 */
export async function receive(
  root: string,
  path: string,
  sum: string,
  { stream, most }: { stream: AsyncIterable<Uint8Array>; most: number },
): Promise<void> {
  const beside = scratchName();
  const hash = createHash("sha256");
  async function* summed() {
    let size = 0;
    for await (const chunk of stream) {
      size += chunk.length;
      if (size > most) refuse("contents-damaged", `${sum} is larger than ${most} bytes.`);
      hash.update(chunk);
      yield chunk;
    }
  }
  try {
    await pipeline(Readable.from(summed()), createWriteStream(through(root, beside, true), { flags: "wx" }));
    if (hash.digest("hex") !== sum) refuse("contents-damaged", `What was given as ${sum} is something else.`);
    if (!lookAt(root, path)) move(root, beside, path);
  } finally {
    removeFile(root, beside);
  }
}

/** What a file holds, piece by piece. */
export const given = (root: string, path: string): Readable => createReadStream(through(root, path));
