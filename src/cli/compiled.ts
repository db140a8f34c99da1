import { createHash } from "node:crypto";
import { lstatSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from "node:fs";
import { cpus, homedir } from "node:os";
import { dirname, join } from "node:path";
import type { Script } from "node:vm";
import { crc32 } from "node:zlib";
import { hereFacts } from "../core/ground/systems/system.ts";

/**
 * What the engine has compiled of a script: made where it is used, by the first run of each command, and kept for the
 * next.
 */
export interface Compiled {
  data: Buffer | undefined;
  /** Keeps what is compiled by now, where this command has added to it. */
  keep(script: Script, command: string): void;
}

/** Length of a check sum, in bytes. */
const sumLength = 4;

/** What was made longer ago, or before so many others, is thrown away. */
const kept = { days: 30, files: 12 };

const folder = (): string =>
  join(
    hereFacts().caches(homedir(), (name) => process.env[name]),
    "oxalis",
  );

const sha256 = (...parts: readonly (string | Uint8Array)[]): Buffer => {
  const sum = createHash("sha256");
  for (const part of parts) sum.update(part).update("\0");
  return sum.digest();
};

/** It tells what a disk has spoiled; whoever may write in the user's folder may do worse. */
const sumOf = (bound: Uint8Array, body: Uint8Array): number => crc32(body, crc32(bound));

/**
 * Opens what is kept for a script. It is bound to the script's file, whose name tells its content, to the engine and to
 * the processor by its name, and to its content by a sum in front: the engine itself takes whatever it is given, and
 * ends where a bit of it is wrong.
 */
export function openCompiled(script: string): Compiled {
  const { node, v8 } = process.versions;
  const { size, mtimeMs } = statSync(script);
  const file = [script, size, mtimeMs].join(" ");
  const bound = sha256(file, node, v8, process.arch, process.execArgv.join(" "), cpus()[0]?.model ?? "");
  const name = `${bound.toString("hex").slice(0, 32)}.compiled`;
  const found = read(join(folder(), name), bound);
  return {
    data: found?.data,
    keep(compiled, command) {
      const taken = compiled.cachedDataRejected === true ? undefined : found;
      if (taken?.commands.includes(command)) return;
      const commands = [...(taken?.commands ?? []), command];
      const head = Buffer.from(`${JSON.stringify(commands)}\n`);
      write(name, bound, Buffer.concat([head, compiled.createCachedData()]));
    },
  };
}

function read(file: string, bound: Buffer): { commands: string[]; data: Buffer } | undefined {
  try {
    const stat = lstatSync(file);
    if (!stat.isFile() || (process.getuid && stat.uid !== process.getuid())) return undefined;
    const bytes = readFileSync(file);
    const body = bytes.subarray(sumLength);
    if (sumOf(bound, body) !== bytes.readUInt32LE()) return undefined;
    const end = body.indexOf("\n");
    return { commands: JSON.parse(body.toString("utf8", 0, end)) as string[], data: body.subarray(end + 1) };
  } catch {
    return undefined; // it is only quicker with it
  }
}

/** One folder at a time: Node's own way to make several never ends where a system refuses without saying why. */
function makeFolder(path: string): void {
  if (lstatSync(path, { throwIfNoEntry: false })) return;
  if (dirname(path) !== path) makeFolder(dirname(path));
  mkdirSync(path, { mode: 0o700 });
}

function write(name: string, bound: Buffer, body: Buffer): void {
  const beside = join(folder(), `${name}.${process.pid}`);
  try {
    makeFolder(folder());
    const sum = Buffer.alloc(sumLength);
    sum.writeUInt32LE(sumOf(bound, body));
    writeFileSync(beside, Buffer.concat([sum, body]), { mode: 0o600, flag: "wx" });
    renameSync(beside, join(folder(), name));
    tidy();
  } catch {
    // It costs time, nothing else.
  }
}

function tidy(): void {
  readdirSync(folder())
    .filter((file) => /\.compiled(\.\d+)?$/.test(file))
    .map((file) => join(folder(), file))
    .map((path) => ({ path, made: lstatSync(path).mtimeMs }))
    .sort((a, b) => b.made - a.made)
    .filter(({ made }, at) => at >= kept.files || Date.now() - made > kept.days * 86_400_000)
    .forEach(({ path }) => void rmSync(path, { force: true }));
}
