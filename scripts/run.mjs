// What the scripts share: running a command in the open, and keeping the installed packages in step with the lock file.
import { spawnSync } from "node:child_process";
import { existsSync, statSync } from "node:fs";

/** Runs a command with its output shown; gives whether it ended well. */
export function run(command, args, options = {}) {
  console.log(`\n> ${[command, ...args].join(" ")}`);
  return spawnSync(command, args, { stdio: "inherit", ...options }).status === 0;
}

export function must(command, args, options) {
  if (!run(command, args, options)) process.exit(1);
}

/** Installs the packages where they are not there, or older than the lock file. */
export function installPackages() {
  const installed = "node_modules/.package-lock.json";
  const fresh = existsSync(installed) && statSync(installed).mtimeMs >= statSync("package-lock.json").mtimeMs;
  if (!fresh || process.env.CI) must("npm", ["ci", "--no-fund", "--no-audit"]);
}

export function requireNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major > 20 || (major === 20 && minor >= 19)) return;
  console.error(`Oxalis wants Node 20.19 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}
