import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync } from "node:fs";
import { join } from "node:path";

/** Packages that the corpus is made of: exact versions, each held to its integrity. No script of theirs is ever run. */
const packages: readonly { name: string; version: string; integrity: string }[] = JSON.parse(
  readFileSync(join(import.meta.dirname, "packages.json"), "utf8"),
);

/** Kept between runs; not a part of the project. */
const kept = join(import.meta.dirname, "../../node_modules/.cache/wild");

/** The folder of a package, unpacked. Throws where it cannot be had, or is not what it should be. @param of several */
export function unpacked(name: string, version?: string): string {
  const known = packages.find((each) => each.name === name && (version === undefined || each.version === version));
  if (!known) throw new Error(`${name} is not in packages.json`);
  const file = `${name.replace("@", "").replace("/", "-")}-${known.version}`;
  const folder = join(kept, file);
  if (existsSync(folder)) return folder;
  // Several tests fetch at once: each by itself, and the first one's is kept.
  const beside = `${folder}.${process.pid}`;
  mkdirSync(beside, { recursive: true });
  run("npm", ["pack", `${name}@${known.version}`, "--ignore-scripts", "--silent", "--pack-destination", beside]);
  const archive = join(beside, `${file}.tgz`);
  const sum = `sha512-${createHash("sha512").update(readFileSync(archive)).digest("base64")}`;
  if (sum !== known.integrity) throw new Error(`${archive} is not the package that packages.json names`);
  run("tar", ["xzf", archive, "-C", beside, "--strip-components=1"]);
  rmSync(archive, { force: true });
  if (existsSync(folder)) rmSync(beside, { recursive: true });
  else renameSync(beside, folder);
  return folder;
}

/** Unpacks an archive that a package carries. */
export function unpackArchive(archive: string, into: string): void {
  mkdirSync(into, { recursive: true });
  run("tar", ["xzf", archive, "-C", into]);
}

function run(command: string, args: readonly string[]): void {
  const { status, stderr } = spawnSync(command, args, { encoding: "utf8" });
  if (status !== 0) throw new Error(`${command} ${args.join(" ")} ended with ${status}: ${stderr}`);
}
