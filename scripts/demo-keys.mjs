// The example's keys: one adopted, others made, certificates and profiles from a stand-in authority, and three faults.
import { spawn, spawnSync } from "node:child_process";
import { appendFileSync, cpSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { basename, join, resolve } from "node:path";

/** It opens an example, and nothing else: whoever reads this knows it. */
export const passPhrase = "this opens an example alone";
const storePassword = "an example too";

/** Clients and their teams; two have one in common. */
const teams = { "3-acre": "AC12CD34EF", saltmarsh: "SM12CD34EF", "high-hedges": "SM12CD34EF" };

/** Makes the keys of an example's clients. @param folder of the workspace @returns what was passed over, and why */
export async function makeDemoKeys(folder, oxalis) {
  const vault = `${resolve(folder)}-vault`;
  const env = { ...process.env, OXALIS_PASSPHRASE: passPhrase, OXALIS_STORE_PASSWORD: storePassword };
  const run = (...args) => {
    console.log(`\n> oxalis ${args.join(" ")}`);
    return spawnSync("node", [oxalis, ...args, "-C", folder], { stdio: "inherit", env }).status;
  };
  const passedOver = [];
  const setting = join(folder, "oxalis.yaml");
  writeFileSync(setting, `${readFileSync(setting, "utf8")}\nvault: ../${basename(vault)}\n`);
  for (const [client, team] of Object.entries(teams))
    appendFileSync(join(folder, `clients/${client}/brief.yaml`), `\nsigning:\n  team: ${team}\n`);

  if (!adoptOne(folder, run)) passedOver.push("a key that is adopted: it is made by keytool (default-jre-headless)");
  run("keys", "make", "high-hedges", "-q");
  copyKey(folder, vault, "high-hedges", "orchard-lane");
  run("keys", "make", "-q");
  run("keys", "request");
  await certify(folder, oxalis, run);
  run("keys", "prove");
  return passedOver;
}

/** Whether programs are on this machine. */
export const has = (...programs) =>
  programs.every((each) => spawnSync("sh", ["-c", `command -v ${each}`], { stdio: "ignore" }).status === 0);

/** Builds what this machine can, and looks into one of it. */
export function buildDemo(folder, oxalis) {
  const env = { ...process.env, OXALIS_PASSPHRASE: passPhrase };
  const run = (...args) => {
    console.log(`\n> oxalis ${args.join(" ")}`);
    return spawnSync("node", [oxalis, ...args, "-C", folder], { stdio: "inherit", env }).status;
  };
  run("build");
  const built = (client) => join(folder, `builds/${client}/store/1.0.0+1/android/shop.apk`);
  run("inspect", built("3-acre"), built("saltmarsh"));
}

/** A key store that a client has had for years. */
function adoptOne(folder, run) {
  const file = join(folder, "saltmarsh-upload.p12");
  const given = ["-genkeypair", "-alias", "upload", "-keyalg", "RSA", "-keysize", "2048", "-validity", "10000"];
  const named = ["-dname", "CN=Saltmarsh Growers CIC", "-storepass", storePassword, "-keystore", file];
  if (spawnSync("keytool", [...given, ...named], { stdio: "ignore" }).status !== 0) return false;
  run("keys", "adopt", file);
  return true;
}

/** What happens by hand: one client's key goes into another's folder. */
function copyKey(folder, vault, from, to) {
  const record = (client) => join(folder, "clients", client, "history/key-android-upload.json");
  mkdirSync(join(vault, to), { recursive: true });
  mkdirSync(join(folder, "clients", to, "history"), { recursive: true });
  for (const file of readdirSync(join(vault, from)).filter((each) => each.includes("android-upload")))
    cpSync(join(vault, from, file), join(vault, to, file));
  cpSync(record(from), record(to));
}

/** Certificates and profiles from the stand-in: one that ends in 20 days, and one that lacks what the app asks for. */
async function certify(folder, oxalis, run) {
  const authority = spawn("node", [oxalis, "stand-in", "authority", "--port", "0", "--json"]);
  try {
    const told = await new Promise((done) => authority.stdout.once("data", (part) => done(String(part))));
    const { address } = JSON.parse(told);
    const ask = async (path, file, body) => {
      const headers = { "content-type": "application/json" };
      const answer = await fetch(address + path, { method: "POST", headers, body: JSON.stringify(body) });
      if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
      writeFileSync(join(folder, file), Buffer.from(await answer.arrayBuffer()));
      return join(folder, file);
    };
    const requests = readdirSync(join(folder, "requests"));
    const files = [];
    const certificates = {};
    for (const file of requests) {
      const client = file.replace("-apple-distribution.certSigningRequest", "");
      const request = readFileSync(join(folder, "requests", file), "utf8");
      const team = teams[client];
      const days = client === "3-acre" ? 20 : 365;
      const asked = { request, role: "apple-distribution", team, owner: client, days };
      const made = await ask("/certificates", `requests/${client}.cer`, asked);
      certificates[team] = readFileSync(made, "utf8");
      files.push(made);
    }
    const apps = { "3-acre": "example.n3acre.n3acregreens", saltmarsh: "example.saltmarsh.saltmarshroots" };
    for (const [client, identifier] of Object.entries(apps)) {
      const team = teams[client];
      const groups = { "com.apple.security.application-groups": [`group.${identifier}.orders`] };
      const whole = { "aps-environment": "production", ...groups };
      const asked = { identifier, team, kind: "store", certificates: [certificates[team]] };
      const entitlements = client === "3-acre" ? groups : whole;
      const title = `${client} store`;
      files.push(await ask("/profiles", `requests/${client}.mobileprovision`, { ...asked, title, entitlements }));
      const service = { identifier: `${identifier}.notification-service`, title: `${client} notifications` };
      files.push(await ask("/profiles", `requests/${client}-notifications.mobileprovision`, { ...asked, ...service }));
    }
    run("keys", "accept", ...files);
  } finally {
    authority.kill();
  }
}
