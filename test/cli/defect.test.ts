import { spawnSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { program, temporaryFolder } from "../support/oxalis.ts";

test("a defect is told with the lines of the sources that it went through", () => {
  const folder = temporaryFolder();
  // Nothing can be printed: whatever tries to throws.
  writeFileSync(join(folder, "broken.cjs"), "process.stdout.write = () => { throw new Error('no paper'); };\n");
  const args = [program, "schema", "brief"];
  const env = { ...process.env, NODE_OPTIONS: `--require=${join(folder, "broken.cjs")}` };
  const { status, stderr } = spawnSync("node", args, { cwd: folder, encoding: "utf8", env });
  expect(status).toBe(1);
  expect(stderr).toContain("Oxalis itself has failed; this is a defect");
  const frames = [...stderr.matchAll(/(src\/cli\/[\w/-]+\.ts):(\d+):\d+/g)].map(([, file = "", line]) => {
    const text = readFileSync(join(import.meta.dirname, "../..", file), "utf8").split("\n")[Number(line) - 1];
    return `${file}: ${text?.trim()}`;
  });
  expect(stderr).not.toMatch(/work-\w+\.cjs/);
  expect(frames).toEqual(
    expect.arrayContaining([
      "src/cli/commands/schema.ts: process.stdout.write(jsonSchema(file));",
      expect.stringMatching(/^src\/cli\/work\.ts: const done = await run\(/),
    ]),
  );
});
