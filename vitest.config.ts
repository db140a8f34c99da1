import { chmodSync, existsSync, mkdtempSync, rmSync, statfsSync } from "node:fs";
import { freemem, tmpdir } from "node:os";
import { join } from "node:path";
import { defineConfig } from "vitest/config";

/** Tests that put something in a module's place: no other file may have loaded it before them. */
const apart = ["test/core/ground/files/transaction.test.ts", "test/core/clients/keys/serial.test.ts"];

/** Bytes of memory, and of files in it, that have to be free for tests to put theirs there; they use a sixth. */
const room = 4_000_000_000;

/** A folder for what tests make: in memory where there is room, since many of them wait longer for a disk than they work. */
function scratch(): string {
  const memory = "/dev/shm";
  const { bavail, bsize } = existsSync(memory) ? statfsSync(memory) : { bavail: 0, bsize: 0 };
  const isRoomy = Math.min(bavail * bsize, freemem()) > room;
  const folder = mkdtempSync(join(isRoomy ? memory : tmpdir(), "oxalis-tests-"));
  chmodSync(folder, 0o1777); // as folders for what is temporary are: other users have theirs there too
  process.on("exit", () => rmSync(folder, { recursive: true, force: true }));
  return folder;
}

export default defineConfig({
  test: {
    testTimeout: 300_000,
    hookTimeout: 300_000,
    maxWorkers: 2,
    env: { TMPDIR: scratch() },
    setupFiles: ["test/support/each-file.ts"],
    projects: [
      { extends: true, test: { name: "apart", include: apart } },
      // Files that one worker has in turn share what they load: it is loaded once, not for each.
      { extends: true, test: { name: "shared", include: ["test/**/*.test.ts"], exclude: apart, isolate: false } },
    ],
  },
});
