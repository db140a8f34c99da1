import pLimit from "p-limit";
import { problem } from "../problems/problem.ts";
import { stop } from "../problems/result.ts";
import { sha256 } from "../values/hash.ts";

/** Files by what is in them: whoever knows a sum gets what has it, and nothing else. */
export interface Contents {
  /** Those of these sums of which nothing is there. */
  missing(sums: readonly string[]): Promise<readonly string[]>;
  /** Stops: contents-missing, contents-damaged, contents-unreachable */
  get(sum: string): Promise<Uint8Array>;
  put(sum: string, bytes: Uint8Array): Promise<void>;
}

/** Contents nearby, filled from others as they are asked for; what is put goes to both. */
export const nearBy = (near: Contents, far: Contents): Contents => ({
  missing: (sums) => far.missing(sums),
  async get(sum) {
    const [lacking] = await near.missing([sum]);
    if (lacking === undefined) return near.get(sum);
    const bytes = sound(sum, await far.get(sum));
    await near.put(sum, bytes);
    return bytes;
  },
  put: (sum, bytes) => far.put(sum, bytes),
});

/** So many files are on their way at once: each waits for the way there and back. */
const atOnce = 16;

/** Puts what of these sums is not there yet; nothing else is read. @param of each sum */
export async function putLacking(contents: Contents, of: ReadonlyMap<string, () => Uint8Array>): Promise<void> {
  const limit = pLimit(atOnce);
  const lacking = await contents.missing([...of.keys()]);
  await Promise.all(lacking.map((sum) => limit(async () => contents.put(sum, of.get(sum)?.() ?? new Uint8Array()))));
}

/** What each of these sums is. */
export async function getAll(contents: Contents, sums: readonly string[]): Promise<Uint8Array[]> {
  const limit = pLimit(atOnce);
  return Promise.all(sums.map((sum) => limit(() => contents.get(sum))));
}

/** What was found under a sum, where it is that. */
export const sound = (sum: string, bytes: Uint8Array): Uint8Array =>
  sha256(bytes) === sum ? bytes : stop([problem("contents-damaged", `What is kept as ${sum} is something else.`)]);
