import { cpSync, existsSync, mkdirSync, renameSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect } from "vitest";
import { oxalis, program, temporaryFolder } from "../support/oxalis.ts";
import { writeClients } from "./clients.ts";

export const pictures = join(program, "../../demo/clients/brennans-bothy/art");

/**
 * A workspace around an app that nobody here wrote, with two clients, generated. Each app is made once a run, and copied
 * for whoever wants it.
 */
export function made(render: (into: string) => void): { template: string; root: string } {
  const first = join(tmpdir(), "made", render.name);
  if (!existsSync(first)) {
    const own = makeAround(render);
    mkdirSync(join(first, ".."), { recursive: true });
    cpSync(own, `${first}.${process.pid}`, { recursive: true, preserveTimestamps: true });
    try {
      renameSync(`${first}.${process.pid}`, first);
    } catch (error) {
      if (!existsSync(first)) throw error; // otherwise another worker has made it meanwhile
    }
  }
  const root = temporaryFolder();
  cpSync(first, root, { recursive: true, preserveTimestamps: true });
  return { template: join(root, "app"), root };
}

function makeAround(render: (into: string) => void): string {
  const root = temporaryFolder();
  const template = join(root, "app");
  mkdirSync(template);
  render(template);
  const started = oxalis(root, "init", "--template", "app", "--agency", "Quayside");
  expect([started.code, started.err]).toEqual([0, expect.not.stringContaining("error")]);
  writeClients(root, pictures);
  const generated = oxalis(root, "generate");
  expect([generated.code, generated.err]).toEqual([0, expect.not.stringContaining("error")]);
  return root;
}
