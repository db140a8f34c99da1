// One client, all platforms, every picture: against a bare loop over sharp, and against a script of other tools.
import { execFileSync, spawnSync } from "node:child_process";
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { measured, measuredInTurn, program, report, took, work } from "./measure.mjs";

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

/** What a producer would write for one size: the mark drawn at half the size, laid in the middle of its ground. */
function scriptLine(source, [width, height], target) {
  const half = Math.round(Math.min(width, height) / 2);
  const laid = `-background '#1f5d4c' -gravity center -extent ${width}x${height} ${target}`;
  return source.endsWith(".svg")
    ? `rsvg-convert -a -w ${half} -h ${half} ${source} -o ${target}.mark && convert ${target}.mark ${laid}`
    : `convert ${source} -resize ${half}x${half} ${laid}`;
}

/** How often each is measured, in turn with the other. */
const runs = 9;

export function benchPictures() {
  console.log("\nPictures: one client, all platforms, every slot");
  for (const { client, art } of [
    { client: "brennans-bothy", art: "mark.svg" },
    { client: "root-and-leaf", art: "mark.png" },
  ]) {
    const one = join(work, `one-${client}`);
    execFileSync("node", [program, "demo", one]);
    for (const other of readdirSync(join(one, "clients")))
      if (other !== client) rmSync(join(one, "clients", other), { recursive: true });
    // Each run in a place of its own: a file system that has just thrown away hundreds of files is slow to make others.
    const places = Array.from({ length: runs }, (_, run) => `${one}-${run}`);
    for (const place of places) cpSync(one, place, { recursive: true });
    execFileSync("node", [program, "generate", "-q", "-C", one]);
    const [variant, source] = [join(one, "variants", client), join(one, "clients", client, "art", art)];
    const [ours, floor] = measuredInTurn(
      [
        (run) => ["node", [program, "generate", "-q", "-C", places[run]]],
        (run) => ["node", ["test/bench/floor.mjs", variant, source, join(places[run], "floor")]],
      ],
      runs,
    );
    console.log(`        (a) generate           ${took(ours)}`);
    console.log(`        (b) a bare loop        ${took(floor)}`);
    const script = ["rsvg-convert", "convert"].every(has) ? byScript(variant, source) : undefined;
    if (script) console.log(`        (c) a script of tools  ${took(script)}`);
    report(`${client}: (a) as a multiple of (b), by the fastest run`, ours.real / floor.real, 1);
    report(`${client}: the same, by the median`, ours.median / floor.median, 1);
    report(`${client}: (a) as a multiple of (b), of processor`, ours.cpu / floor.cpu);
    if (script) report(`${client}: (a) as a share of (c)`, ours.real / script.real, 1 / 8);
    if (has("optipng")) benchSize(one, client, variant);
  }
}

/** The same sizes by rsvg-convert and ImageMagick, as many at once as there are cores. */
function byScript(variant, source) {
  const folder = join(work, "script");
  mkdirSync(folder, { recursive: true });
  const lines = pngsIn(variant).map((file, at) => scriptLine(source, sizeOf(file), join(folder, `${at}.png`)));
  writeFileSync(join(folder, "lines"), lines.join("\0"));
  return measured("sh", ["-c", `xargs -0 -P ${availableParallelism()} -I {} sh -c {} < ${join(folder, "lines")}`], {
    runs: 1,
  });
}

/** Bytes of the pictures against what optipng -o2 makes of them, as they are and pressed. */
function benchSize(workspace, client, variant) {
  for (const { what, options, goal } of [
    { what: "bytes", options: [], goal: 1.12 },
    { what: "bytes with --smallest", options: ["--smallest"], goal: 1.02 },
  ]) {
    execFileSync("node", [program, "generate", "-q", ...options, "-C", workspace], { stdio: "ignore" });
    const before = totalBytes(variant);
    const press = `printf '%s\\0' "$@" | xargs -0 -P ${availableParallelism()} -n 8 optipng -quiet -o2`;
    execFileSync("sh", ["-c", press, "sh", ...pngsIn(variant)]);
    report(`${client}: ${what}, as a multiple of what optipng -o2 makes of them`, before / totalBytes(variant), goal);
  }
}
