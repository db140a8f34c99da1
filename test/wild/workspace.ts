import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { expect } from "vitest";
import { oxalis, program, temporaryFolder } from "../support/oxalis.ts";
import { writeClients } from "./clients.ts";

export const pictures = join(program, "../../demo/clients/brennans-bothy/art");

/** A workspace around an app that nobody here wrote, with two clients, generated. */
export function made(render: (into: string) => void): { template: string; root: string } {
  const root = temporaryFolder();
  const template = join(root, "app");
  mkdirSync(template);
  render(template);
  const started = oxalis(root, "init", "--template", "app", "--agency", "Quayside");
  expect([started.code, started.err]).toEqual([0, expect.not.stringContaining("error")]);
  writeClients(root, pictures);
  const generated = oxalis(root, "generate");
  expect([generated.code, generated.err]).toEqual([0, expect.not.stringContaining("error")]);
  return { template, root };
}
