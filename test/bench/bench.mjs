// Prints speed and memory as ratios against a baseline measured in the same run: npm run bench
import { execFileSync, spawnSync } from "node:child_process";
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { availableParallelism, tmpdir } from "node:os";
import { join, resolve } from "node:path";

const program = resolve("dist/oxalis.js");
const work = mkdtempSync(join(tmpdir(), "oxalis-bench-"));
const failed = [];

/** Seconds of the fastest of several runs, and the largest resident set, in MiB. */
function measured(command, args, { runs = 5, before } = {}) {
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

function report(what, value, goal) {
  const missed = goal !== undefined && value > goal;
  if (missed) failed.push(what);
  console.log(
    `${missed ? "MISSED" : "      "}  ${what.padEnd(62)} ${value.toFixed(2)}${goal === undefined ? "" : `  (goal: at most ${goal})`}`,
  );
}

/** A workspace of so many clients, each with the brief of one of the demo's under a name of its own. */
function roster(count) {
  const folder = join(work, `roster-${count}`);
  execFileSync("node", [program, "demo", folder]);
  rmSync(join(folder, "clients"), { recursive: true });
  const brief = readFileSync("demo/clients/3-acre/brief.yaml", "utf8");
  for (let at = 0; at < count; at++) {
    const target = join(folder, "clients", `farm-${at}`);
    cpSync("demo/clients/3-acre", target, { recursive: true });
    writeFileSync(join(target, "brief.yaml"), brief.replace("3acre.example", `farm${at}.example`));
  }
  return folder;
}

const has = (tool) => spawnSync("sh", ["-c", `command -v ${tool}`]).status === 0;
const pngsIn = (folder) =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((file) => file.endsWith(".png"))
    .map((file) => join(folder, file));
const totalBytes = (folder) => pngsIn(folder).reduce((sum, file) => sum + statSync(file).size, 0);

/** Width and height stand in a PNG's first bytes. */
function sizeOf(file) {
  const head = readFileSync(file).subarray(16, 24);
  return [head.readUInt32BE(0), head.readUInt32BE(4)];
}

/** What a producer would write for one size. */
const scriptLine = (tool, source, [width, height], target) =>
  tool === "convert"
    ? `${source} -resize ${width}x${height} ${target}`
    : `-a -w ${width} -h ${height} ${source} -o ${target}`;

console.log("Start");
const node = measured("node", ["-e", "0"], { runs: 15 });
const help = measured("node", [program, "--help"], { runs: 15 });
report("oxalis --help, as a multiple of node -e 0", help.real / node.real, 2);

console.log("\nVariants: the demo's eight clients");
const demo = join(work, "demo");
execFileSync("node", [program, "demo", demo]);
const cold = measured("node", [program, "generate", "-q", "-C", demo], {
  runs: 3,
  before: () => rmSync(join(demo, "variants"), { recursive: true, force: true }),
});
const warm = measured("node", [program, "generate", "-q", "-C", demo], { runs: 3 });
report("nothing changed, as a share of making everything", warm.real / cold.real);
report("peak memory, as a multiple of node -e 0", cold.memory / node.memory);
console.log(
  `        (${cold.real.toFixed(1)} s cold, ${warm.real.toFixed(1)} s unchanged, ${cold.memory.toFixed(0)} MiB on this machine)`,
);

console.log("\nPictures: one client, all platforms, every slot");
for (const { client, art } of [
  { client: "brennans-bothy", art: "mark.svg" },
  { client: "root-and-leaf", art: "mark.png" },
]) {
  const one = join(work, `one-${client}`);
  execFileSync("node", [program, "demo", one]);
  for (const other of readdirSync(join(one, "clients"))) {
    if (other !== client) rmSync(join(one, "clients", other), { recursive: true });
  }
  const forget = () => {
    for (const made of ["variants", ".oxalis"]) rmSync(join(one, made), { recursive: true, force: true });
  };
  const ours = measured("node", [program, "generate", "-q", "-C", one], { runs: 3, before: forget });
  const [variant, source] = [join(one, "variants", client), join(one, "clients", client, "art", art)];
  const floor = measured("node", ["test/bench/floor.mjs", variant, source, join(work, "floor")], { runs: 3 });
  report(`${client}: generate, as a multiple of a bare loop over sharp`, ours.real / floor.real, 1);
  const tool = art.endsWith(".svg") ? "rsvg-convert" : "convert";
  if (has(tool)) {
    const lines = pngsIn(variant).map((file, at) =>
      scriptLine(tool, source, sizeOf(file), join(work, `script-${at}.png`)),
    );
    writeFileSync(join(work, "script.txt"), lines.join("\n"));
    const command = `xargs -P ${availableParallelism()} -L 1 ${tool} < ${join(work, "script.txt")}`;
    const script = measured("sh", ["-c", command], { runs: 1 });
    report(
      `${client}: a script of ${tool}, as a multiple of generate (goal: at least 8)`,
      script.real / ours.real,
    );
  }
  if (has("optipng")) {
    const before = totalBytes(variant);
    const command = `printf '%s\\0' "$@" | xargs -0 -P ${availableParallelism()} -n 8 optipng -quiet -o2`;
    execFileSync("sh", ["-c", command, "sh", ...pngsIn(variant)]);
    report(
      `${client}: bytes of PNG, as a multiple of what optipng -o2 makes of them`,
      before / totalBytes(variant),
      1.12,
    );
  }
  const used = `generate ${ours.real.toFixed(2)} s, ${ours.cpu.toFixed(2)} s of processor, ${ours.memory.toFixed(0)} MiB`;
  console.log(
    `        (${used}; bare loop ${floor.real.toFixed(2)} s, ${floor.cpu.toFixed(2)} s of processor)`,
  );
}

console.log(
  "\nResolving a roster: read, validate, derive, hold clients against each other; pictures looked at before",
);
const rosters = [100, 1000, 5000].map((count) => ({ count, folder: roster(count) }));
const resolved = rosters.map(({ count, folder }) => {
  const args = [program, "clients", "--json", "-C", folder];
  mkdirSync(join(folder, ".oxalis"), { recursive: true });
  spawnSync("node", args, { stdio: "ignore" });
  return { count, ...measured("node", args, { runs: 2 }) };
});
const each = ({ count, real }) => (real - help.real) / count;
const [few, many, most] = resolved;
report("time a client among 1,000, as a multiple of among 100", each(many) / each(few), 1.5);
report("time a client among 5,000, as a multiple of among 1,000", each(most) / each(many), 1.5);
report(
  "memory a client among 5,000, as a multiple of among 1,000",
  (most.memory - few.memory) / 4900 / ((many.memory - few.memory) / 900),
  1.5,
);
for (const { count, real, memory } of resolved)
  console.log(`        (${count} clients: ${real.toFixed(1)} s, ${memory.toFixed(0)} MiB on this machine)`);

console.log("\nA roster of 1,000 rows");
const sheet = join(work, "roster.xlsx");
const exported = measured("node", [program, "export", sheet, "-C", rosters[1].folder], { runs: 1 });
const imported = measured("node", [program, "import", sheet, "-C", rosters[1].folder], { runs: 2 });
report("import, as a multiple of resolving the same clients", imported.real / many.real);
console.log(
  `        (export ${exported.real.toFixed(1)} s, import ${imported.real.toFixed(1)} s on this machine)`,
);

rmSync(work, { recursive: true, force: true });
if (failed.length > 0) {
  console.log(`\nMissed: ${failed.join("; ")}`);
  process.exit(1);
}
