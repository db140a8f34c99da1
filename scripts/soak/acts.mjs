// What a soak does: each act runs the program while something is wrong.
import { spawnSync } from "node:child_process";
import {
  chmodSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import { setTimeout } from "node:timers/promises";
import { asked, at, below, clients, flipped, nextDay, oneOf, root, sentinel, start, sums } from "./ground.mjs";
import { briefLines, fillAlike, fillPictures, fonts, pictures, sheets } from "./hostile.mjs";
import { note } from "./kept.mjs";

let turn = 0;

/** A roster that changes labels, so that there is something to make, to draft and to approve. */
function newRoster() {
  turn++;
  const rows = clients.map((key) => `${key},${oneOf(["Box", "Crate", "Greens"])} ${turn},a${turn}@box.example`);
  writeFileSync(at("roster.csv"), `client,app.label,email\n${rows.join("\n")}\n`);
}

/** Calls the app otherwise under its icon, in one step: its drafts say so, and are open again. */
function newLabel() {
  const brief = at("clients", asked, "brief.yaml");
  const text = readFileSync(brief, "utf8").replace(/^( +label:) .*$/m, `$1 Box ${++turn}`);
  writeFileSync(`${brief}.new`, text);
  renameSync(`${brief}.new`, brief);
}

/** Calls of each command that writes. */
export const calls = {
  generate: () =>
    oneOf([["generate"], ["generate", oneOf(clients)], ["generate", "--stage", "testers", oneOf(clients)]]),
  import: () => ["import", "roster.csv"],
  release: () =>
    oneOf([
      ["release", ...clients, "--force", "--json", oneOf(["--patch", "--rebuild", "--minor"])],
      ["release", oneOf(clients), "--force", "--json", "--patch"],
    ]),
  approve: () => {
    newLabel();
    return ["approve", asked, "--by", "Mara", "--json"];
  },
  "ask --send": () => {
    nextDay();
    // Whether one that may have arrived did is somebody's to say, now and then.
    return ["ask", asked, "--json", oneOf(["--send", "--send", "--send", "--sent"])];
  },
  "copy-sheet": () => ["copy-sheet", oneOf(clients), "app-store", "--json"],
  "board --page": () => ["board", "--page", at("board.html"), "--json"],
  proof: () => ["proof"],
  clean: () => ["clean"],
};

function writing() {
  newRoster();
  return oneOf(Object.values(calls))();
}

/** Runs a call to its end, and notes what it said. */
async function run(args, options) {
  const ended = await start(args, options).ended;
  note(args, ended);
  return ended;
}

/** Kills a call at a moment before or about the time at which it ends by itself. */
export async function killed(args, most) {
  const { child, ended } = start(args);
  await setTimeout(below(most));
  child.kill("SIGKILL");
  note(args, await ended);
}

/** Stops a call in the midst of it, runs another one meanwhile, and wakes it. */
export async function stopped(args, other) {
  const { child, ended } = start(args);
  await setTimeout(below(1500));
  child.kill("SIGSTOP");
  const second = start(other);
  await setTimeout(below(4000));
  child.kill("SIGCONT");
  note(args, await ended);
  note(other, await second.ended);
}

/** Runs a call where no file may grow beyond so many blocks. */
export const shortOfRoom = (args) => run(args, { blocks: below(oneOf([8, 64, 600])) });

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

const ways = [
  ...["variants", "variants/3-acre", "variants/saltmarsh/web", "variants/builds.json", "variants/proof.html"],
  ...[".oxalis", ".oxalis/made", ".oxalis/scratch", ".oxalis/open", "clients/new", "letters", "board.html"],
  ...["clients/3-acre/history", "clients/3-acre/history/build-1.json", `clients/${asked}/history`],
];

const obstacles = [
  (target) => symlinkSync(sentinel, target),
  (target) => symlinkSync(join(sentinel, "a.txt"), target),
  (target) => symlinkSync("nowhere", target),
  (target) => writeFileSync(target, "in the way"),
  (target) => mkdirSync(target),
  (target) => spawnSync("mkfifo", [target]),
];

const reading = () =>
  oneOf([["check"], ["clients"], ["board"], ["ask", "--dry-run"], ["explain", "saltmarsh"], ["generate"]]);

export const acts = {
  killed: () => killed(writing(), oneOf([400, 1500, 6000])),
  "stopped and woken, with another run meanwhile": () => stopped(writing(), writing()),
  async "two at once"() {
    await Promise.all([writing(), writing()].map((args) => run(args)));
  },
  "short of room": () => shortOfRoom(writing()),
  async "a link, a file or a pipe in the way"() {
    const path = oneOf(ways);
    await inTheWay(path, oneOf(obstacles), async () => {
      const args = writing();
      // What a run writes while a kept file is away goes away with it.
      const ended = await start(args).ended;
      if (!path.startsWith("clients/")) note(args, ended);
    });
  },
  "a hostile picture": () =>
    during(at("clients/3-acre/art/mark.svg"), oneOf(pictures), () => run([oneOf(["check", "generate"])])),
  async "a hostile font"() {
    writeFileSync(at("clients/saltmarsh/art/own.ttf"), oneOf(fonts)());
    const named = (brief) => brief.toString().replace("art:\n", "art:\n  font: art/own.ttf\n");
    await during(at("clients/saltmarsh/brief.yaml"), named, () => run([oneOf(["check", "generate"])]));
    rmSync(at("clients/saltmarsh/art/own.ttf"));
  },
  async "a hostile capture"() {
    const file = at("clients/saltmarsh/captures/phone/en/boxes.png");
    await during(
      file,
      () => oneOf(pictures)(),
      () => run([oneOf(["board", "generate"])]),
    );
  },
  "a damaged brief": () => during(at("clients/saltmarsh/brief.yaml"), flipped, () => run(reading())),
  "a brief with what cannot be": () =>
    during(
      at("clients/saltmarsh/brief.yaml"),
      (brief) => `${brief}\n${oneOf(briefLines)()}\n`,
      () => run(reading()),
    ),
  async "a hostile sheet"() {
    writeFileSync(at("odd.csv"), oneOf(sheets)());
    await run(["import", "odd.csv", "--dry-run", ...oneOf([[], ["--strict"]])]);
    rmSync(at("odd.csv"));
  },
  async "a damaged workbook"() {
    await run(["export", at("odd.xlsx"), "-q"]);
    if (existsSync(at("odd.xlsx"))) {
      writeFileSync(at("odd.xlsx"), flipped(readFileSync(at("odd.xlsx"))));
      await run(["import", "odd.xlsx", "--dry-run"]);
    }
    rmSync(at("odd.xlsx"), { force: true });
  },
  async "pictures among links, pipes and archives"() {
    const folder = join(root, "pictures");
    fillPictures(folder);
    writeFileSync(at("odd.csv"), "client,app.label\n3-acre,Odd\nsaltmarsh,Odd\n");
    await run(["import", "odd.csv", "--pictures", folder, "--dry-run"]);
    rmSync(at("odd.csv"));
    rmSync(folder, { recursive: true });
  },
  async "names that differ by case alone"() {
    const put = fillAlike();
    await run(reading());
    for (const file of put) rmSync(file);
  },
  async "a damaged file of its own"() {
    const own = Object.keys(sums(at(".oxalis"))).filter((file) => !/lock|open/.test(file));
    const file = own.length > 0 ? at(".oxalis", oneOf(own)) : undefined;
    if (file) writeFileSync(file, flipped(readFileSync(file)));
    await run(writing());
  },
  async "a damaged kept file"() {
    const folder = at("clients", asked, "history");
    const files = existsSync(folder) ? readdirSync(folder) : [];
    if (files.length === 0) return;
    const file = join(folder, oneOf(files));
    const before = readFileSync(file);
    const damaged = oneOf([flipped(before), before.subarray(0, below(before.length)), Buffer.from("<<<<<<< ours\n")]);
    writeFileSync(file, damaged);
    await start(oneOf([calls.release, calls.approve, calls["ask --send"], calls.generate])()).ended;
    // Where a byte of a text was changed it can still be read, and may be written.
    writeFileSync(file, before);
  },
  async "an ordinary user, and folders that it may not read or write"() {
    if (process.getuid?.() !== 0) return;
    const nobody = 65_534;
    const path = at(oneOf(["variants", "clients", "clients/3-acre", "clients/3-acre/art", "template/web", "."]));
    if (!existsSync(path)) return;
    chmodSync(root, 0o755);
    spawnSync("chown", ["-R", `${nobody}:${nobody}`, at()]);
    const mode = lstatSync(path).mode & 0o777;
    chmodSync(path, oneOf([0o000, 0o555, 0o755]));
    await start(oneOf([reading, writing])(), { user: nobody }).ended;
    chmodSync(path, mode);
    spawnSync("chown", ["-R", "0:0", at()]);
  },
};
