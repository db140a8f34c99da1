import { defineConfig } from "vitest/config";

/** Tests that put something in a module's place: no other file may have loaded it before them. */
const apart = ["test/core/ground/files/transaction.test.ts", "test/core/clients/keys/serial.test.ts"];

export default defineConfig({
  test: {
    testTimeout: 600_000,
    hookTimeout: 600_000,
    maxWorkers: 2,
    setupFiles: ["test/support/each-file.ts"],
    projects: [
      { extends: true, test: { name: "apart", include: apart } },
      // Files that one worker has in turn share what they load: it is loaded once, not for each.
      { extends: true, test: { name: "shared", include: ["test/**/*.test.ts"], exclude: apart, isolate: false } },
    ],
  },
});
