import { afterAll } from "vitest";
import { removeTemporary } from "./oxalis.ts";

const environment = { ...process.env };

/** Test files of one worker have their process in common: each leaves nothing behind. */
afterAll(() => {
  removeTemporary();
  for (const name of Object.keys(process.env)) if (!(name in environment)) delete process.env[name];
  Object.assign(process.env, environment);
});
