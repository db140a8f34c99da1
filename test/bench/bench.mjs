// Prints speed and memory as ratios against a baseline measured in the same run: npm run bench
// npm run bench -- --clients 200 makes that many; that takes as long as making them does.
import { execFileSync, spawnSync } from "node:child_process";
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { benchLayouts } from "./layouts.mjs";
import { benchMachines } from "./machines.mjs";
import { benchMany } from "./many.mjs";
import { failed, measured, measuredInTurn, program, report, work } from "./measure.mjs";
import { benchPictures } from "./pictures.mjs";

const { values } = parseArgs({ options: { clients: { type: "string", default: "40" } } });

/** Every store that is known. */
const stores = "[google-play, app-store, mac-app-store, microsoft-store]";

/**
 * A workspace of so many clients, each with the brief of one of the demo's under a name of its own, and with an app for
 * desktops, so that every store wants something.
 */
function roster(count) {
  const folder = join(work, `roster-${count}`);
  execFileSync("node", [program, "demo", folder]);
  mkdirSync(join(folder, "template/desktop"));
  const shell = { appId: "example.lanternfield.boxline.desk", productName: "Boxline" };
  writeFileSync(join(folder, "template/desktop/build.json"), JSON.stringify(shell));
  const agency = readFileSync(join(folder, "oxalis.yaml"), "utf8")
    .replace("[android, ios, windows, web]", "[android, ios, desktop, windows, web]")
    .replace(/^( +)price: free$/m, `$1price: free\n$1in: ${stores}`);
  writeFileSync(join(folder, "oxalis.yaml"), agency);
  rmSync(join(folder, "clients"), { recursive: true });
  const brief = readFileSync("demo/clients/3-acre/brief.yaml", "utf8");
  for (let at = 0; at < count; at++) {
    const target = join(folder, "clients", `farm-${at}`);
    cpSync("demo/clients/3-acre", target, { recursive: true });
    rmSync(join(target, "store"), { recursive: true, force: true });
    writeFileSync(join(target, "brief.yaml"), brief.replace("3acre.example", `farm${at}.example`));
  }
  return folder;
}

console.log("Start");
const node = measured("node", ["-e", "0"], { runs: 15 });
const help = measured("node", [program, "--help"], { runs: 15 });
report("oxalis --help, as a multiple of node -e 0", help.real / node.real, 1.2);

console.log("\nVariants: the demo's eight clients");
const demos = [1, 2, 3].map((run) => join(work, `demo-${run}`));
for (const demo of demos) execFileSync("node", [program, "demo", demo]);
const generated = (demo) => ["node", [program, "generate", "-q", "-C", demo]];
const [cold] = measuredInTurn([(run) => generated(demos[run])], demos.length);
const warm = measured(...generated(demos[0]), { runs: 3 });
report("nothing changed, as a share of making everything", warm.real / cold.real);
report("peak memory, as a multiple of node -e 0", cold.memory / node.memory);
console.log(
  `        (${cold.real.toFixed(1)} s cold, ${warm.real.toFixed(1)} s unchanged, ` +
    `${cold.memory.toFixed(0)} MiB on this machine)`,
);

benchPictures();
benchLayouts();
benchMany(Number(values.clients));

console.log("\nResolving a roster: read, validate, derive, hold clients against each other; pictures looked at before");
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

console.log("\nThe board: every rule of four stores, for all clients");
const boards = rosters.map(({ count, folder }) => ({
  count,
  ...measured("node", [program, "board", "--json", "-C", folder], { runs: 1, codes: [0, 1] }),
}));
const [fewOn, manyOn, mostOn] = boards;
report("time a client among 1,000, as a multiple of among 100", each(manyOn) / each(fewOn), 1.5);
report("time a client among 5,000, as a multiple of among 100", each(mostOn) / each(fewOn), 1.5);
report("1,000 clients, as a multiple of resolving them", manyOn.real / many.real);
const page = join(work, "board.html");
spawnSync("node", [program, "board", "--page", page, "-q", "-C", rosters[1].folder], { stdio: "ignore" });
report("its page, bytes a client", readFileSync(page).length / 1000);
console.log(`        (1,000 clients ${manyOn.real.toFixed(1)} s, 5,000 ${mostOn.real.toFixed(1)} s on this machine)`);
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
console.log(`        (export ${exported.real.toFixed(1)} s, import ${imported.real.toFixed(1)} s on this machine)`);

console.log("\nPictures that nobody has seen yet: 200 clients, each with three vectors of its own");
const unseen = roster(200);
for (let at = 0; at < 200; at++)
  for (const name of ["mark", "mark-dark", "notification"]) {
    const file = join(unseen, `clients/farm-${at}/art/${name}.svg`);
    const dot = `<path fill="#1${at % 10}${at % 7}" d="M${10 + (at % 50)} ${20 + (at % 31)}h3v3z"/><!-- ${at} -->`;
    writeFileSync(file, readFileSync(file, "utf8").replace(/<\/svg>\s*$/, `${dot}</svg>`));
  }
for (const command of ["check", "board"]) {
  rmSync(join(unseen, ".oxalis"), { recursive: true, force: true });
  const args = [program, command, "-q", "-C", unseen];
  const first = measured("node", args, { runs: 1, codes: [0, 1] });
  const next = measured("node", args, { runs: 2, codes: [0, 1] });
  report(`${command}, as a multiple of the next time`, first.real / next.real, 2);
  report("the same, of processor", first.cpu / next.cpu);
  console.log(`        (${first.real.toFixed(1)} s, then ${next.real.toFixed(1)} s on this machine)`);
}

await benchMachines(roster(16), 16);

rmSync(work, { recursive: true, force: true });
if (failed.length > 0) {
  console.log(`\nMissed: ${failed.join("; ")}`);
  process.exit(1);
}
