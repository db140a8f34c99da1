import { problem } from "../problems/problem.ts";
import { stop } from "../problems/result.ts";
import { type Queue, usualLease } from "./queue.ts";

const isServer = (where: string): boolean => /^rediss?:\/\//.test(where);

/**
 * Opens a queue. The database and the server's library are loaded only where they are wanted.
 * @param where the address of a Redis server, or a folder, absolute. Stops: queue-unreachable
 */
export async function openQueue(where: string, lease = usualLease): Promise<Queue> {
  if (!isServer(where)) return (await import("./folder.ts")).folderQueue(where, lease);
  const { reachable, serverQueue } = await import("./server.ts");
  const wrong = await reachable(where);
  if (wrong !== undefined) stop([problem("queue-unreachable", `The queue does not answer: ${wrong}.`)]);
  return serverQueue(where, lease);
}

/** Where a queue is, without what nobody else is to know. */
export const placeOfQueue = (where: string): string => (isServer(where) ? where.replace(/\/\/[^@/]*@/, "//") : where);
