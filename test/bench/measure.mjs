// Measures commands, and says how one compares with another.
import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";

export const program = resolve("dist/oxalis.js");
export const work = mkdtempSync(join(tmpdir(), "oxalis-bench-"));
export const failed = [];

/** Seconds of the fastest of several runs, and the largest resident set, in MiB. */
export const measured = (command, args, { runs = 5, codes = [0] } = {}) =>
  summary(Array.from({ length: runs }, () => once(command, args, codes)));

/** Several commands in turn, again and again: a machine that grows slower does so for all of them. */
export function measuredInTurn(commands, runs) {
  const rows = commands.map(() => []);
  for (let run = 0; run < runs; run++)
    for (const [at, commandOf] of commands.entries()) rows[at].push(once(...commandOf(run)));
  return rows.map(summary);
}

function once(command, args, codes = [0]) {
  const { stderr, status } = spawnSync("/usr/bin/time", ["-f", "%e %U %S %M", command, ...args], {
    encoding: "utf8",
    stdio: ["ignore", "ignore", "pipe"],
  });
  if (!codes.includes(status)) throw new Error(`${command} ${args.join(" ")}: ${stderr}`);
  const [real, user, system, memory] = stderr.trim().split("\n").at(-1).split(" ").map(Number);
  return { real, cpu: user + system, memory: memory / 1024 };
}

/** Of several runs: the fastest, the median, and the largest memory. */
function summary(rows) {
  const of = (key) => rows.map((row) => row[key]).sort((a, b) => a - b);
  const [real, cpu, memory] = ["real", "cpu", "memory"].map(of);
  return { real: real[0], cpu: cpu[0], memory: memory.at(-1), median: real[real.length >> 1] };
}

export function report(what, value, goal) {
  const missed = goal !== undefined && value > goal;
  if (missed) failed.push(what);
  console.log(
    `${missed ? "MISSED" : "      "}  ${what.padEnd(62)} ` +
      `${value.toFixed(2)}${goal === undefined ? "" : `  (goal: at most ${goal})`}`,
  );
}

/** Says what a command took: whole time, processor time, peak memory. */
export const took = ({ real, cpu, memory }) =>
  `${real.toFixed(2)} s, ${cpu.toFixed(2)} s of processor, ${memory.toFixed(0)} MiB`;
