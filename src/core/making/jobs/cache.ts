import { readPlain } from "../../ground/files/reading/plain.ts";
import { filesBelow, removeTree, through, touch } from "../../ground/files/writing/door.ts";
import { keepFile } from "../../ground/files/writing/together.ts";
import { trimFolder } from "../../ground/files/writing/trim.ts";
import { sha256 } from "../../ground/values/hash.ts";

/**
 * Pictures drawn before, by the fingerprint of all they come from; shared by all clients and by several runs at once.
 */
export interface Cache {
  get(fingerprint: string): Buffer | undefined;
  /** Keeps a picture; one that cannot be kept costs time, nothing else. */
  put(fingerprint: string, content: Uint8Array): void;
  /** Waits until all is kept; then throws away what was not used for longest, where that is more than there may be. */
  close(): Promise<void>;
}

/** Keeps nothing. */
export const noCache: Cache = { get: () => undefined, put: () => {}, close: async () => {} };

/** Bytes that are kept; when there are more, so many are thrown away that a tenth is free. */
const most = 1024 ** 3;

/** Length of the check sum that stands before each picture, in hexadecimal digits. */
const sumLength = 64;

const cacheFolder = ".oxalis/cache";

/** Largest picture that is kept, in bytes. */
const largest = 64 * 1024 * 1024;

export function openCache(root: string): Cache {
  let grown = false;
  const pathOf = (fingerprint: string) => `${cacheFolder}/${fingerprint.slice(0, 1)}/${fingerprint.slice(1)}`;
  return {
    get(fingerprint) {
      try {
        const path = through(root, pathOf(fingerprint));
        const kept = readPlain(path, largest);
        const content = kept?.subarray(sumLength);
        if (!kept || !content || kept.toString("latin1", 0, sumLength) !== sumOf(fingerprint, content))
          return undefined;
        touch(root, pathOf(fingerprint));
        return content;
      } catch {
        return undefined;
      }
    },
    put(fingerprint, content) {
      grown = true;
      const sum = Buffer.from(sumOf(fingerprint, content), "latin1");
      keepFile(root, pathOf(fingerprint), Buffer.concat([sum, content]));
    },
    async close() {
      if (grown) trimFolder(root, cacheFolder, most);
    },
  };
}

/** A picture that is kept under another's name is not that one. */
const sumOf = (fingerprint: string, content: Uint8Array): string => sha256(fingerprint + sha256(content));

/** Empties the cache. */
export function clearCache(root: string): { pictures: number; bytes: number } {
  const kept = filesBelow(root, cacheFolder);
  removeTree(root, cacheFolder);
  return { pictures: kept.length, bytes: kept.reduce((sum, each) => sum + each.size, 0) };
}
