// Kills the commands that keep keys at random moments, each in a copy of its own, and looks at what is there then:
// node scripts/soak-keys.mjs [--kills 50] [--seed 1] [--only make]. What is recorded is proven, the same command ends
// what it began, and at the end there is what an undisturbed run leaves. Wants keytool; build first, and not meanwhile.
import { spawn, spawnSync } from "node:child_process";
import { appendFileSync, cpSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { setTimeout } from "node:timers/promises";
import { parseArgs } from "node:util";
import { Encrypter, generateIdentity, identityToRecipient } from "age-encryption";
import { fault, faults, random, root, seed } from "./soak/ground.mjs";

const { values } = parseArgs({
  options: {
    kills: { type: "string", default: "50" },
    seed: { type: "string", default: "1" },
    only: { type: "string", multiple: true, default: ["make", "adopt", "accept", "restore"] },
  },
});
seed(Number(values.seed));
const program = resolve("dist/oxalis.js");
const client = "saltmarsh";
const team = "SM12CD34EF";
const passPhrase = "heron kettle anvil moss";

/** Runs the program in a place: a workspace and its vault. */
const started = (place, args) =>
  spawn(process.execPath, [program, ...args], {
    cwd: join(place, "workspace"),
    env: {
      ...process.env,
      OXALIS_VAULT: join(place, "vault"),
      OXALIS_PASSPHRASE: passPhrase,
      OXALIS_STORE_PASSWORD: passPhrase,
    },
  });
const ended = (child) =>
  new Promise((done) => {
    let said = "";
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (part) => (said += part));
    child.once("close", (code) => done({ code, said }));
  });
const run = (place, args) => ended(started(place, args));

/** A vault that is cheap to open: what it costs to guess its pass phrase is not what is tried here. */
async function makeVault(place) {
  const identity = await generateIdentity();
  const encrypter = new Encrypter();
  encrypter.setPassphrase(passPhrase);
  encrypter.setScryptWorkFactor(10);
  mkdirSync(join(place, "vault"), { mode: 0o700 });
  const recipient = await identityToRecipient(identity);
  writeFileSync(join(place, "vault/vault.json"), JSON.stringify({ form: 1, recipient }), { mode: 0o600 });
  writeFileSync(join(place, "vault/vault-key.age"), await encrypter.encrypt(`${identity}\n`), { mode: 0o600 });
}

/** What each command begins with, in a place of its own; its arguments; and how many keys are proven afterwards. */
const kinds = {
  make: { args: ["keys", "make", client], keys: 2, before: async () => {} },
  adopt: {
    args: ["keys", "adopt", "../upload.p12"],
    keys: 1,
    before: async (place) => {
      const store = ["-storepass", passPhrase, "-keystore", join(place, "upload.p12")];
      const key = ["-alias", "upload", "-keyalg", "RSA", "-keysize", "2048", "-validity", "10000"];
      spawnSync("keytool", ["-genkeypair", "-dname", "CN=Saltmarsh Roots", ...key, ...store], { stdio: "ignore" });
    },
  },
  accept: {
    args: ["keys", "accept", "../own.cer"],
    keys: 1,
    before: async (place) => {
      appendFileSync(join(place, `workspace/clients/${client}/brief.yaml`), `\nsigning:\n  team: ${team}\n`);
      await run(place, ["keys", "request", client]);
      await certify(place);
    },
  },
  restore: {
    args: ["keys", "restore", "../keys.zip.age"],
    keys: 2,
    before: async (place) => {
      await run(place, ["keys", "make", client]);
      await run(place, ["keys", "export", "../keys.zip.age"]);
      for (const path of ["vault", `workspace/clients/${client}/history`])
        rmSync(join(place, path), { recursive: true, force: true });
    },
  },
};

async function certify(place) {
  const authority = spawn(process.execPath, [program, "stand-in", "authority", "--port", "0", "--json"]);
  try {
    const told = await new Promise((done) => authority.stdout.once("data", (part) => done(String(part))));
    const requests = join(place, "workspace/requests");
    const [file = ""] = readdirSync(requests);
    const request = readFileSync(join(requests, file), "utf8");
    const body = JSON.stringify({ request, role: "apple-distribution", team, owner: "Saltmarsh", days: 300 });
    const headers = { "content-type": "application/json" };
    const answer = await fetch(`${JSON.parse(told).address}/certificates`, { method: "POST", headers, body });
    writeFileSync(join(place, "own.cer"), Buffer.from(await answer.arrayBuffer()));
  } finally {
    authority.kill();
  }
}

/** How many keys of the place are recorded, and whether all of them are proven. */
async function proven(place) {
  const { code, said } = await run(place, ["keys", "prove", client, "--json"]);
  const { clients = [] } = code === null || !said.startsWith("{") ? {} : JSON.parse(said);
  const recorded = clients.flatMap(({ keys }) => keys.filter((each) => each.sha256 ?? each.name));
  return { recorded: recorded.length, broken: recorded.some(({ problems }) => problems.some(isBreak)), said };
}
const isBreak = ({ code }) => ["key-lost", "key-changed", "vault-other", "history-damaged"].includes(code);

for (const kind of values.only) {
  const { args, keys, before } = kinds[kind];
  const first = join(root, kind);
  mkdirSync(first, { recursive: true });
  // Of the example's clients this one alone: each round starts the program four times.
  const isOther = (path) => /[\\/]clients[\\/]/.test(path) && !path.split(/[\\/]/).includes(client);
  cpSync("demo", join(first, "workspace"), { recursive: true, filter: (path) => !isOther(path) });
  await makeVault(first);
  await before(first);
  const copied = (name) => {
    const place = join(root, `${kind}-${name}`);
    cpSync(first, place, { recursive: true });
    return place;
  };
  const undisturbed = copied("whole");
  const since = Date.now();
  const whole = await run(undisturbed, args);
  const took = Date.now() - since;
  if (whole.code !== 0) fault(`${kind} alone`, whole.said);
  let changed = 0;
  for (let at = 0; at < Number(values.kills); at++) {
    const place = copied(at);
    const child = started(place, args);
    const end = ended(child);
    // Its start takes a while in which nothing happens yet.
    await Promise.race([setTimeout(took * (0.25 + 0.85 * random())), end]);
    child.kill("SIGKILL");
    await end;
    const left = await proven(place);
    if (left.broken) fault(`${kind}: what is recorded is not whole`, left.said);
    if (left.recorded > 0) changed++;
    const again = await run(place, args);
    const isDone = left.recorded >= keys;
    if (again.code !== 0 && !isDone) fault(`${kind}: it does not go on`, again.said);
    const after = await proven(place);
    if (after.recorded !== keys || after.broken) fault(`${kind}: not whole at the end`, after.said);
    rmSync(place, { recursive: true });
  }
  console.log(`${kind.padEnd(8)} ${values.kills} kills within ${took} ms, ${changed} after it had kept something`);
}
rmSync(root, { recursive: true, force: true });
console.log(faults.length === 0 ? "0 faults" : faults.map((each) => JSON.stringify(each)).join("\n"));
process.exitCode = faults.length === 0 ? 0 : 1;
