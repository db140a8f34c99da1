import { cpSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect } from "vitest";
import { edit, oxalis, program, temporaryFolder } from "./oxalis.ts";

export const fixtures = join(import.meta.dirname, "../fixtures/templates");
const demo = join(program, "../../demo");

interface Around {
  root: string;
  variant: string;
  /** What init said. */
  said: string;
}

/** A workspace that init has written around a fixture, with one client whose name wants escaping everywhere. */
function prepared(template: string, notes: string, brief: string, changed: (app: string) => void = () => {}): Around {
  const root = temporaryFolder();
  cpSync(join(fixtures, template), join(root, "shared-app"), { recursive: true });
  changed(join(root, "shared-app"));
  const started = oxalis(root, "init", "--template", "shared-app", "--agency", "Quayside");
  expect([started.code, started.err]).toEqual([0, expect.not.stringContaining("error")]);
  if (notes) edit(root, "template.yaml", (text) => `${text}\n${notes}`);
  const client = join(root, "clients/bothy");
  mkdirSync(join(client, "art"), { recursive: true });
  cpSync(join(demo, "clients/brennans-bothy/art/mark.svg"), join(client, "art/mark.svg"));
  writeFileSync(
    join(client, "brief.yaml"),
    `app: { name: 'Brennan''s "Bothy" & Sons', label: "Bothy $1" }
domain: brennan.example
email: hello@brennan.example
version: 2.5.1
build: 57
colors: { brand: "#1f5d4c", ground: "#0b2a21" }
art: { mark: art/mark.svg }
${brief}`,
  );
  return { root, variant: join(root, "variants/bothy"), said: started.out };
}

function generated(around: Around): Around {
  const made = oxalis(around.root, "generate");
  expect([made.code, made.err]).toEqual([0, expect.not.stringContaining("error")]);
  return around;
}

/** Changes a text of a template. */
export const change = (folder: string, name: string, to: (text: string) => string): void => edit(folder, name, to);

/** Such a workspace around a fixture that is changed first. */
export const aroundChanged = (template: string, notes: string, brief: string, changed: (app: string) => void): Around =>
  generated(prepared(template, notes, brief, changed));

/** Such a workspace, with its variant made. */
export const around = (template: string, notes = "", brief = ""): Around => generated(prepared(template, notes, brief));

/** The same, where the client's folder needs more than a brief and a mark. */
export async function withClient(
  template: string,
  notes: string,
  brief: string,
  fill: (client: string) => Promise<void>,
): Promise<Around> {
  const made = prepared(template, notes, brief);
  await fill(join(made.root, "clients/bothy"));
  return generated(made);
}

/** A file of a variant. */
export const text = (variant: string, file: string) => readFileSync(join(variant, file), "utf8");

/** The audit finds the variant whole and nothing of the template in it; a second run changes nothing. */
export function expectClean(root: string): void {
  const audited = oxalis(root, "audit");
  expect([audited.code, audited.err]).toEqual([0, ""]);
  expect(oxalis(root, "generate").out).toContain("0 changed, 1 as before");
}
