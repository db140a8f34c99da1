// Measures commands, and says how one compares with another.
import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";

export const program = resolve("dist/oxalis.js");
export const work = mkdtempSync(join(tmpdir(), "oxalis-bench-"));
export const failed = [];

/** Seconds of the fastest of several runs, and the largest resident set, in MiB. */
export function measured(command, args, { runs = 5, before } = {}) {
  const rows = Array.from({ length: runs }, () => {
    before?.();
    const { stderr, status } = spawnSync("/usr/bin/time", ["-f", "%e %U %S %M", command, ...args], {
      encoding: "utf8",
      stdio: ["ignore", "ignore", "pipe"],
    });
    if (status !== 0) throw new Error(`${command} ${args.join(" ")}: ${stderr}`);
    const [real, user, system, memory] = stderr.trim().split("\n").at(-1).split(" ").map(Number);
    return { real, cpu: user + system, memory: memory / 1024 };
  });
  const least = (key) => Math.min(...rows.map((row) => row[key]));
  return { real: least("real"), cpu: least("cpu"), memory: Math.max(...rows.map((row) => row.memory)) };
}

export function report(what, value, goal) {
  const missed = goal !== undefined && value > goal;
  if (missed) failed.push(what);
  console.log(
    `${missed ? "MISSED" : "      "}  ${what.padEnd(62)} ${value.toFixed(2)}${goal === undefined ? "" : `  (goal: at most ${goal})`}`,
  );
}

/** Says what a command took: whole time, processor time, peak memory. */
export const took = ({ real, cpu, memory }) =>
  `${real.toFixed(2)} s, ${cpu.toFixed(2)} s of processor, ${memory.toFixed(0)} MiB`;
