// What a thread beside the main one does: it holds folders against each other.
import { parentPort } from "node:worker_threads";
import { comparing, type Pairs } from "../core/ground/files/reading/same.ts";

/** Larger files are looked at by whoever asked, in bytes. */
const largest = 16 * 1024 * 1024;
const compare = comparing(largest);

parentPort?.on("message", ({ id, pairs }: { id: number; pairs: Pairs }) => {
  const same = compare(pairs);
  parentPort?.postMessage({ id, same }, [same.buffer as ArrayBuffer]);
});
