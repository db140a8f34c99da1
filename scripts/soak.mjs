// Runs the built program while it is killed, stopped, woken, run twice at once, short of room, and given links and inputs
// that are hostile: node scripts/soak.mjs [--minutes 10] [--seed 1], or [--each 100], which does so many kills, stops and
// full disks of each command that keeps something. At the end an undisturbed run must give the same bytes as one in a
// clean copy; kept files must hold all that was said to be done; no letter may have come twice; nothing beside the
// workspace may have changed.
import { spawnSync } from "node:child_process";
import { cpSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { acts, calls, killed, shortOfRoom, stopped } from "./soak/acts.mjs";
import {
  at,
  clients,
  closeServer,
  fault,
  faults,
  layOut,
  lettersGot,
  oneOf,
  openServer,
  root,
  seed,
  sentinel,
  start,
  sums,
} from "./soak/ground.mjs";
import { approvalsNoted, holdKept, releasesNoted } from "./soak/kept.mjs";

const { values } = parseArgs({
  options: {
    minutes: { type: "string", default: "10" },
    seed: { type: "string", default: "1" },
    each: { type: "string" },
    only: {
      type: "string",
      multiple: true,
      default: ["release", "approve", "ask --send", "copy-sheet", "board --page"],
    },
  },
});
seed(Number(values.seed));
await openServer();
await layOut();
const guarded = JSON.stringify(sums(sentinel));
const counts = {};

async function round(what, act) {
  await act();
  counts[what] = (counts[what] ?? 0) + 1;
  if (JSON.stringify(sums(sentinel)) === guarded) return;
  fault("outside", `after ${what}`);
  cpSync("demo", sentinel, { recursive: true });
}

if (values.each === undefined) {
  const end = Date.now() + Number(values.minutes) * 60_000;
  while (Date.now() < end) {
    const [what, act] = oneOf(Object.entries(acts));
    await round(what, act);
  }
} else
  for (const name of values.only)
    for (let at = 0; at < Number(values.each); at++) {
      await round(`${name}: killed`, () => killed(calls[name](), 1400));
      await round(`${name}: stopped and woken`, () => stopped(calls[name](), calls[oneOf(["release", name])]()));
      await round(`${name}: short of room`, () => shortOfRoom(calls[name]()));
    }

const last = await start(["generate"]).ended;
if (last.code !== 0) fault("the undisturbed run failed", last.said.slice(-3000));
const audited = await start(["audit"]).ended;
if (audited.code !== 0) fault("the audit at the end has findings", audited.said.slice(-3000));
holdKept();
const clean = join(root, "clean");
for (const part of ["oxalis.yaml", "template.yaml", "template", "clients"])
  cpSync(at(part), join(clean, part), { recursive: true });
spawnSync(process.execPath, [resolve("dist/oxalis.js"), "generate", "-C", clean], { stdio: "ignore" });
const [made, anew] = [sums(at("variants")), sums(join(clean, "variants"))];
for (const file of Object.keys(anew))
  if (made[file] !== anew[file] && !file.startsWith("builds.")) fault("other bytes", file);
for (const file of Object.keys(made))
  if (!(file in anew) && clients.some((key) => file.startsWith(`${key}/`))) fault("left over", file);
await closeServer();

const rounds = Object.values(counts).reduce((a, b) => a + b, 0);
console.log(`seed ${values.seed}: ${rounds} rounds`);
for (const [what, times] of Object.entries(counts).sort()) console.log(`  ${String(times).padStart(4)}  ${what}`);
console.log(
  `  ${releasesNoted()} releases and ${approvalsNoted()} approvals said done and are there; ${lettersGot()} letters came, ` +
    `each once; ${faults.length} faults`,
);
if (faults.length === 0) rmSync(root, { recursive: true, force: true });
else console.log(`  left for looking at: ${root}`);
process.exit(faults.length > 0 ? 1 : 0);
