import { existsSync, readdirSync, readFileSync, rmSync, statSync, utimesSync } from "node:fs";
import { dirname, join } from "node:path";
import { sha256 } from "../files/hash.ts";
import { makeFolder } from "../files/make-folder.ts";
import { writeBeside } from "../files/write-beside.ts";
import { scratchFile } from "./writer.ts";

/** Pictures drawn before, by the fingerprint of all they come from; shared by all clients and by several runs at once. */
export interface Cache {
  get(fingerprint: string): Buffer | undefined;
  /** Keeps a picture; one that cannot be kept costs time, nothing else. */
  put(fingerprint: string, content: Uint8Array): void;
  /** Waits until all is kept; then throws away what was not used for longest, where that is more than there may be. */
  close(): Promise<void>;
}

/** Bytes that are kept; when there are more, so many are thrown away that a tenth is free. */
const most = 1024 ** 3;

/** Length of the check sum that stands before each picture, in hexadecimal digits. */
const sumLength = 64;

const cacheFolder = (root: string): string => join(root, ".oxalis", "cache");

export function openCache(root: string): Cache {
  const folder = cacheFolder(root);
  const made = new Set<string>();
  const keeping = new Set<Promise<void>>();
  let grown = false;
  const ensure = (folder: string) => {
    if (!made.has(folder)) makeFolder(folder);
    made.add(folder);
  };
  const keep = async (path: string, content: Uint8Array) => {
    const beside = scratchFile(root);
    try {
      ensure(dirname(beside));
      ensure(dirname(path));
      await writeBeside(beside, path, Buffer.concat([Buffer.from(sha256(content), "latin1"), content]));
    } catch {
      rmSync(beside, { force: true });
    }
  };
  const pathOf = (fingerprint: string) => join(folder, fingerprint.slice(0, 1), fingerprint.slice(1));
  return {
    get(fingerprint) {
      try {
        const path = pathOf(fingerprint);
        const kept = readFileSync(path);
        const content = kept.subarray(sumLength);
        if (kept.toString("latin1", 0, sumLength) !== sha256(content)) return undefined;
        const now = new Date();
        utimesSync(path, now, now);
        return content;
      } catch {
        return undefined;
      }
    },
    put(fingerprint, content) {
      grown = true;
      const kept = keep(pathOf(fingerprint), content).finally(() => keeping.delete(kept));
      keeping.add(kept);
    },
    async close() {
      await Promise.all(keeping);
      if (grown) trimTo(folder, most);
    },
  };
}

interface Kept {
  path: string;
  size: number;
  used: number;
}

function trimTo(folder: string, limit: number): void {
  const kept = listKept(folder);
  let size = kept.reduce((sum, each) => sum + each.size, 0);
  if (size <= limit) return;
  for (const each of kept.sort((a, b) => a.used - b.used)) {
    if (size <= limit * 0.9) return;
    rmSync(each.path, { force: true });
    size -= each.size;
  }
}

function listKept(folder: string): Kept[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { recursive: true, encoding: "utf8" }).flatMap((file) => {
    const path = join(folder, file);
    const stat = statSync(path, { throwIfNoEntry: false });
    return stat?.isFile() ? [{ path, size: stat.size, used: stat.mtimeMs }] : [];
  });
}

/** Empties the cache. */
export function clearCache(root: string): { pictures: number; bytes: number } {
  const kept = listKept(cacheFolder(root));
  rmSync(cacheFolder(root), { recursive: true, force: true });
  return { pictures: kept.length, bytes: kept.reduce((sum, each) => sum + each.size, 0) };
}
