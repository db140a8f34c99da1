import { type ChildProcess, spawn } from "node:child_process";
import { createHash } from "node:crypto";
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, relative } from "node:path";
import { callResident } from "./resident.ts";

const root = join(import.meta.dirname, "../..");
export const program = join(root, "dist/oxalis.js");
const demoFolder = join(root, "demo");

export interface Ran {
  code: number | null;
  out: string;
  err: string;
}

/** Calls the built program. */
export const oxalis = (folder: string, ...args: string[]): Ran => callWith({}, folder, ...args);

/** The same, with more in its environment. */
export const callWith = (more: Readonly<Record<string, string>>, folder: string, ...args: string[]): Ran =>
  callResident(program, { folder, args, environment: { ...process.env, NO_COLOR: "1", COLUMNS: "120", ...more } });

/** Starts the built program and leaves it running. */
export const startOxalis = (folder: string, ...args: string[]) => startWith({}, folder, ...args);

/** The same, with more in its environment. */
export const startWith = (env: Readonly<Record<string, string>>, folder: string, ...args: string[]) =>
  spawn("node", [program, ...args], {
    cwd: folder,
    stdio: ["ignore", "pipe", "pipe"],
    env: { ...process.env, ...env },
  });

/** The code that a process ends with, also where it has already ended; null where it was killed. */
export const endOf = (process: ChildProcess): Promise<number | null> =>
  process.exitCode !== null || process.signalCode !== null
    ? Promise.resolve(process.exitCode)
    : new Promise((ended) => process.once("exit", ended));

/** A folder that is gone when the test file has ended. */
export function temporaryFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), "oxalis-test-"));
  temporary.push(folder);
  return folder;
}

const temporary: string[] = [];

/** Takes away the folders that were made so far. */
export function removeTemporary(): void {
  for (const folder of temporary.splice(0)) rmSync(folder, { recursive: true, force: true });
}

/** Pictures of the demo that this build has drawn, for all test files: drawn once a build, by one, and copied. */
function drawnBefore(): string {
  const built = createHash("sha256")
    .update(readdirSync(join(root, "dist")).sort().join())
    .digest("hex");
  const kept = join(root, "node_modules/.cache/drawn", built.slice(0, 16));
  const turn = `${kept}.drawing`;
  while (!existsSync(kept)) {
    if (!takesTurn(turn)) {
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 200);
      continue;
    }
    drawInto(kept);
    rmSync(turn);
  }
  return kept;
}

/** Whether nobody is at it, or whoever was is gone. @param turn a file that says who is */
function takesTurn(turn: string): boolean {
  mkdirSync(dirname(turn), { recursive: true });
  try {
    writeFileSync(turn, String(process.pid), { flag: "wx" });
    return true;
  } catch {
    const other = existsSync(turn) ? readFileSync(turn, "utf8") : "";
    if (other && !existsSync(`/proc/${other}`)) rmSync(turn, { force: true });
    return false;
  }
}

function drawInto(kept: string): void {
  const folder = temporaryFolder();
  cpSync(demoFolder, folder, { recursive: true });
  oxalis(folder, "generate", "-q");
  for (const name of ["cache", "pictures.json"])
    cpSync(join(folder, ".oxalis", name), join(`${kept}.${process.pid}`, name), { recursive: true });
  renameSync(`${kept}.${process.pid}`, kept);
}

/** Puts the demo's pictures into a workspace of it, as if it had drawn them itself. */
export const putDrawn = (folder: string): void => cpSync(drawnBefore(), join(folder, ".oxalis"), { recursive: true });

/** The demo workspace with only these clients, and with some files written otherwise. */
export function workspaceWith(clients: readonly string[], changes: Readonly<Record<string, string>> = {}): string {
  const folder = temporaryFolder();
  cpSync(demoFolder, folder, {
    recursive: true,
    filter: (source) => {
      const file = relative(demoFolder, source);
      const key = /^clients\/([^/]+)/.exec(file)?.[1];
      return file !== "story.yaml" && (key === undefined || clients.includes(key));
    },
  });
  putDrawn(folder);
  for (const [file, text] of Object.entries(changes)) writeFileSync(join(folder, file), text);
  return folder;
}

/** Changes a file's text in place. */
export function edit(folder: string, file: string, change: (text: string) => string): void {
  const path = join(folder, file);
  const text = readFileSync(path, "utf8");
  const changed = change(text);
  if (changed === text) throw new Error(`nothing was changed in ${file}`);
  writeFileSync(path, changed);
}

/** Every file below a folder with its bytes, by relative path. */
export function contents(folder: string): Map<string, Buffer> {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile());
  const paths = files.map((entry) => relative(folder, join(entry.parentPath, entry.name))).sort();
  return new Map(paths.map((path) => [path, readFileSync(join(folder, path))]));
}

/** The same by their sums: to be held against each other. */
export const sums = (folder: string): Map<string, string> =>
  new Map([...contents(folder)].map(([path, bytes]) => [path, createHash("sha256").update(bytes).digest("hex")]));
