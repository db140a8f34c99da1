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

/** What a sum looks like: SHA-256 in lower-case hexadecimal digits. */
export const sumForm = /^[0-9a-f]{64}$/;

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

/** What was found under a sum, where it is that. */
export const sound = (sum: string, bytes: Uint8Array): Uint8Array =>
  sha256(bytes) === sum ? bytes : stop([problem("contents-damaged", `What is kept as ${sum} is something else.`)]);
