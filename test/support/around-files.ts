import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect } from "vitest";
import { oxalis, program, type Ran, temporaryFolder } from "./oxalis.ts";

/** A workspace around files, with one client whose name wants escaping. */
export function aroundFiles(
  files: Readonly<Record<string, string | Uint8Array>>,
  ...init: string[]
): { root: string; started: Ran } {
  const root = temporaryFolder();
  for (const [file, content] of Object.entries({
    ...Object.fromEntries(Object.entries(files).map(([name, each]) => [`app/${name}`, each])),
    "clients/kelp/brief.yaml": kelpsBrief,
    "clients/kelp/art/mark.svg": readFileSync(join(program, "../../demo/clients/brennans-bothy/art/mark.svg")),
  })) {
    mkdirSync(dirname(join(root, file)), { recursive: true });
    writeFileSync(join(root, file), content);
  }
  const started = oxalis(root, "init", "--template", "app", "--agency", "Quayside", ...init);
  expect([started.code, started.err]).toEqual([0, expect.not.stringContaining("error")]);
  expect(oxalis(root, "generate")).toMatchObject({ code: 0 });
  return { root, started };
}

const kelpsBrief = `app: { name: "Kelp & O'Hara", label: Kelp }
owner: Kelp & O'Hara Ltd
domain: kelp.example
email: hello@kelp.example
version: 2.5.1
colors: { brand: "#1f5d4c", ground: "#0b2a21" }
art: { mark: art/mark.svg }
`;
