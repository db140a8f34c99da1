// Runs the built program for minutes while it is killed, stopped, woken, run twice at once, short of room, and given
// links and inputs that are hostile: node scripts/soak.mjs [--minutes 10] [--seed 1]. At the end an undisturbed run
// must give the same bytes as one in a clean copy; ledgers must hold every release that said done; nothing beside the
// workspace may have changed.
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import {
  cpSync,
  existsSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { setTimeout } from "node:timers/promises";
import { parseArgs } from "node:util";

const { values } = parseArgs({
  options: { minutes: { type: "string", default: "10" }, seed: { type: "string", default: "1" } },
});
const program = resolve("dist/oxalis.js");
const root = mkdtempSync(join(tmpdir(), "oxalis-soak-"));
const workspace = join(root, "workspace");
const sentinel = join(root, "sentinel");
const at = (...parts) => join(workspace, ...parts);

/** The same numbers for the same seed (mulberry32). */
let state = Number(values.seed) >>> 0;
function random() {
  state = (state + 0x6d2b79f5) >>> 0;
  let t = Math.imul(state ^ (state >>> 15), 1 | state);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
}
const below = (most) => Math.floor(random() * most);
const oneOf = (all) => all[below(all.length)];

/** Every file below a folder with a sum of its content; links by where they lead. */
function sums(folder) {
  const found = {};
  const walk = (path) => {
    for (const name of readdirSync(join(folder, path)).sort()) {
      const file = path ? `${path}/${name}` : name;
      const stat = lstatSync(join(folder, file));
      if (stat.isDirectory()) walk(file);
      else if (stat.isFile())
        found[file] = createHash("sha256")
          .update(readFileSync(join(folder, file)))
          .digest("hex");
      else found[file] = "no file";
    }
  };
  if (existsSync(folder)) walk("");
  return found;
}

const counts = {};
const count = (what) => {
  counts[what] = (counts[what] ?? 0) + 1;
};
const faults = [];
const fault = (what, detail) => {
  faults.push({ what, detail });
  console.error(`FAULT ${what}\n${detail}`);
};

/** Longest that a command may take, in milliseconds. */
const hung = 120_000;

/** Starts a command; the promise gives its end. */
function start(args, { blocks } = {}) {
  const command =
    blocks === undefined ? [process.execPath] : ["sh", "-c", `ulimit -f ${blocks}; exec "$0" "$@"`, process.execPath];
  const child = spawn(command[0], [...command.slice(1), program, ...args, "-C", workspace], {
    stdio: ["ignore", "pipe", "pipe"],
  });
  let said = "";
  for (const stream of [child.stdout, child.stderr])
    stream.on("data", (part) => {
      said += part;
    });
  const ended = new Promise((done) => {
    const timer = globalThis.setTimeout(() => {
      fault("hung", args.join(" "));
      child.kill("SIGKILL");
    }, hung);
    child.on("close", (code, signal) => {
      clearTimeout(timer);
      if (said.includes("Oxalis itself has failed")) fault(`crashed: ${args.join(" ")}`, said.slice(0, 2000));
      done({ code, signal, said });
    });
  });
  return { child, ended };
}

const released = new Map();
/** Notes a release that said done: its ledger has to hold it for ever. */
function noteReleases(args, { code, said }) {
  if (args[0] !== "release" || code !== 0) return;
  for (const { client, after } of JSON.parse(said).releases)
    released.set(`${client} ${after.build}`, { client, build: after.build });
}

const clients = ["3-acre", "saltmarsh", "ferme-duclos"];
let turn = 0;
function writing() {
  turn++;
  writeFileSync(
    at("roster.csv"),
    "client,app.label,email\n" +
      `${clients
        .map((key) => `${key},${oneOf(["Box", "Crate", "Greens"])} ${turn},a${turn}@box.example`)
        .join("\n")}\n`,
  );
  return oneOf([
    ["generate"],
    ["generate", oneOf(clients)],
    ["generate", "--stage", "testers", oneOf(clients)],
    ["import", "roster.csv"],
    ["release", ...clients, "--force", "--json", oneOf(["--patch", "--rebuild", "--minor"])],
    ["release", oneOf(clients), "--force", "--json", "--patch"],
    ["proof"],
    ["clean"],
  ]);
}

const flipped = (bytes) => {
  const copy = Buffer.from(bytes);
  for (let i = 0; i <= below(4); i++) copy[below(copy.length)] = below(256);
  return copy;
};

/** Puts something else in a file's place for as long as the work takes. */
async function during(file, content, work) {
  const before = readFileSync(file);
  writeFileSync(file, content(before));
  await work();
  writeFileSync(file, before);
}

/** Puts something in the way of a path for as long as the work takes. */
async function inTheWay(path, put, work) {
  const aside = join(root, "aside");
  if (existsSync(at(path))) renameSync(at(path), aside);
  put(at(path));
  await work();
  if (!lstatSync(at(path), { throwIfNoEntry: false })?.isDirectory() || !existsSync(aside))
    rmSync(at(path), { recursive: true, force: true });
  else rmSync(at(path), { recursive: true });
  if (existsSync(aside)) renameSync(aside, at(path));
}

const hostilePictures = [
  () =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path stroke="#000" fill="none" ` +
    `d="M${Array.from({ length: 20_000 }, () => `${below(9)} ${below(9)}`).join("L")}"/></svg>`,
  () =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${"<g>".repeat(below(90))}<path d="M0 ` +
    `0h9v9z" onclick="x"/>`,
  () =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><filter ` +
    `id="f">${"<feTurbulence numOctaves='99'/>".repeat(1 + below(40))}</filter><rect width="9" ` +
    `height="9" filter="url(#f)"/></svg>`,
  () => Buffer.from(Array.from({ length: 400 }, () => below(256))),
];

const acts = {
  async killed() {
    const args = writing();
    const { child, ended } = start(args);
    await setTimeout(below(oneOf([400, 1500, 6000])));
    child.kill("SIGKILL");
    noteReleases(args, await ended);
  },
  async "stopped and woken, with another run meanwhile"() {
    const args = writing();
    const { child, ended } = start(args);
    await setTimeout(below(1500));
    child.kill("SIGSTOP");
    const second = writing();
    const other = start(second);
    await setTimeout(below(7000));
    child.kill("SIGCONT");
    for (const [given, end] of [
      [args, ended],
      [second, other.ended],
    ])
      noteReleases(given, await end);
  },
  async "two at once"() {
    const both = [writing(), writing()];
    const ends = both.map((args) => start(args).ended);
    for (const [i, end] of ends.entries()) noteReleases(both[i], await end);
  },
  async "short of room"() {
    const args = writing();
    noteReleases(args, await start(args, { blocks: below(oneOf([8, 64, 600])) }).ended);
  },
  async "a link, a file or a pipe in the way"() {
    const path = oneOf([
      "variants",
      "variants/3-acre",
      "variants/saltmarsh/web",
      ".oxalis",
      "clients/new",
      "variants/builds.json",
      "variants/proof.html",
      "clients/3-acre/ledger.json",
      ".oxalis/made",
      ".oxalis/scratch",
      ".oxalis/open",
    ]);
    const put = oneOf([
      (target) => symlinkSync(sentinel, target),
      (target) => symlinkSync(join(sentinel, "a.txt"), target),
      (target) => symlinkSync("nowhere", target),
      (target) => writeFileSync(target, "in the way"),
      (target) => mkdirSync(target),
      (target) => spawnSync("mkfifo", [target]),
    ]);
    await inTheWay(path, put, async () => {
      const args = writing();
      // What a release writes while a ledger is away goes away with it.
      const ended = await start(args).ended;
      if (!path.includes("ledger")) noteReleases(args, ended);
    });
  },
  async "a hostile picture"() {
    await during(
      at("clients/3-acre/art/mark.svg"),
      oneOf(hostilePictures),
      () => start([oneOf(["check", "generate"])]).ended,
    );
  },
  async "a damaged brief"() {
    await during(
      at("clients/saltmarsh/brief.yaml"),
      flipped,
      () => start([oneOf(["check", "explain", "clients", "generate"]), "saltmarsh"]).ended,
    );
  },
  async "a damaged sheet"() {
    writeFileSync(
      at("odd.csv"),
      flipped(Buffer.from(`client,app.name,domain\n"3-acre","Ä""x",a.example\n${"b,c\n".repeat(below(300))}`)),
    );
    await start(["import", "odd.csv", "--dry-run"]).ended;
    rmSync(at("odd.csv"));
  },
  async "a damaged file of its own"() {
    const own = Object.keys(sums(at(".oxalis"))).filter((file) => !/lock|open/.test(file));
    const file = own.length > 0 ? at(".oxalis", oneOf(own)) : undefined;
    if (file) writeFileSync(file, flipped(readFileSync(file)));
    const args = writing();
    noteReleases(args, await start(args).ended);
  },
};

cpSync("demo", workspace, { recursive: true });
for (const key of readdirSync(at("clients")))
  if (!clients.includes(key)) rmSync(at("clients", key), { recursive: true });
mkdirSync(join(sentinel, "web"), { recursive: true });
for (const file of ["a.txt", "web/index.html"]) writeFileSync(join(sentinel, file), "mine");
const guarded = JSON.stringify(sums(sentinel));
await start(["generate"]).ended;

const end = Date.now() + Number(values.minutes) * 60_000;
for (let round = 0; Date.now() < end; round++) {
  const [what, act] = oneOf(Object.entries(acts));
  await act();
  count(what);
  if (JSON.stringify(sums(sentinel)) !== guarded) {
    fault("outside", `after ${what}, round ${round}`);
    break;
  }
}

const last = await start(["generate"]).ended;
if (last.code !== 0) fault("the undisturbed run failed", last.said.slice(-3000));
const audited = await start(["audit"]).ended;
if (audited.code !== 0) fault("the audit at the end has findings", audited.said.slice(-3000));
for (const { client, build } of released.values()) {
  const ledger = JSON.parse(readFileSync(at("clients", client, "ledger.json"), "utf8"));
  if (!ledger.releases.some((each) => each.build === build)) fault("a release is lost", `${client} ${build}`);
}
const clean = join(root, "clean");
for (const part of ["oxalis.yaml", "template.yaml", "template", "clients"])
  cpSync(at(part), join(clean, part), { recursive: true });
spawnSync(process.execPath, [program, "generate", "-C", clean], { stdio: "ignore" });
const [made, anew] = [sums(at("variants")), sums(join(clean, "variants"))];
for (const file of Object.keys(anew))
  if (made[file] !== anew[file] && !file.startsWith("builds.")) fault("other bytes", file);
for (const file of Object.keys(made))
  if (!(file in anew) && clients.some((key) => file.startsWith(`${key}/`))) fault("left over", file);

console.log(
  `seed ${values.seed}, ${values.minutes} minutes: ${Object.values(counts).reduce((a, b) => a + b, 0)} rounds`,
);
for (const [what, times] of Object.entries(counts).sort()) console.log(`  ${String(times).padStart(4)}  ${what}`);
console.log(`  ${released.size} releases said done and are there; ${faults.length} faults`);
if (faults.length === 0) rmSync(root, { recursive: true, force: true });
else console.log(`  left for looking at: ${root}`);
process.exit(faults.length > 0 ? 1 : 0);
